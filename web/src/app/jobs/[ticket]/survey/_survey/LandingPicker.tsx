'use client';

import { landings, landingWords } from '@holotonos/core';
import { Button } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import type { Survey } from './useSurvey';

/** The keys that answer which lands first, in the order of the answers. */
export const landingKeys = ['<', '=', '>'] as const;

/** Each link that is met at this pad, looked at from its driver: which lands first at the lightest touch. */
export function LandingPicker({ survey }: { survey: Survey }) {
  const { type, state, names } = useJob();
  const { links, link: asked, land } = survey;
  if (links.length === 0) return null;
  return (
    <div className="mt-2">
      <div className="label">Which lands first</div>
      {links.map((link) => {
        const words = landingWords(type, link);
        const seen = state.observations.get(`landing:${link.id}`)?.lands;
        return (
          <div
            key={link.id}
            className={`landing d-flex flex-wrap gap-1 mb-1${link === asked ? ' asked' : ''}`}
            role="group"
            aria-label={names.get(link.id) ?? link.id}
          >
            {landings.map((lands, i) => (
              <Button key={lands} variant="quiet" aria-pressed={seen === lands} onClick={() => land(lands, link)}>
                {link === asked && <kbd>{landingKeys[i]}</kbd>} {words[lands]}
              </Button>
            ))}
          </div>
        );
      })}
    </div>
  );
}
