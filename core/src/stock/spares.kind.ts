import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { StockEntryKindOf } from './kind';

const body = {
  type: 'object',
  description: 'how many more are ordered than jobs need',
  properties: {
    percent: { type: 'number', minimum: 0, maximum: 500, description: 'of what is needed' },
    least: { type: 'integer', minimum: 0, maximum: 1000, description: 'of each that is needed' },
  },
  required: ['percent', 'least'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type Spares = FromSchema<typeof body>;

/** A pad that turns out wrong must not wait a week for another: the rule of the shop for spares. */
export const spares: StockEntryKindOf<'spares', Spares> = {
  body,
  fold: (draft, { body: said }) => {
    draft.spares = said;
  },
  words: ({ percent, least }) => `Spares ordered: ${percent} % of what is needed, at least ${least} of each`,
  bears: false,
};
