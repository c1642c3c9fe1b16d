import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { operationName } from '../plan/operation.schema';
import { text } from '../validation/plain.schema';
import { put } from '../logbook';
import type { ShopKind } from './kind';

const body = {
  type: 'object',
  description: 'the shop’s own words for a caution, or one of its own; none can be taken away',
  properties: {
    // Ids of cautions are written as `leakLight` or `own-caution`.
    id: { type: 'string', pattern: '^[A-Za-z0-9-]+$', maxLength: 60 },
    text: text(600),
    operations: {
      type: 'array',
      items: operationName,
      maxItems: 100,
      description: 'steps a caution of its own goes with',
    },
    reason: text(400),
  },
  required: ['id', 'text', 'operations', 'reason'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A caution in the shop's words. */
export const caution: ShopKind<'caution', FromSchema<typeof body>> = {
  body,
  fold: (draft, entry) => {
    draft.cautions = put(draft.cautions, entry.body);
  },
  words: ({ text: said, reason }) => `Caution: ${said} Because: ${reason}`,
  bears: false,
};
