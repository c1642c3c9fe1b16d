import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { ShopKind } from './kind';

const body = {
  type: 'object',
  properties: {
    minutes: {
      type: 'integer',
      minimum: 1,
      maximum: 480,
      description: 'without a touch, until a bench asks who is there',
    },
  },
  required: ['minutes'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** After how long a bench that nobody touches asks who is there. */
export const lock: ShopKind<'lock', FromSchema<typeof body>> = {
  body,
  fold: (draft, entry) => {
    draft.lockMinutes = entry.body.minutes;
  },
  words: ({ minutes }) => `A bench asks who is there after ${minutes} min without a touch`,
  bears: false,
};
