import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { settingsSchema } from '../plan/operation.schema';
import { text } from '../validation/plain.schema';
import { changesProblems } from './limitProblems';
import { limitChanges } from './limits.schema';
import type { OwnSettings } from './practices';

const body = {
  type: 'object',
  properties: {
    profile: { ...text(80), description: 'what this set of limits is called' },
    changes: limitChanges,
    settings: { ...settingsSchema, description: 'sides taken otherwise than the practice takes them' },
    reason: text(1000),
  },
  required: ['profile', 'changes', 'reason'],
  additionalProperties: false,
} as const satisfies JSONSchema;
type Body = Omit<FromSchema<typeof body>, 'settings'> & { settings?: OwnSettings };

/** The job goes by limits of its own. */
export const tolerances: JobKind<'tolerances', Body> = {
  body,
  misfits: (_, { changes }) => changesProblems(changes),
  fold: (draft, entry) => {
    draft.tolerances = entry;
    draft.decisions.push(entry);
  },
  words: ({ profile, reason }) => `Limits set to “${profile}”, because ${reason}`,
  turnsPlan: true,
  bears: false,
};
