import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { ticketSchema } from '../validation/plain.schema';

const body = {
  type: 'object',
  description: 'the instrument was here before, on that ticket, as somebody knows it again who sees it',
  properties: { ticket: ticketSchema, was: { type: 'boolean', description: 'false: it was another after all' } },
  required: ['ticket', 'was'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** Somebody knows an instrument again that has no serial, or another one written down. */
export const sameInstrumentAs: JobKind<'same-instrument', FromSchema<typeof body>> = {
  body,
  misfits: ({ intake }, { ticket }) => (intake?.ticket === ticket ? says('ticket', 'is this very ticket') : []),
  fold: (draft, { body: { ticket, was } }) => {
    const others = draft.sameAs.filter((each) => each !== ticket);
    draft.sameAs = was ? [...others, ticket] : others;
  },
  words: ({ ticket, was }) => (was ? `It was here before as ${ticket}` : `It was not here as ${ticket}`),
  turnsPlan: false,
  bears: false,
  afterSignOff: true,
};
