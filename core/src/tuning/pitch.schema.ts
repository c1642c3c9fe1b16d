import type { FromSchema, JSONSchema } from 'json-schema-to-ts';

const size = { type: 'number', exclusiveMinimum: 0 } as const;
const limit = { type: 'number', minimum: 0 } as const;
const at = { type: 'number' } as const;
const name = { type: 'string', minLength: 1, maxLength: 80 } as const;

export const pitchInput = {
  type: 'object',
  properties: {
    bore: {
      type: 'array',
      minItems: 2,
      maxItems: 400,
      items: {
        type: 'object',
        properties: { at, diameter: size },
        required: ['at', 'diameter'],
        additionalProperties: false,
      },
      description: 'mm; straight between the points',
    },
    holes: {
      type: 'array',
      maxItems: 80,
      items: {
        type: 'object',
        properties: {
          id: name,
          at,
          diameter: size,
          chimney: { ...size, description: 'height of the wall of the hole, mm' },
          pad: {
            type: 'object',
            properties: { diameter: size, height: { ...size, description: 'of the open pad over its rim, mm' } },
            required: ['diameter', 'height'],
            additionalProperties: false,
          },
          flanged: { type: 'boolean', default: false },
        },
        required: ['id', 'at', 'diameter', 'chimney'],
        additionalProperties: false,
      },
    },
    excitation: {
      type: 'object',
      properties: {
        kind: { enum: ['reed', 'edge'] },
        volume: {
          ...limit,
          description: 'of a reed and its mouthpiece, as an equivalent volume at the upper end, mm³',
        },
        at: { ...at, description: 'of an edge: the middle of its hole, mm' },
        diameter: { ...size, description: 'of the hole of an edge, mm' },
        length: { ...size, description: 'acoustic length of the hole of an edge, mm' },
      },
      required: ['kind'],
      additionalProperties: false,
    },
    end: { enum: ['unflanged', 'flanged'], default: 'unflanged' },
    temperature: { type: 'number', minimum: -20, maximum: 60, default: 20, description: 'of the air inside, °C' },
    leaks: {
      type: 'array',
      maxItems: 80,
      default: [],
      items: {
        type: 'object',
        properties: { hole: name, width: size, gap: size, land: size },
        required: ['hole', 'width', 'gap', 'land'],
        additionalProperties: false,
      },
    },
    fingerings: {
      type: 'array',
      minItems: 1,
      maxItems: 120,
      items: {
        type: 'object',
        properties: {
          id: name,
          closed: { type: 'array', maxItems: 80, items: name },
          near: { type: 'number', minimum: 10, maximum: 10000, description: 'Hz' },
        },
        required: ['id', 'closed', 'near'],
        additionalProperties: false,
      },
    },
  },
  required: ['bore', 'holes', 'excitation', 'fingerings'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type PitchInput = FromSchema<typeof pitchInput, { keepDefaultedPropertiesOptional: true }>;

const orNull = { type: ['number', 'null'] } as const;
export const pitchOutput = {
  type: 'object',
  properties: {
    fingerings: {
      type: 'array',
      items: {
        type: 'object',
        properties: { id: { type: 'string' }, frequency: orNull, cents: orNull, strength: orNull },
        required: ['id', 'frequency', 'cents', 'strength'],
      },
    },
  },
  required: ['fingerings'],
} as const;

export interface PitchOutput {
  /** null where no resonance lies within half an octave */
  fingerings: { id: string; frequency: number | null; cents: number | null; strength: number | null }[];
}
