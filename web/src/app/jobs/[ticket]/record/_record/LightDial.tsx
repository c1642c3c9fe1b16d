import { lightClocks } from '@holotonos/core';
import { dialSectors, dialSize } from '@/job/lightDial';

/** Where light showed at a pad, seen from above with the hinge below. The words beside it say the same. */
export function LightDial({ sectors }: { sectors: readonly number[] }) {
  return (
    <svg className="light-dial" viewBox={`0 0 ${dialSize} ${dialSize}`} aria-hidden="true">
      {dialSectors.map((path, i) => (
        <path key={path} d={path} className={sectors.includes(lightClocks[i] ?? -1) ? 'lit' : ''} />
      ))}
    </svg>
  );
}
