import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { minutes, text } from '../validation/plain.schema';
import { operationWords, workedAt } from './operationState';

const body = {
  type: 'object',
  properties: {
    operation: text(120),
    act: { enum: ['pause', 'resume', 'set'] },
    minutes: { ...minutes, description: 'what was really worked so far, where the clock is set right' },
  },
  required: ['operation', 'act'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** The clock of a step in hand is stopped, goes on, or is set right. */
export const timer: JobKind<'timer', FromSchema<typeof body>> = {
  body,
  misfits: ({ operations }, { operation, act, minutes: set }) => {
    if (operations.get(operation)?.status !== 'started') return says('operation', 'is not in hand: start it first');
    const wants = act === 'set';
    if (wants === (set !== undefined)) return [];
    return says('minutes', wants ? 'say how long it really was' : 'go with setting the clock only');
  },
  fold: ({ operations }, { benchTime, body: { operation, act, minutes: set = 0 } }) => {
    const before = operations.get(operation);
    if (before?.status !== 'started') return;
    operations.set(operation, {
      ...before,
      workedMinutes: act === 'set' ? set : workedAt(before, benchTime),
      runningSince: act === 'resume' ? benchTime : null,
    });
  },
  words: ({ operation, act, minutes: set = 0 }, name) => {
    const step = operationWords(operation, name);
    if (act === 'set') return `Clock set to ${set} min: ${step}`;
    return `${act === 'pause' ? 'Clock stopped' : 'Clock goes on'}: ${step}`;
  },
  turnsPlan: false,
  bears: true,
};
