import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { setFindings } from '../findings';
import type { JobKind } from '../job';
import { text } from '../validation/plain.schema';
import { ended } from './operationState';

const body = {
  type: 'object',
  properties: {
    operation: text(120),
    title: text(200),
    reason: text(1000),
    leaves: { type: 'array', items: text(80), maxItems: 200, description: 'findings that stay as stop-gaps' },
  },
  required: ['operation', 'title', 'reason', 'leaves'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A step is passed over, with the reason and what that leaves as it is. */
export const operationSkipped: JobKind<'operation-skipped', FromSchema<typeof body>> = {
  body,
  fold: (draft, entry) => {
    const { operation, title, reason, leaves } = entry.body;
    const state = ended(draft.operations, operation, entry);
    draft.operations.set(operation, { ...state, status: 'skipped', title, reason });
    setFindings(draft, leaves, 'stop-gap', entry.id, reason);
  },
  words: ({ title, reason }) => `Skipped: ${title}, because ${reason}`,
  turnsPlan: true,
  bears: true,
};
