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
  description: 'the shims under a dry pad as they lie now, or the pad turned with them',
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
      description: 'degrees the pad was turned, clockwise more than 0: its shims move with it',
    },
    note: text(400),
  },
  required: ['part'],
  additionalProperties: false,
} as const satisfies JSONSchema;
type ShimsBody = FromSchema<typeof body>;
export type Shim = NonNullable<ShimsBody['shims']>[number];

/** Shims under a pad. */
export interface ShimsUnder {
  shims: readonly Shim[];
  entry: string;
  seq: number;
}

const turnedBy = (at: number, by: number): number => (((at + by) % 360) + 360) % 360;

/** Shims were laid under a dry pad: where, and how thick. What was read of the pad before is read again. */
export const shims: JobKind<'shims', ShimsBody> = {
  body,
  problems: ({ shims: laid, turned }) =>
    laid === undefined && turned === undefined ? says('shims', 'or turned: one of them must be said') : [],
  misfits: ({ instrument, shims: known }, { part, shims: laid }) => {
    if (instrument && !instrument.pads.some(({ hole }) => hole === part)) return says('part', `“${part}” has no pad`);
    return laid === undefined && !known.has(part) ? says('turned', 'moves nothing: no shims lie under this pad') : [];
  },
  fold: (draft, { id, seq, body: { part, shims: laid, turned = 0 } }) => {
    const now = (laid ?? draft.shims.get(part)?.shims ?? []).map((shim) => ({
      ...shim,
      clock: turnedBy(shim.clock, turned),
    }));
    draft.shims.set(part, { shims: now, entry: id, seq });
    disturb(draft, [`pad:${part}`], {
      entry: id,
      operation: `shims:${part}`,
      title: laid === undefined ? 'Pad turned' : 'Shims laid',
    });
  },
  words: ({ part, shims: laid, turned, note }, name) => {
    const parts = [
      ...(laid?.map(({ clock: at, thickness }) => phrase`${at}°: ${stock(thickness)}`) ?? []),
      ...(turned ? [phrase`turned by ${turned}°`] : []),
    ];
    const what = laid?.length === 0 ? 'Shims taken out' : laid ? 'Shims laid' : 'Pad turned';
    return phrase`${what}: ${name(part)}${parts.length > 0 ? ', ' : ''}${joined(parts, ', ')}${note ? `. ${note}` : ''}`;
  },
  turnsPlan: false,
  bears: true,
};
