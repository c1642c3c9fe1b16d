import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { setFindings } from '../findings';
import type { JobKind } from '../job';
import { putIn } from '../materials';
import { disturb } from '../readings';
import { measurePattern } from '../readings/point.schema';
import { freeText, minutes, text } from '../validation/plain.schema';
import { ended } from './operationState';

const body = {
  type: 'object',
  properties: {
    operation: text(120),
    title: text(200),
    minutes,
    disturbs: { type: 'array', items: measurePattern, maxItems: 600 },
    cures: { type: 'array', items: text(80), maxItems: 200 },
    takes: {
      type: 'array',
      items: text(80),
      maxItems: 400,
      uniqueItems: true,
      description: 'what it put in of what was chosen, as use:part',
    },
    note: freeText(2000),
    cautionsAccepted: {
      type: 'array',
      items: text(60),
      maxItems: 30,
      description: 'where it was done without having been started',
    },
    override: { ...text(1000), description: 'why it was done although its gate was closed' },
  },
  required: ['operation', 'title', 'minutes', 'disturbs', 'cures'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A step is done: what it cured, and what it makes stale. */
export const operationDone: JobKind<'operation-done', FromSchema<typeof body>> = {
  body,
  fold: (draft, entry) => {
    const {
      operation,
      title,
      minutes: took,
      cures,
      disturbs,
      takes = [],
      cautionsAccepted,
      override = '',
    } = entry.body;
    const state = ended(draft.operations, operation, entry);
    draft.operations.set(operation, {
      ...state,
      status: 'done',
      title,
      minutes: took,
      override,
      ...(cautionsAccepted && { cautionsAccepted }),
    });
    putIn(draft, takes, entry.id);
    setFindings(draft, cures, 'cured', entry.id, '');
    disturb(draft, disturbs, { entry: entry.id, operation, title });
  },
  words: ({ title, override }) => `Done: ${title}${override ? ` (although it waited: ${override})` : ''}`,
  turnsPlan: true,
  bears: true,
};
