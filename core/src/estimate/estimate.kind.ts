import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { EntryOf, JobKind } from '../job';
import { says } from '../logbook';
import { freeText, minutes, text, uuidSchema } from '../validation/plain.schema';
import { costKinds, practiceNames, scopes } from '../vocabulary';
import { moneyText } from './money';
import { currency, moneyRange } from './money.schema';

const body = {
  type: 'object',
  description: 'what the owner was offered, as it was worked out on that day',
  properties: {
    estimate: uuidSchema,
    title: text(120),
    practice: { enum: practiceNames },
    scope: { enum: scopes },
    changeOf: { ...uuidSchema, description: 'the agreed estimate this adds to' },
    currency,
    taxPercent: { type: 'number', minimum: 0, maximum: 100 },
    lines: {
      type: 'array',
      maxItems: 200,
      items: {
        type: 'object',
        properties: { kind: { enum: ['labour', ...costKinds] }, what: text(200), amount: moneyRange },
        required: ['kind', 'what', 'amount'],
        additionalProperties: false,
      },
    },
    minutes: {
      type: 'object',
      properties: { low: minutes, likely: minutes, high: minutes },
      required: ['low', 'likely', 'high'],
      additionalProperties: false,
    },
    total: { ...moneyRange, description: 'with tax' },
    operations: { type: 'array', items: text(120), maxItems: 1000 },
    leaves: {
      type: 'array',
      maxItems: 500,
      items: {
        type: 'object',
        properties: { what: text(300), why: text(1000) },
        required: ['what', 'why'],
        additionalProperties: false,
      },
    },
    note: freeText(2000),
  },
  required: [
    'estimate',
    'title',
    'practice',
    'scope',
    'currency',
    'taxPercent',
    'lines',
    'minutes',
    'total',
    'operations',
    'leaves',
  ],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** An estimate given to the owner, and what was said to it. */
export interface EstimateState {
  estimate: EntryOf<'estimate'>;
  answer: EntryOf<'agreement'> | null;
}

/** What the owner was offered. */
export const estimate: JobKind<'estimate', FromSchema<typeof body>> = {
  body,
  misfits: ({ estimates }, { estimate: id }) => (estimates.has(id) ? says('estimate', 'was given already') : []),
  fold: (draft, entry) => {
    draft.estimates.set(entry.body.estimate, { estimate: entry, answer: null });
  },
  words: ({ title, total, currency: sum }) => `Estimate given: ${title}, about ${moneyText(total.likely, sum)}`,
  turnsPlan: false,
  bears: true,
};
