import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { pitchInput } from './pitch.schema';

const diameter = { type: 'number', exclusiveMinimum: 0 } as const;
const name = { type: 'string', minLength: 1, maxLength: 80 } as const;

export const tuneInput = {
  type: 'object',
  properties: {
    ...pitchInput.properties,
    measured: {
      type: 'array',
      maxItems: 120,
      items: {
        type: 'object',
        properties: {
          fingering: name,
          cents: {
            type: 'number',
            minimum: -1200,
            maximum: 1200,
            description: 'how far the note is from where it should be; positive: sharp',
          },
        },
        required: ['fingering', 'cents'],
        additionalProperties: false,
      },
    },
    adjust: {
      type: 'array',
      maxItems: 40,
      items: {
        type: 'object',
        properties: {
          hole: name,
          min: { ...diameter, description: 'smallest diameter allowed, mm' },
          max: { ...diameter, description: 'largest diameter allowed, mm' },
          edge: {
            enum: ['even', 'upstream'],
            default: 'even',
            description: 'where it is cut: all round, or at its upper edge, which moves its middle up',
          },
        },
        required: ['hole', 'min', 'max'],
        additionalProperties: false,
      },
    },
    tolerance: { type: 'number', minimum: 0, maximum: 1200, default: 5, description: 'cents nobody minds' },
  },
  required: [...pitchInput.required, 'measured', 'adjust'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type TuneInput = FromSchema<typeof tuneInput, { keepDefaultedPropertiesOptional: true }>;

const number = { type: 'number' } as const;
export const tuneOutput = {
  type: 'object',
  properties: {
    changes: {
      type: 'array',
      items: {
        type: 'object',
        properties: { hole: { type: 'string' }, from: number, to: number, act: { enum: ['enlarge', 'fill'] } },
        required: ['hole', 'from', 'to', 'act'],
      },
    },
    notes: {
      type: 'array',
      items: {
        type: 'object',
        properties: { fingering: { type: 'string' }, before: { type: ['number', 'null'] }, after: number },
        required: ['fingering', 'before', 'after'],
      },
    },
    worst: {
      type: 'object',
      properties: { before: number, after: number },
      required: ['before', 'after'],
    },
  },
  required: ['changes', 'notes', 'worst'],
} as const;

export interface TuneOutput {
  /** diameters, mm; a hole that stays within a hundredth is left out */
  changes: { hole: string; from: number; to: number; act: 'enlarge' | 'fill' }[];
  /** of every fingering, cents; where nothing was measured `before` is null and `after` what the changes do to it */
  notes: { fingering: string; before: number | null; after: number }[];
  /** of what was measured, without its sign, cents */
  worst: { before: number; after: number };
}
