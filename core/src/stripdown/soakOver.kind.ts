import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { freeText, uuidSchema } from '../validation/plain.schema';

const body = {
  type: 'object',
  properties: { soak: uuidSchema, outcome: { enum: ['free', 'stuck'] }, note: freeText(1000) },
  required: ['soak', 'outcome'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** Somebody looked at what soaks: it came free, or not. */
export const soakOver: JobKind<'soak-over', FromSchema<typeof body>> = {
  body,
  misfits: ({ soaks }, { soak }) => (soaks.has(soak) ? [] : says('soak', 'nothing was left to soak under this id')),
  fold: ({ soaks }, { body: { soak: id, outcome } }) => {
    const soak = soaks.get(id);
    if (soak) soaks.set(id, { ...soak, outcome });
  },
  words: ({ outcome }) => (outcome === 'free' ? 'It came free' : 'Still stuck after soaking'),
  turnsPlan: false,
  bears: true,
};
