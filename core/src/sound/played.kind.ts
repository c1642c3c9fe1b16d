import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { says } from '../logbook';
import type { Staleness } from '../readings';
import { freeText } from '../validation/plain.schema';
import { heardAs, type Heard } from './suspects';
import { compassOf } from './notes';

const body = {
  type: 'object',
  description: 'a note was played, and how it came out',
  properties: {
    fingering: {
      type: 'string',
      pattern: '^[a-z0-9]+(-[a-z0-9]+)*$',
      maxLength: 60,
      description: 'note, register and which alternative, as the type lists its fingerings',
    },
    heard: { enum: heardAs },
    note: freeText(400),
  },
  required: ['fingering', 'heard'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type PlayedBody = FromSchema<typeof body>;

/** The newest time a note was played. */
export interface PlayedNote extends PlayedBody {
  entry: string;
  seq: number;
  /** the work that was done on what it sounds through since */
  stale: Staleness | null;
}

/** How a note came out, in a word. */
export const heardWords: Record<Heard, string> = {
  clear: 'clear',
  fuzzy: 'fuzzy',
  late: 'late',
  silent: 'does not speak',
};

/** A note was played, and how it came out. */
export const played: JobKind<'played', PlayedBody> = {
  body,
  misfits: ({ instrument }, { fingering }) =>
    instrument && !compassOf(instrument).some(({ id }) => id === fingering)
      ? says('fingering', `“${fingering}” is no fingering of this instrument`)
      : [],
  fold: (draft, { id, seq, body: said }) => {
    draft.played.set(said.fingering, { ...said, entry: id, seq, stale: null });
  },
  words: ({ fingering, heard, note }, name) =>
    `Played ${name(fingering)}: ${heardWords[heard]}${note ? `. ${note}` : ''}`,
  turnsPlan: false,
  bears: false,
};
