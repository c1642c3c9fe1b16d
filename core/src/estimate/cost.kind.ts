import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { text, uuidSchema } from '../validation/plain.schema';
import { costKinds } from '../vocabulary';
import { money } from './money.schema';

const body = {
  type: 'object',
  properties: {
    cost: { ...uuidSchema, description: 'stays the same; the newest entry counts' },
    kind: { enum: costKinds },
    what: text(200),
    amount: { ...money, description: 'without tax' },
    dropped: { type: 'boolean' },
  },
  required: ['cost', 'kind', 'what', 'amount'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A part, material or work outside that is charged for, or not after all. */
export const cost: JobKind<'cost', FromSchema<typeof body>> = {
  body,
  fold: (draft, entry) => {
    draft.costs.set(entry.body.cost, entry.body);
  },
  words: ({ dropped, what }) => `${dropped ? 'Not charged after all' : 'To be charged'}: ${what}`,
  turnsPlan: false,
  bears: false,
};
