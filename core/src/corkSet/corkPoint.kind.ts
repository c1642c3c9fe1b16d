import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { strangePart } from '../instruments';
import { partId } from '../instruments/instrumentType.schema';
import type { JobKind } from '../job';
import { keptId } from '../shop/ids.schema';
import { length, phrase, type Phrase } from '../units';
import { text } from '../validation/plain.schema';
import { corkKinds } from '../vocabulary';

const size = { type: 'number', exclusiveMinimum: 0, maximum: 500 } as const;
const body = {
  type: 'object',
  description: 'a place that wants cork, felt or a bumper, as far as it is known; mm',
  properties: {
    id: { ...keptId, description: 'the same place, said again, takes the place of what was said' },
    part: partId,
    place: { ...text(80), description: 'where on the part, in words' },
    kind: { enum: corkKinds },
    gap: { ...size, description: 'what it has to fill' },
    squeeze: { type: 'number', minimum: 0, maximum: 0.5, description: 'how much of its thickness is pressed together' },
    length: size,
    width: size,
    tried: { ...size, description: 'thickness as it was cut, a guess until it is assembled' },
    final: { ...size, description: 'thickness that turned out right when it was assembled' },
    from: { enum: ['offcut', 'sheet'], description: 'what it was cut from' },
    removed: { type: 'boolean', description: 'there is no such place after all' },
    note: text(400),
  },
  required: ['id', 'part', 'place', 'kind'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type CorkPointBody = FromSchema<typeof body>;

/** A place that wants cork, felt or a bumper. */
export interface CorkPoint extends CorkPointBody {
  entry: string;
  seq: number;
}

function corkWords({ place, kind, tried, final, removed }: CorkPointBody, part: string): Phrase {
  if (removed) return [`No ${kind} after all: ${part}, ${place}`];
  if (final !== undefined) return phrase`${kind} right at ${length(final)}: ${part}, ${place}`;
  return tried === undefined
    ? [`Wants ${kind}: ${part}, ${place}`]
    : phrase`${kind} of ${length(tried)} tried: ${part}, ${place}`;
}

/** What is known of a place that wants cork: a guess now, the truth at assembly. */
export const corkPoint: JobKind<'cork-point', CorkPointBody> = {
  body,
  misfits: ({ instrument }, { part }) => strangePart(instrument, part),
  fold: (draft, { id, seq, body: said }) => {
    if (said.removed) draft.corks.delete(said.id);
    else draft.corks.set(said.id, { ...said, entry: id, seq });
  },
  words: (said, name) => corkWords(said, name(said.part)),
  turnsPlan: false,
  bears: false,
};
