'use client';

import { Button } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';

/** Of this pad and each it is linked with: which lands first at the lightest touch. */
export function LandingPicker({ part }: { part: string }) {
  const { type, state, names, write } = useJob();
  const key = type.pads.find(({ hole }) => hole === part)?.key;
  const linked = type.links
    .filter(({ acts, driver, follower }) => acts === 'carries' && (driver === key || follower === key))
    .map(({ driver, follower }) => (driver === key ? follower : driver));
  const partners = type.pads.filter((pad) => linked.includes(pad.key)).map(({ hole }) => hole);
  if (partners.length === 0) return null;
  const seen = state.observations.get(`landing:${part}`);
  const name = (hole: string) => names.get(hole) ?? hole;
  return (
    <div className="mt-2">
      <div className="label">Which lands first</div>
      {partners.map((other) => (
        <div
          key={other}
          className="d-flex flex-wrap gap-1 mb-1"
          role="group"
          aria-label={`${name(part)} or ${name(other)}`}
        >
          {[part, other].map((first) => (
            <Button
              key={first}
              variant="quiet"
              aria-pressed={seen?.other === other && seen.first === first}
              onClick={() => write('observation', { part, about: 'landing', first, other })}
            >
              {name(first)}
            </Button>
          ))}
          <Button
            variant="quiet"
            aria-pressed={seen?.other === other && seen.first === undefined}
            onClick={() => write('observation', { part, about: 'landing', other })}
          >
            together
          </Button>
        </div>
      ))}
    </div>
  );
}
