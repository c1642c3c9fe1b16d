import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { says } from '../logbook';
import { freeText, uuidSchema } from '../validation/plain.schema';
import { countUp, type StockEntryKindOf } from './kind';
import { lineProblems, orderLines } from './order.kind';

const body = {
  type: 'object',
  description: 'something of an order arrived, or nothing more will',
  properties: {
    order: uuidSchema,
    lines: { ...orderLines, minItems: 0 },
    closed: { type: 'boolean', description: 'nothing more is waited for' },
    note: freeText(200),
  },
  required: ['order', 'lines'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** What arrived goes into its drawers. An order is over when all of it has come, or when nothing more is waited for. */
export const arrival: StockEntryKindOf<'arrival', FromSchema<typeof body>> = {
  body,
  problems: ({ lines, closed }) => (lines.length === 0 && !closed ? says('lines', 'must say what arrived') : []),
  misfits: ({ orders, items }, { order, lines }) => {
    const known = orders.get(order);
    return known ? lineProblems(items, lines) : says('order', 'is no order of this shop');
  },
  fold: (draft, { body: { order, lines, closed } }) => {
    const known = draft.orders.get(order);
    if (!known) return;
    const came = new Map(lines.map(({ item, count }) => [item, count]));
    for (const [item, count] of came) countUp(draft, item, count);
    const now = known.lines.map((line) => ({ ...line, arrived: line.arrived + (came.get(line.item) ?? 0) }));
    const over = closed === true || now.every(({ count, arrived }) => arrived >= count);
    draft.orders.set(order, { ...known, lines: now, closed: known.closed || over });
  },
  words: ({ lines, closed }) =>
    `Arrived: ${lines.length === 1 ? 'one thing' : `${lines.length} things`}${closed ? ', nothing more is waited for' : ''}`,
  bears: false,
};
