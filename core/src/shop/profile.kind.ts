import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { settingsSchema } from '../plan/operation.schema';
import { changesProblems, type OwnSettings } from '../practice';
import { limitChanges } from '../practice/limits.schema';
import { text } from '../validation/plain.schema';
import { practiceNames } from '../vocabulary';
import { keptId, retired } from './ids.schema';
import { put } from '../logbook';
import { keptWords, type ShopKind } from './kind';

const body = {
  type: 'object',
  properties: {
    id: keptId,
    name: text(80),
    base: { enum: practiceNames },
    changes: limitChanges,
    settings: { ...settingsSchema, description: 'sides taken otherwise than the practice it was copied from' },
    retired,
  },
  required: ['id', 'name', 'base', 'changes'],
  additionalProperties: false,
} as const satisfies JSONSchema;
type Body = Omit<FromSchema<typeof body>, 'settings'> & { settings?: OwnSettings };

/** A practice of the shop's own: one that ships, with some sides and limits changed. */
export const profile: ShopKind<'profile', Body> = {
  body,
  problems: ({ changes }) => changesProblems(changes),
  fold: (draft, entry) => {
    draft.profiles = put(draft.profiles, entry.body);
  },
  words: ({ name, retired: away }) => keptWords('Practice', name, away),
  bears: false,
};
