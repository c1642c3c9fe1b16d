import { padsDownTheTube } from '../../instruments';
import { look } from '../look';
import { at, eighths, type GroupDefinition } from '../definition';

export const pad = {
  heading: 'Pads',
  lies: ['holes'],
  titled: 'Pad of',
  round: true,
  spots: {
    'stand': 'pad stand',
    'setter': 'screw or grommet',
    'cup': 'cup, across',
    'cup-depth': 'cup, depth',
    'height': 'opening height',
  },
  places: ({ pads }) =>
    pads.flatMap(({ hole, hold }) => [
      ...at(hole, 'stand'),
      // What holds a dry pad is set back to the height it had.
      ...(hold === 'adhesive' ? [] : at(hole, 'setter')),
      ...at(hole, 'cup'),
      ...at(hole, 'cup-depth'),
      ...at(hole, 'height'),
      ...at(hole, 'gap', undefined, eighths),
    ]),
  walk: (type) => padsDownTheTube(type).map(({ hole }) => hole),
  ask: { height: 'opening height' },
  wanted: ['height'],
  endsWithWanted: true,
  looks: [
    look('no-light', 'n', 'no light', 'good', 'light'),
    look('drags-all-round', 'd', 'film drags all round', 'good', 'film'),
    look('light', 'l', 'light shows', 'bad', 'light', { finds: 'pad-leaking', directed: true }),
    look('free-front', 'f', 'film free at the front', 'bad', 'film', { finds: 'pad-leaking' }),
    look('free-back', 'b', 'film free at the back', 'bad', 'film', { finds: 'pad-leaking' }),
    look('free-side', 's', 'film free at a side', 'bad', 'film', { finds: 'pad-leaking', directed: true }),
  ],
  inTheAir: true,
  everyPart: ({ pads }) => pads.map(({ hole }) => hole),
} as const satisfies GroupDefinition;
