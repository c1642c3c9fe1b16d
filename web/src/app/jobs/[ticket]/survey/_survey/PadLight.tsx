'use client';

import { namedPictures } from '@holotonos/core';
import { Button } from '@/ui/bootstrap';
import { LandingPicker } from './LandingPicker';
import { LightPicker } from './LightPicker';
import type { Survey } from './useSurvey';
import { pictureKeys } from './LastFinding';

export function PadLight({ survey }: { survey: Survey }) {
  const part = survey.place?.part;
  if (part === undefined) return null;
  return (
    <div className="pad-light">
      <LightPicker
        sectors={survey.sectors}
        known={survey.pressed || survey.seen !== undefined}
        onToggle={survey.toggleSector}
      />
      <div>
        <div className="fault-keys pictures" role="group" aria-label="Name the picture">
          {Object.entries(pictureKeys).map(([press, name]) => (
            <button key={press} type="button" onClick={() => survey.writeLight(namedPictures[name].sectors)}>
              <kbd>{press}</kbd> {namedPictures[name].words}
            </button>
          ))}
        </div>
        {survey.pressed && (
          <Button className="mt-2" onClick={() => survey.writeLight(survey.sectors)}>
            Write what the light shows
          </Button>
        )}
        <LandingPicker survey={survey} />
      </div>
    </div>
  );
}
