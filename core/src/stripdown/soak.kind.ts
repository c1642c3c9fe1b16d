import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { partId } from '../instruments/instrumentType.schema';
import type { JobKind } from '../job';
import { freeText, minutes, text, uuidSchema } from '../validation/plain.schema';

const body = {
  type: 'object',
  properties: {
    soak: { ...uuidSchema, description: 'stays the same from the first drop to the last look' },
    part: partId,
    with: text(120),
    minutes: { ...minutes, description: 'until somebody looks again' },
    note: freeText(1000),
  },
  required: ['soak', 'part', 'with', 'minutes'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** Something left to soak. */
export interface SoakState {
  soak: string;
  part: string;
  with: string;
  note: string;
  /** when somebody should look again, ISO; each new soak of the same part sets it anew */
  until: string;
  outcome: 'free' | 'stuck' | null;
}

/** A stuck part is left to soak. */
export const soak: JobKind<'soak', FromSchema<typeof body>> = {
  body,
  fold: ({ soaks }, { benchTime, body: { soak: id, part, with: liquid, minutes: wait, note = '' } }) => {
    const until = new Date(Date.parse(benchTime) + wait * 60_000).toISOString();
    soaks.set(id, { soak: id, part, with: liquid, note, until, outcome: null });
  },
  words: ({ part, with: liquid }, name) => `${name(part)} left to soak in ${liquid}`,
  turnsPlan: false,
  bears: true,
};
