import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { says } from '../logbook';
import type { Problem } from '../solvers/contract';
import { freeText } from '../validation/plain.schema';
import { itemId } from './item.schema';
import type { StockEntryKindOf } from './kind';
import type { StockItemBody } from './item.schema';
import { unknownItem } from './unknownItem';

const many = { type: 'number', exclusiveMinimum: 0, maximum: 1_000_000 } as const;
export const orderLines = {
  type: 'array',
  minItems: 1,
  maxItems: 400,
  items: {
    type: 'object',
    properties: { item: itemId, count: many },
    required: ['item', 'count'],
    additionalProperties: false,
  },
} as const satisfies JSONSchema;
export type OrderLines = FromSchema<typeof orderLines>;

/** Lines name what has a place in a drawer, each once. */
export function lineProblems(items: readonly StockItemBody[], lines: OrderLines): Problem[] {
  return lines.flatMap(({ item }, i) =>
    lines.findIndex((each) => each.item === item) < i
      ? says(`lines/${i}/item`, `“${item}” stands there twice`)
      : unknownItem(items, item, `lines/${i}/item`),
  );
}

const body = {
  type: 'object',
  description: 'these were ordered',
  properties: { lines: orderLines, note: freeText(200) },
  required: ['lines'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** Something was ordered; its entry is what arrivals name. */
export const order: StockEntryKindOf<'order', FromSchema<typeof body>> = {
  body,
  misfits: ({ items }, { lines }) => lineProblems(items, lines),
  fold: (draft, { id, author, benchTime, body: { lines, note = '' } }) => {
    draft.orders.set(id, {
      id,
      by: author,
      at: benchTime,
      note,
      closed: false,
      lines: lines.map((line) => ({ ...line, arrived: 0 })),
    });
  },
  words: ({ lines }) => `Ordered: ${lines.length === 1 ? 'one thing' : `${lines.length} things`}`,
  bears: true,
};
