import { look } from '../look';
import { at, eighths, type GroupDefinition } from '../definition';

export const rim = {
  heading: 'Rims',
  lies: ['holes'],
  titled: 'Rim of',
  round: true,
  places: ({ holes }) => holes.flatMap(({ id }) => at(id, 'height', undefined, eighths)),
  ask: { height: 'rim height', diameter: 'hole diameter' },
  wanted: ['diameter'],
  looks: [
    look('flat', 'f', 'flat under the plate, no light', 'good', 'light'),
    look('rim-hair', 'h', 'a hair of light', 'hair', 'light', { finds: 'rim-warped', directed: true }),
    look('low', 'l', 'light under the plate', 'bad', 'light', { finds: 'rim-warped', directed: true }),
    look('chipped', 'c', 'chipped', 'bad', 'eye', { finds: 'rim-chipped', directed: true }),
  ],
  inTheAir: true,
  everyPart: ({ pads }) => pads.map(({ hole }) => hole),
  station: 'holes',
  // Nobody takes eight heights of a rim that nothing speaks against, for one pad.
  inRepairOnlyFor: ['rim-warped', 'rim-chipped', 'hole-oval', 'hole-unsoldered'],
} as const satisfies GroupDefinition;
