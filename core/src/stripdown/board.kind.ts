import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';

const body = {
  type: 'object',
  properties: {
    rows: { type: 'integer', minimum: 1, maximum: 26 },
    columns: { type: 'integer', minimum: 1, maximum: 40 },
  },
  required: ['rows', 'columns'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** How large the screw board is. */
export const board: JobKind<'board', FromSchema<typeof body>> = {
  body,
  fold: (draft, entry) => {
    draft.board = entry.body;
  },
  words: ({ rows, columns }) => `Screw board of ${rows} rows and ${columns} columns`,
  turnsPlan: false,
  bears: true,
};
