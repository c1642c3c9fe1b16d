import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { partId } from '../instruments/instrumentType.schema';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { disturb } from '../readings';
import { joined, phrase, stock } from '../units';
import { text } from '../validation/plain.schema';

const clock = { type: 'number', minimum: 0, exclusiveMaximum: 360 } as const;
const body = {
  type: 'object',
  description: 'the shims under a dry pad as they lie now',
  properties: {
    part: { ...partId, description: 'the hole' },
    shims: {
      type: 'array',
      maxItems: 24,
      description: 'all that lie there now; none: they were taken out',
      items: {
        type: 'object',
        properties: { clock, thickness: { type: 'number', exclusiveMinimum: 0, maximum: 5 } },
        required: ['clock', 'thickness'],
        additionalProperties: false,
      },
    },
    turned: {
      type: 'number',
      minimum: -360,
      maximum: 360,
      description: 'degrees the pad was turned with them, clockwise more than 0; the shims are said as they lie then',
    },
    note: text(400),
  },
  required: ['part', 'shims'],
  additionalProperties: false,
} as const satisfies JSONSchema;
type ShimsBody = FromSchema<typeof body>;
export type Shim = ShimsBody['shims'][number];

/** Shims under a pad. */
export interface ShimsUnder {
  shims: readonly Shim[];
  entry: string;
  seq: number;
}

/** Shims were laid under a dry pad: where, and how thick. What was read of the pad before is read again. */
export const shims: JobKind<'shims', ShimsBody> = {
  body,
  misfits: ({ instrument }, { part }) =>
    instrument && !instrument.pads.some(({ hole }) => hole === part) ? says('part', `“${part}” has no pad`) : [],
  fold: (draft, { id, seq, body: { part, shims: laid, turned } }) => {
    draft.shims.set(part, { shims: laid, entry: id, seq });
    disturb(draft, [`pad:${part}`], {
      entry: id,
      operation: `shims:${part}`,
      title: turned === undefined ? 'Shims laid' : 'Pad turned',
    });
  },
  words: ({ part, shims: laid, turned, note }, name) => {
    const what =
      turned !== undefined ? `Pad turned by ${turned}°` : laid.length === 0 ? 'Shims taken out' : 'Shims laid';
    const piles = joined(
      laid.map(({ clock: at, thickness }) => phrase`${at}°: ${stock(thickness)}`),
      ', ',
    );
    return phrase`${what}: ${name(part)}${laid.length > 0 ? ', ' : ''}${piles}${note ? `. ${note}` : ''}`;
  },
  turnsPlan: false,
  bears: false,
};
