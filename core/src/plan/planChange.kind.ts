import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { partId } from '../instruments/instrumentType.schema';
import type { JobKind } from '../job';
import { minutes, text } from '../validation/plain.schema';
import { operationName } from './operation.schema';
import { operationWords } from './operationState';

const body = {
  type: 'object',
  description: 'a change of the plan made by hand; the newest for an operation counts',
  properties: {
    operation: text(120),
    add: {
      type: 'object',
      properties: { kind: operationName, part: partId },
      required: ['kind', 'part'],
      additionalProperties: false,
    },
    before: { ...text(120), description: 'the operation it is put before' },
    minutes: {
      type: 'object',
      properties: { low: minutes, likely: minutes, high: minutes },
      required: ['low', 'likely', 'high'],
      additionalProperties: false,
    },
    withdrawn: { type: 'boolean', description: 'takes earlier changes of this operation back' },
    reason: text(1000),
  },
  required: ['operation', 'reason'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** The plan changed by hand. Changes of one operation lie over each other until they are taken back. */
export const planChange: JobKind<'plan-change', FromSchema<typeof body>> = {
  body,
  fold: ({ planChanges }, entry) => {
    const { operation, withdrawn } = entry.body;
    if (withdrawn) {
      planChanges.delete(operation);
      return;
    }
    const before = planChanges.get(operation)?.body;
    planChanges.set(operation, { ...entry, body: { ...before, ...entry.body } });
  },
  words: ({ operation, add, before, minutes: takes, withdrawn, reason }, name) => {
    const step = operationWords(operation, name);
    if (withdrawn) return `Plan as it was before: ${step}, because ${reason}`;
    const said = [
      add && `step added by hand: ${step}`,
      before !== undefined && `${step} put before ${operationWords(before, name)}`,
      takes && `${step} reckoned with ${takes.likely} min`,
    ].filter(Boolean);
    return `Plan: ${said.join('; ')}, because ${reason}`;
  },
  turnsPlan: true,
  bears: true,
};
