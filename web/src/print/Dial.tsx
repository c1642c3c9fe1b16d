import { Path, Svg } from '@react-pdf/renderer';
import { lightClocks } from '@holotonos/core';
import { dialSectors, dialSize } from '@/job/lightDial';

/**
 * Where light showed at a pad; the words beside it say the same.
 *
 * @param sectors clock degrees of the sectors that let light through
 * @param size its width and height, points
 */
export function Dial({ sectors, size }: { sectors: readonly number[]; size: number }) {
  return (
    <Svg viewBox={`0 0 ${dialSize} ${dialSize}`} style={{ width: size, height: size }}>
      {dialSectors.map((path, i) => (
        <Path
          key={path}
          d={path}
          fill={sectors.includes(lightClocks[i] ?? -1) ? '#c98a12' : '#ffffff'}
          stroke="#4b4441"
          strokeWidth={0.8}
        />
      ))}
    </Svg>
  );
}
