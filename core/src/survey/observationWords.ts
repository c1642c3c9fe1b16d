import type { NameOf } from '../logbook';
import { lightPicture } from './lightPicture';
import type { ObservationBody } from './observation.kind';
import { meansWords } from '../readings';
import { pictureWords } from './pictureWords';

const landingTold = {
  driver: 'the driver lands first',
  together: 'both land together',
  follower: 'the follower lands first',
} as const;

/** What was seen of a pad, in words. */
export function observationWords(seen: Omit<ObservationBody, 'part'>, name: NameOf): string {
  const { about, sectors = [], lands, first, other, hold, mark, note } = seen;
  const parts = {
    light: [`${pictureWords[lightPicture(sectors)].title.toLowerCase()} (${meansWords.light})`],
    landing: [lands && landingTold[lands], first && `${name(first)} lands first`, other && `of ${name(other)} with it`],
    fit: [hold && `held by ${hold}`, mark !== undefined && `marked at ${mark}°`],
  }[about];
  return [...parts, note].filter(Boolean).join(', ');
}
