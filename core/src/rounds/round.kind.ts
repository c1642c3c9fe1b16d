import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { strangePart } from '../instruments';
import type { JobKind } from '../job';
import type { MeasuringPoint } from '../readings';
import { measuringPointSchema } from '../readings/point.schema';
import { text, uuidSchema } from '../validation/plain.schema';

const body = {
  type: 'object',
  properties: {
    round: { ...uuidSchema, description: 'stays the same until the round is over' },
    name: text(120),
    points: { type: 'array', items: measuringPointSchema, minItems: 1, maxItems: 3000 },
  },
  required: ['round', 'name', 'points'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A chosen set of points that is being walked, on whatever device. */
export interface RoundState {
  round: string;
  name: string;
  points: readonly MeasuringPoint[];
  /** readings after this entry belong to the round */
  seq: number;
  benchTime: string;
  /** keys of points that were passed over */
  skipped: ReadonlySet<string>;
  over: boolean;
}

/** A round of points is begun. */
export const round: JobKind<'round', FromSchema<typeof body>> = {
  body,
  misfits: ({ instrument }, { points }) =>
    points.map(({ part }) => strangePart(instrument, part, 'points')).find((wrong) => wrong.length > 0) ?? [],
  fold: (draft, { seq, benchTime, body: { round: id, name, points } }) => {
    draft.rounds.set(id, { round: id, name, points, seq, benchTime, skipped: new Set(), over: false });
  },
  words: ({ name, points }) => `Round begun: ${name}, ${points.length} points`,
  turnsPlan: false,
  bears: true,
};
