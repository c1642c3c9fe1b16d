import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { currency } from '../estimate/money.schema';
import { price } from './ids.schema';
import type { ShopKind } from './kind';

const body = {
  type: 'object',
  properties: {
    currency,
    hourly: price,
    taxPercent: { type: 'number', minimum: 0, maximum: 100 },
    roundTo: {
      type: 'integer',
      minimum: 1,
      maximum: 100_000,
      description: 'sums are rounded to this many minor units',
    },
  },
  required: ['currency', 'hourly', 'taxPercent', 'roundTo'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** What an hour costs, the tax on it and how sums are rounded. */
export const rates: ShopKind<'rates', FromSchema<typeof body>> = {
  body,
  fold: (draft, entry) => {
    draft.rates = entry.body;
  },
  words: ({ currency: sum }) => `Rates, in ${sum}`,
  bears: false,
};
