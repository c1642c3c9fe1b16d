import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { text } from '../validation/plain.schema';
import { itemId, count } from './item.schema';
import { countUp, type StockEntryKindOf } from './kind';

const body = {
  type: 'object',
  description: 'all that a job has used up so far, by its own logbook; nobody writes it by hand',
  properties: {
    ticket: text(20),
    elsewhere: { type: 'boolean', description: 'out of other drawers, or before these were written down' },
    used: {
      type: 'array',
      maxItems: 1000,
      items: {
        type: 'object',
        properties: { item: itemId, count },
        required: ['item', 'count'],
        additionalProperties: false,
      },
    },
  },
  required: ['ticket', 'used'],
  additionalProperties: false,
} as const satisfies JSONSchema;
type UsedBy = FromSchema<typeof body>;

/**
 * What a job has used up, all of it each time: said twice it counts once, and a step that is struck puts back what it took.
 * What has no place in a drawer any more is counted all the same.
 */
export const usedBy: StockEntryKindOf<'used-by', UsedBy> = {
  body,
  fold: (draft, { body: { ticket, used, elsewhere } }) => {
    for (const [item, many] of (!elsewhere && draft.used.get(ticket)) || []) countUp(draft, item, many);
    const now = new Map(used.map(({ item, count: many }) => [item, many]));
    if (!elsewhere) for (const [item, many] of now) countUp(draft, item, -many);
    draft.used.set(ticket, now);
  },
  words: ({ ticket, used }) => `${ticket} has used ${used.length === 1 ? 'one thing' : `${used.length} things`} so far`,
  bears: false,
};
