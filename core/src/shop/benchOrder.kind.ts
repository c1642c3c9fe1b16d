import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { freeText, text } from '../validation/plain.schema';
import type { ShopKind } from './kind';

const step = {
  type: 'object',
  properties: { ticket: text(20), operation: text(120) },
  required: ['ticket', 'operation'],
  additionalProperties: false,
} as const;

const body = {
  type: 'object',
  description: 'a step of one job is done before a step of another',
  properties: { first: step, second: step, withdrawn: { type: 'boolean' }, reason: freeText(400) },
  required: ['first', 'second'],
  additionalProperties: false,
} as const satisfies JSONSchema;
type Body = FromSchema<typeof body>;

const same = (a: Body['first'], b: Body['first']) => a.ticket === b.ticket && a.operation === b.operation;

/** Which of two steps goes first. */
export const benchOrder: ShopKind<'bench-order', Body> = {
  body,
  fold: (draft, { body: said }) => {
    const others = draft.benchOrder.filter(
      ({ first, second }) => !same(first, said.first) || !same(second, said.second),
    );
    draft.benchOrder = [...others, said];
  },
  words: ({ first, second, withdrawn }) =>
    `${first.ticket} ${first.operation} ${withdrawn ? 'no longer ' : ''}before ${second.ticket} ${second.operation}`,
  bears: false,
};
