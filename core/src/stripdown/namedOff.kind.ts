import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { changeType, strangePart } from '../instruments';
import { partId, typeChangeSchema } from '../instruments/instrumentType.schema';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { keptId } from '../shop/ids.schema';
import { freeText, text } from '../validation/plain.schema';
import { corkKinds } from '../vocabulary';
import { placeProblems, placeWords, putDown } from './place';
import { placedBody } from './placed.schema';

const { part, where, cell } = placedBody.properties;
const body = {
  type: 'object',
  description: 'named and taken off in one move, on an instrument nobody had written down before',
  properties: {
    part: partId,
    put: typeChangeSchema.put,
    off: {
      type: 'array',
      maxItems: 4,
      description: 'what came off in this move, first to last: a key after its pivot screws',
      items: {
        type: 'object',
        properties: { part, where, cell },
        required: ['part', 'where'],
        additionalProperties: false,
      },
    },
    corks: {
      type: 'array',
      maxItems: 8,
      description: 'places on it that want cork, felt or a bumper',
      items: {
        type: 'object',
        properties: { id: keptId, place: text(80), kind: { enum: corkKinds } },
        required: ['id', 'place', 'kind'],
        additionalProperties: false,
      },
    },
    note: freeText(1000),
  },
  required: ['part', 'put', 'off'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type NamedOffBody = FromSchema<typeof body>;

/**
 * A part is named, comes off and is put down: one entry, so that a slip of the tongue is struck whole, with the row of
 * the instrument and the places of the board it took.
 */
export const namedOff: JobKind<'named-off', NamedOffBody> = {
  body,
  misfits: (state, { part: named, put, off }) => {
    if (!state.instrument) return [];
    const instrument = changeType(state.instrument, { put });
    // Two screws of one move cannot lie in one place either.
    const lying = new Map(state.off);
    const problems = strangePart(instrument, named);
    off.forEach((each, i) => {
      const path = `off/${i}/part`;
      if (lying.has(each.part)) problems.push(...says(path, 'is off already'));
      problems.push(...strangePart(instrument, each.part, path));
      problems.push(...placeProblems({ board: state.board, off: lying, instrument }, each));
      putDown({ off: lying }, { id: '', seq: 0, body: each });
    });
    return problems;
  },
  fold: (draft, { id, seq, body: { part: named, put, off, corks = [], note } }) => {
    if (!draft.instrument) return;
    draft.instrument = changeType(draft.instrument, { put });
    for (const each of off) putDown(draft, { id, seq, body: each });
    const lying = draft.off.get(named);
    if (note !== undefined && lying)
      draft.off.set(named, { ...lying, note: [lying.note, note].filter(Boolean).join('; ') });
    for (const cork of corks) draft.corks.set(cork.id, { ...cork, part: named, entry: id, seq });
  },
  words: ({ part: named, off, corks = [] }, name) =>
    [
      off.length === 0
        ? `Said of ${name(named)}`
        : `Off and named: ${off.map((each) => `${name(each.part)}, ${placeWords(each)}`).join('; ')}`,
      corks.length > 0 && `wants ${corks.map(({ kind, place }) => `${kind}, ${place}`).join('; ')}`,
    ]
      .filter(Boolean)
      .join('. '),
  turnsPlan: true,
  bears: true,
};
