import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { freeText, uuidSchema } from '../validation/plain.schema';

const body = {
  type: 'object',
  description: 'what a pass has taught is doubted: it was made, but nothing is learned from it',
  properties: {
    pass: { ...uuidSchema, description: 'the entry of the pass' },
    aside: { type: 'boolean', description: 'false: taken up again' },
    reason: { ...freeText(1000), minLength: 1 },
  },
  required: ['pass', 'aside', 'reason'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A pass teaches nothing from now on, or again what it did. */
export const passAside: JobKind<'pass-aside', FromSchema<typeof body>> = {
  body,
  misfits: ({ passes }, { pass }) =>
    passes.some(({ entry }) => entry === pass) ? [] : says('pass', 'is no pass of this job'),
  fold: (draft, { body: { pass, aside, reason } }) => {
    const at = draft.passes.findIndex(({ entry }) => entry === pass);
    const made = draft.passes[at];
    if (made) draft.passes[at] = { ...made, aside: aside ? reason : null };
  },
  words: ({ aside, reason }) => `What a pass taught is ${aside ? 'put aside' : 'taken up again'}: ${reason}`,
  turnsPlan: false,
  bears: false,
};
