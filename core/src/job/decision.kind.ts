import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { text } from '../validation/plain.schema';
import type { JobKind } from './kind';

const body = {
  type: 'object',
  properties: { question: text(400), choice: text(1000), reason: text(2000) },
  required: ['question', 'choice', 'reason'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A question of practice, what was chosen, and why. */
export const decision: JobKind<'decision', FromSchema<typeof body>> = {
  body,
  fold: ({ decisions }, entry) => void decisions.push(entry),
  words: ({ question, choice, reason }) => `${question} ${choice} Because: ${reason}`,
  turnsPlan: false,
  bears: true,
};
