import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { text } from '../validation/plain.schema';
import { operationWords, touched } from './operationState';

const body = {
  type: 'object',
  properties: { operation: text(120), cautionsAccepted: { type: 'array', items: text(60), maxItems: 30 } },
  required: ['operation', 'cautionsAccepted'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A step is taken in hand: its clock runs. */
export const operationStarted: JobKind<'operation-started', FromSchema<typeof body>> = {
  body,
  fold: ({ operations }, entry) => {
    const { operation, cautionsAccepted } = entry.body;
    operations.set(operation, {
      ...touched(operations, operation, entry),
      cautionsAccepted,
      startedAt: entry.benchTime,
      endedAt: null,
      runningSince: entry.benchTime,
      workedMinutes: 0,
    });
  },
  words: ({ operation }, name) => `Started: ${operationWords(operation, name)}`,
  turnsPlan: false,
  bears: true,
};
