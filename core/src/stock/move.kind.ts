import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { says } from '../logbook';
import { freeText } from '../validation/plain.schema';
import { moveReasons, type MoveReason } from '../vocabulary';
import { count, itemId } from './item.schema';
import { countUp, type StockEntryKindOf } from './kind';
import { unknownItem } from './unknownItem';

const body = {
  type: 'object',
  description: 'so many left a drawer or came into it, or were counted there',
  properties: {
    item: itemId,
    why: { enum: [...moveReasons, 'counted'] },
    count: { ...count, description: 'how many; where they were counted, how many there are' },
    note: freeText(200),
  },
  required: ['item', 'why', 'count'],
  additionalProperties: false,
} as const satisfies JSONSchema;
type Move = FromSchema<typeof body>;

const isOut: Record<MoveReason, boolean> = { 'taken': true, 'spoilt': true, 'put-back': false, 'bought': false };
const moveWords: Record<Move['why'], string> = {
  'taken': 'Taken',
  'spoilt': 'Spoilt',
  'put-back': 'Put back',
  'bought': 'Bought',
  'counted': 'Counted',
};

/**
 * Something is taken or put back. More may be taken than is written down: the drawer is right, not the book, and the next
 * count says so.
 */
export const move: StockEntryKindOf<'move', Move> = {
  body,
  problems: ({ why, count: many }) => (why !== 'counted' && many === 0 ? says('count', 'must be more than 0') : []),
  misfits: ({ items }, { item }) => unknownItem(items, item, 'item'),
  fold: (draft, { body: { item, why, count: many } }) => {
    if (why === 'counted') draft.counts.set(item, many);
    else countUp(draft, item, isOut[why] ? -many : many);
  },
  words: ({ item, why, count: many, note }, name) =>
    `${moveWords[why]}: ${many} × ${name(item)}${note ? ` (${note})` : ''}`,
  bears: false,
};
