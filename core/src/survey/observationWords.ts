import type { NameOf } from '../logbook';
import { lightPicture } from './lightPicture';
import type { ObservationBody } from './observation.kind';
import { meansWords } from '../measures/registry';
import type { PadCondition, padResonators } from '../vocabulary';
import { pictureWords } from './pictureWords';

const landingTold = {
  driver: 'the driver lands first',
  together: 'both land together',
  follower: 'the follower lands first',
} as const;

export const padConditionWords: Record<PadCondition, string> = {
  sound: 'sound',
  hard: 'hard',
  stained: 'stained',
  torn: 'skin torn',
  swollen: 'swollen',
  loose: 'loose in its cup',
};

const resonatorWords: Record<(typeof padResonators)[number], string> = {
  disc: 'riveted resonator',
  snap: 'snap-fit resonator',
  none: 'no resonator',
};

/** What was seen of a pad, in words. */
export function observationWords(seen: Omit<ObservationBody, 'part'>, name: NameOf): string {
  const { about, sectors = [], lands, first, other, hold, resonator, mark, setterMark, condition, reuse, note } = seen;
  const parts = {
    light: [`${pictureWords[lightPicture(sectors)].title.toLowerCase()} (${meansWords.light})`],
    landing: [lands && landingTold[lands], first && `${name(first)} lands first`, other && `of ${name(other)} with it`],
    fit: [
      hold && `held by ${hold}`,
      resonator && resonatorWords[resonator],
      condition && padConditionWords[condition],
      mark !== undefined && `marked at ${mark}°`,
      setterMark !== undefined && `its ${hold === 'screw' ? 'washer' : 'grommet'} at ${setterMark}°`,
      reuse !== undefined && (reuse ? 'goes back' : 'to be renewed'),
    ],
  }[about];
  return [...parts, note].filter(Boolean).join(', ');
}
