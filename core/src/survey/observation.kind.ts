import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { InstrumentType } from '../instruments';
import { partId } from '../instruments/instrumentType.schema';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { freeText } from '../validation/plain.schema';
import { padConditions, padHolds, padResonators } from '../vocabulary';
import { landingOf } from './landing';
import { observationWords } from './observationWords';

const clock = { type: 'number', minimum: 0, exclusiveMaximum: 360 } as const;
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
    lands: {
      enum: ['driver', 'together', 'follower'],
      description:
        'about a landing: what lands first when the driver of the link is pressed lightly; the part is the link',
    },
    first: { ...partId, description: 'as it was once written: of two linked pads, the one that lands first' },
    other: { ...partId, description: 'as it was once written: the pad it was compared with' },
    hold: { enum: padHolds },
    resonator: { enum: padResonators, description: 'what the pad carries' },
    mark: { ...clock, description: 'clock of the orientation scratch' },
    setterMark: { ...clock, description: 'clock of the scratch on its washer or grommet' },
    condition: { enum: padConditions, description: 'what the pad that was there is like' },
    reuse: { type: 'boolean', description: 'the pad that was there goes back' },
    note: freeText(1000),
  },
  required: ['part', 'about'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type ObservationBody = FromSchema<typeof body>;

/** What the technician saw of a pad, newest of each. */
export type Observation = ObservationBody & { entry: string; seq: number };

const hasPad = (instrument: InstrumentType, part: string) => instrument.pads.some(({ hole }) => hole === part);
const isLink = (instrument: InstrumentType, part: string) => instrument.links.some(({ id }) => id === part);

/** What was seen: where light shows at a pad, what lands first of a link, how a pad sits. */
export const observation: JobKind<'observation', ObservationBody> = {
  body,
  misfits: ({ instrument }, { part, about }) => {
    if (!instrument || hasPad(instrument, part) || (about === 'landing' && isLink(instrument, part))) return [];
    return says('part', about === 'landing' ? `“${part}” is no link and has no pad` : `“${part}” has no pad`);
  },
  fold: (draft, { id, seq, body: seen }) => {
    const kept = { ...seen, entry: id, seq };
    // Every link keeps its own answer, from whichever pad it was looked at.
    const landing = seen.about === 'landing' ? landingOf(draft.instrument, kept) : null;
    if (landing)
      draft.observations.set(`landing:${landing.link.id}`, { ...kept, part: landing.link.id, lands: landing.lands });
    else draft.observations.set(`${seen.about}:${seen.part}`, kept);
  },
  words: (seen, name) => `${name(seen.part)}: ${observationWords(seen, name)}`,
  turnsPlan: false,
  bears: false,
};
