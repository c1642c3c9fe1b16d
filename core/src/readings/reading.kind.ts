import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { strangePlace } from '../instruments';
import type { JobKind } from '../job';
import { phrase } from '../units';
import { freeText, text } from '../validation/plain.schema';
import { addReading } from './ledger';
import { ownScaleSchema } from '../metrology/scale.schema';
import { measuringPointSchema } from './point.schema';
import { pointWords } from './pointWords';

const gauge = {
  type: 'object',
  properties: {
    id: text(60),
    name: text(80),
    resolution: { type: 'number', minimum: 0, maximum: 10 },
    maxPermissibleError: { type: 'number', minimum: 0, maximum: 10 },
    scale: ownScaleSchema,
  },
  required: ['id', 'name', 'resolution', 'maxPermissibleError'],
  additionalProperties: false,
} as const;

const body = {
  type: 'object',
  properties: {
    point: measuringPointSchema,
    value: {
      type: 'number',
      minimum: -1000,
      maximum: 10000,
      description:
        'in the unit of the measure: mm; a leak in mL/min or % of the scale of its tester, a force in N, a note in cents from its name',
    },
    typed: { ...freeText(40), description: 'as it was typed, with its unit' },
    gauge,
    temperature: {
      type: 'number',
      minimum: -30,
      maximum: 60,
      description: 'of the room, °C, where wood or a note is read',
    },
    humidity: { type: 'number', minimum: 0, maximum: 100, description: 'of the room, % relative' },
  },
  required: ['point', 'value', 'typed', 'gauge'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type ReadingBody = FromSchema<typeof body>;

/** A figure taken at a point. */
export const reading: JobKind<'reading', ReadingBody> = {
  body,
  misfits: ({ instrument }, { point }) => strangePlace(instrument, point),
  fold: (draft, { id, seq, author, benchTime, body: taken }) => {
    const { point, value, typed, gauge: by, temperature = null, humidity = null } = taken;
    const kept = { entry: id, seq, value, typed, gauge: by, author, benchTime, temperature, humidity, stale: null };
    addReading(draft, point, kept);
  },
  words: ({ point, typed, gauge: by }, name) =>
    phrase`Read ${typed.replace('-', '−')} · ${point.group} of ${name(point.part)}, ${pointWords(point)} · ${by.name}`,
  turnsPlan: false,
  bears: false,
};
