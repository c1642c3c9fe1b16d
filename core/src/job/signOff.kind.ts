import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { daySchema, freeText, text } from '../validation/plain.schema';
import type { JobKind } from './kind';

const body = {
  type: 'object',
  properties: {
    checkUp: daySchema,
    ownerCautions: { type: 'array', items: text(400), maxItems: 20 },
    summary: freeText(4000),
  },
  required: ['ownerCautions'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** The instrument goes home. */
export const signOff: JobKind<'sign-off', FromSchema<typeof body>> = {
  body,
  fold: (draft, entry) => {
    draft.signOff = entry;
  },
  words: () => 'Signed off',
  turnsPlan: false,
  bears: true,
};
