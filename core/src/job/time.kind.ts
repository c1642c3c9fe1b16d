import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { freeText, minutes, text } from '../validation/plain.schema';
import type { JobKind } from './kind';

const body = {
  type: 'object',
  properties: { minutes, what: text(400), operation: freeText(120) },
  required: ['minutes', 'what'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** Time that went into the job beside its steps. */
export const time: JobKind<'time', FromSchema<typeof body>> = {
  body,
  fold: ({ times }, entry) => void times.push(entry),
  words: ({ minutes: took, what }) => `${took} min: ${what}`,
  turnsPlan: false,
  bears: false,
};
