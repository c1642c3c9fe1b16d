import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { freeText, text } from '../validation/plain.schema';
import type { JobKind } from './kind';

const body = {
  type: 'object',
  properties: { text: text(4000), part: freeText(60) },
  required: ['text'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** Words. */
export const note: JobKind<'note', FromSchema<typeof body>> = {
  body,
  fold: ({ notes }, entry) => void notes.push(entry),
  words: ({ text: said }) => said,
  turnsPlan: false,
  bears: false,
  afterSignOff: true,
};
