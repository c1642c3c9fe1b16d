import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { partId } from '../instruments/instrumentType.schema';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { freeText } from '../validation/plain.schema';
import { padHolds } from '../vocabulary';
import { observationWords } from './observationWords';

const body = {
  type: 'object',
  properties: {
    part: partId,
    about: { enum: ['light', 'landing', 'fit'] },
    sectors: {
      type: 'array',
      description: 'clock positions where light shows at the lightest touch; empty when it seals',
      items: { enum: [0, 45, 90, 135, 180, 225, 270, 315] },
      uniqueItems: true,
      maxItems: 8,
    },
    first: { ...partId, description: 'of two linked pads, the one that lands first' },
    other: { ...partId, description: 'the pad it was compared with' },
    hold: { enum: padHolds },
    mark: { type: 'number', minimum: 0, exclusiveMaximum: 360, description: 'clock of the orientation scratch' },
    note: freeText(1000),
  },
  required: ['part', 'about'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type ObservationBody = FromSchema<typeof body>;

/** What the technician saw of a pad, newest of each. */
export type Observation = ObservationBody & { entry: string; seq: number };

/** What was seen of a pad: where light shows, which lands first, how it sits. */
export const observation: JobKind<'observation', ObservationBody> = {
  body,
  misfits: ({ instrument }, { part }) =>
    instrument?.pads.some(({ hole }) => hole === part) ? [] : says('part', `“${part}” has no pad`),
  fold: (draft, { id, seq, body: seen }) => {
    draft.observations.set(`${seen.about}:${seen.part}`, { ...seen, entry: id, seq });
  },
  words: (seen, name) => `${name(seen.part)}: ${observationWords(seen, name)}`,
  turnsPlan: false,
  bears: false,
};
