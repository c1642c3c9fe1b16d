import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { text } from '../validation/plain.schema';
import { practiceNames } from '../vocabulary';
import { practices } from './practices';

const body = {
  type: 'object',
  properties: { practice: { enum: practiceNames }, reason: text(1000) },
  required: ['practice', 'reason'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** The job goes by another practice from here on. */
export const practiceChange: JobKind<'practice-change', FromSchema<typeof body>> = {
  body,
  fold: (draft, entry) => {
    draft.practice = entry.body.practice;
    draft.decisions.push(entry);
  },
  words: ({ practice, reason }) => `Practice changed to ${practices[practice].title}, because ${reason}`,
  turnsPlan: true,
  bears: true,
};
