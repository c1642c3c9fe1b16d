import { partId } from '../instruments/instrumentType.schema';
import { freeText } from '../validation/plain.schema';
import { partWheres } from '../vocabulary';

/** A place on the screw board: row letter and column number. */
const cell = { type: 'string', pattern: '^[A-Z][1-9][0-9]?$' } as const;

/** The body of an entry that says where a part lies. */
export const placedBody = {
  type: 'object',
  properties: { part: partId, where: { enum: partWheres }, cell, note: freeText(1000) },
  required: ['part', 'where'],
  additionalProperties: false,
} as const;
