import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { freeText, uuidSchema } from '../validation/plain.schema';
import type { Kind, LogState } from './kind';

const strikeBody = {
  type: 'object',
  description: 'takes back an entry, which stays readable',
  properties: { entry: uuidSchema, reason: freeText(400) },
  required: ['entry'],
  additionalProperties: false,
} as const satisfies JSONSchema;

const unreadableBody = {
  type: 'object',
  description: 'stands for an entry that came back from the database as nothing that can be read; nobody writes it',
  properties: {
    kind: { ...freeText(60), description: 'the kind it said it was' },
    problem: freeText(400),
    was: { ...freeText(20000), description: 'its body, as text' },
  },
  required: ['kind', 'problem', 'was'],
  additionalProperties: false,
} as const satisfies JSONSchema;

export type StrikeBody = FromSchema<typeof strikeBody>;
export type UnreadableBody = FromSchema<typeof unreadableBody>;

/** Takes an entry back. What that means is the engine's own business: what is struck is not folded. */
export const strike: Kind<'strike', StrikeBody, LogState> = {
  body: strikeBody,
  fold: () => undefined,
  words: ({ reason }) => `Struck an entry${reason ? `: ${reason}` : ''}`,
  bears: false,
};

/** Stands for a row that cannot be read. */
export const unreadable: Kind<'unreadable', UnreadableBody, LogState> = {
  body: unreadableBody,
  fold: (draft, { id, body }) => {
    draft.unread.set(id, `${body.kind}: ${body.problem}`);
  },
  words: ({ kind, problem }) => `An entry that cannot be read (${kind}): ${problem}`,
  bears: true,
};
