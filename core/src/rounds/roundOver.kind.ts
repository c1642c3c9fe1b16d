import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { freeText, uuidSchema } from '../validation/plain.schema';

const body = {
  type: 'object',
  properties: { round: uuidSchema, note: freeText(1000) },
  required: ['round'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A round is over, whether all of it was read or not. */
export const roundOver: JobKind<'round-over', FromSchema<typeof body>> = {
  body,
  misfits: ({ rounds }, { round }) => (rounds.has(round) ? [] : says('round', 'is not a round of this job')),
  fold: ({ rounds }, { body: { round: id } }) => {
    const round = rounds.get(id);
    if (round) rounds.set(id, { ...round, over: true });
  },
  words: () => 'Round ended',
  turnsPlan: false,
  bears: true,
};
