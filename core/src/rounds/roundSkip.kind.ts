import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { phrase } from '../units';
import { pointKey, pointWords } from '../readings';
import { measuringPointSchema } from '../readings/point.schema';
import { freeText, uuidSchema } from '../validation/plain.schema';

const body = {
  type: 'object',
  properties: { round: uuidSchema, point: measuringPointSchema, reason: freeText(400) },
  required: ['round', 'point'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A point of a round is passed over. */
export const roundSkip: JobKind<'round-skip', FromSchema<typeof body>> = {
  body,
  misfits: ({ rounds }, { round }) => (rounds.has(round) ? [] : says('round', 'is not a round of this job')),
  fold: ({ rounds }, { body: { round: id, point } }) => {
    const round = rounds.get(id);
    if (round) rounds.set(id, { ...round, skipped: new Set(round.skipped).add(pointKey(point)) });
  },
  words: ({ point }, name) => phrase`Passed over in the round: ${name(point.part)}, ${pointWords(point)}`,
  turnsPlan: false,
  bears: true,
};
