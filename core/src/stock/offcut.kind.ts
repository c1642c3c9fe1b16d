import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { put } from '../logbook';
import { phrase, printPhrase, size } from '../units';
import { text } from '../validation/plain.schema';
import { itemId } from './item.schema';
import type { StockEntryKindOf } from './kind';

const side = { type: 'number', exclusiveMinimum: 0, maximum: 2000 } as const;
const body = {
  type: 'object',
  description: 'what is left of a sheet, big enough to be used again; mm',
  properties: {
    id: itemId,
    kind: { enum: ['cork', 'felt'] },
    thickness: side,
    length: side,
    width: side,
    note: text(120),
    gone: { type: 'boolean', description: 'used up' },
  },
  required: ['id', 'kind', 'thickness', 'length', 'width'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type Offcut = FromSchema<typeof body>;

/** What is left of a sheet is kept by its size, so that the next small cork is not cut from a new one. */
export const offcut: StockEntryKindOf<'offcut', Offcut> = {
  body,
  fold: (draft, { body: said }) => {
    draft.offcuts = put(draft.offcuts, said);
  },
  words: ({ kind, thickness, length, width, gone }) =>
    `${gone ? 'Offcut used up' : 'Offcut'}: ${kind} ${printPhrase(phrase`${size(thickness)}, ${size(length)} × ${size(width)}`, 'mm')}`,
  bears: false,
};
