import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { operationName } from '../plan/operation.schema';
import { text } from '../validation/plain.schema';
import { costKinds } from '../vocabulary';
import { keptId, price as amount, retired } from './ids.schema';
import { put } from '../logbook';
import { keptWords, type ShopKind } from './kind';

const body = {
  type: 'object',
  description: 'what a step uses up or has done outside',
  properties: {
    id: keptId,
    what: text(120),
    kind: { enum: costKinds },
    amount,
    per: { enum: ['step', 'pads', 'keys', 'holes'] },
    operations: { type: 'array', items: operationName, minItems: 1, maxItems: 60 },
    retired,
  },
  required: ['id', 'what', 'kind', 'amount', 'per', 'operations'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** What a part, a material or work outside costs. */
export const price: ShopKind<'price', FromSchema<typeof body>> = {
  body,
  fold: (draft, entry) => {
    draft.prices = put(draft.prices, entry.body);
  },
  words: ({ what, retired: away }) => keptWords('Price', what, away),
  bears: false,
};
