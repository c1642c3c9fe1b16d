import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { freeText } from '../validation/plain.schema';
import { reminderWays } from '../vocabulary';

const body = {
  type: 'object',
  description: 'the owner was reminded of the check-up',
  properties: { by: { enum: reminderWays }, note: freeText(1000) },
  required: ['by'],
  additionalProperties: false,
} as const satisfies JSONSchema;

export const reminderWords = {
  'card': 'by card',
  'call': 'by telephone',
  'message': 'by message',
  'in-person': 'in person',
} as const satisfies Record<(typeof reminderWays)[number], string>;

/** The owner was reminded: it stands in the logbook, so that nobody is asked twice. */
export const reminder: JobKind<'reminder', FromSchema<typeof body>> = {
  body,
  fold: ({ reminders }, entry) => void reminders.push(entry),
  words: ({ by, note }) => `The owner was reminded of the check-up ${reminderWords[by]}${note ? `: ${note}` : ''}`,
  turnsPlan: false,
  bears: false,
  afterSignOff: true,
};
