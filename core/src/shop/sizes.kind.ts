import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { sizesWith } from '../stock';
import type { ShopKind } from './kind';

const list = {
  type: 'array',
  maxItems: 100,
  uniqueItems: true,
  items: { type: 'number', exclusiveMinimum: 0, maximum: 100 },
} as const;

const body = {
  type: 'object',
  description: 'the sizes there are in the shop, mm; each list that is given stands in place of the one before',
  properties: { films: list, shims: list, washers: list, rods: list, cutters: list, bushes: list, balls: list },
  additionalProperties: false,
} as const satisfies JSONSchema;

/** What sizes of films, shims, washers, rods, cutters and bush stock the shop has. */
export const sizes: ShopKind<'sizes', FromSchema<typeof body>> = {
  body,
  fold: (draft, entry) => {
    draft.sizes = sizesWith(draft.sizes, entry.body);
  },
  words: (said) => `Own sizes: ${Object.keys(said).join(', ')}`,
  bears: false,
};
