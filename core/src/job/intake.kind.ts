import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { applyOptions, instrumentType, type InstrumentType } from '../instruments';
import { partId } from '../instruments/instrumentType.schema';
import { says } from '../logbook';
import { lengthUnits } from '../units/units';
import { daySchema, freeText, text, ticketSchema } from '../validation/plain.schema';
import { families, practiceNames, scopes } from '../vocabulary';
import type { JobKind } from './kind';

const body = {
  type: 'object',
  properties: {
    ticket: ticketSchema,
    owner: text(120),
    contact: freeText(200),
    instrumentType: partId,
    options: { type: 'array', items: partId, maxItems: 12, description: 'options of the type this one has' },
    type: { type: 'object', description: 'the whole instrument type, where it is not one of those that ship' },
    maker: freeText(120),
    model: freeText(120),
    serial: freeText(60),
    made: freeText(60),
    material: freeText(120),
    finish: freeText(120),
    spareFinish: {
      type: 'boolean',
      description: 'brittle old lacquer, thin plate or sharp engraving: polished only with the word of the owner',
    },
    complaint: freeText(2000),
    playing: freeText(1000),
    lastPadded: freeText(120),
    mayChange: freeText(1000),
    testPlay: freeText(2000),
    photographed: { type: 'boolean' },
    protectedMaterial: { type: 'boolean' },
    family: { enum: families },
    practice: { enum: practiceNames },
    scope: { enum: scopes },
    promise: {
      type: 'number',
      exclusiveMinimum: 0,
      maximum: 60_000,
      description: 'minutes of work promised in all, where hours were promised and not a result',
    },
    unit: { enum: lengthUnits },
    dueBy: daySchema,
  },
  required: ['ticket', 'owner', 'instrumentType', 'family', 'practice', 'scope', 'unit'],
  additionalProperties: false,
} as const satisfies JSONSchema;
type Body = FromSchema<typeof body>;

/** The instrument an intake names: the type it brings with it, or the shipped one, with the options it has. */
function instrumentOf({ type, instrumentType: id, options = [] }: Body): InstrumentType | null {
  const named = (type as InstrumentType | undefined) ?? instrumentType(id);
  return named && applyOptions(named, options);
}

/** Who, what, what is wrong, what may be changed. The first entry of a job; a later one corrects it. */
export const intake: JobKind<'intake', Body> = {
  body,
  misfits: ({ intake: before }, { ticket, instrumentType: id, type }) => {
    if (before && before.ticket !== ticket) return says('ticket', `must stay ${before.ticket}`);
    const known = type !== undefined || instrumentType(id) !== null || before?.instrumentType === id;
    return known ? [] : says('instrumentType', `“${id}” is not a type known here, and none came with the intake`);
  },
  fold: (draft, { body: said, benchTime }) => {
    const before = draft.intake;
    // A later intake entry corrects the first; a practice changed since then stays changed.
    if (!before) draft.practice = said.practice;
    const same =
      before && before.instrumentType === said.instrumentType && String(before.options) === String(said.options);
    // What was built up at the bench outlives a correction of the owner's address.
    // A page that does not know the type a correction names goes on with what it has.
    if (!same || !draft.instrument) draft.instrument = instrumentOf(said) ?? draft.instrument;
    draft.intake = said;
    draft.openedAt ??= benchTime;
    draft.unit = said.unit;
  },
  words: ({ owner }) => `Taken in from ${owner}`,
  turnsPlan: true,
  bears: true,
  stands: 'the intake is corrected by a new intake entry, not struck',
};

/** The known types that intakes among these entries name without bringing them along: what whoever folds them must know. */
export const namedTypes = (entries: readonly { kind: string; body: unknown }[]): InstrumentType[] => {
  const named = entries.flatMap(({ kind, body: said }) => {
    const { instrumentType: id, type } = said as Body;
    return kind === 'intake' && type === undefined ? [id] : [];
  });
  return [...new Set(named)].flatMap((id) => instrumentType(id) ?? []);
};
