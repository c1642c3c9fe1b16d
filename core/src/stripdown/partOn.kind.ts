import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { partId } from '../instruments/instrumentType.schema';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { freeText } from '../validation/plain.schema';

const body = {
  type: 'object',
  properties: { part: partId, note: freeText(1000) },
  required: ['part'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A part goes back on. */
export const partOn: JobKind<'part-on', FromSchema<typeof body>> = {
  body,
  misfits: ({ off }, { part }) => (off.has(part) ? [] : says('part', 'is on the instrument already')),
  fold: ({ off }, { body: { part } }) => {
    off.delete(part);
  },
  words: ({ part }, name) => `Back on: ${name(part)}`,
  turnsPlan: false,
  bears: true,
};
