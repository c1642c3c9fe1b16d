import type { FromSchema, JSONSchema } from 'json-schema-to-ts';

const size = { type: 'number', exclusiveMinimum: 0 } as const;
const limit = { type: 'number', minimum: 0 } as const;

export const padChoiceInput = {
  type: 'object',
  properties: {
    cup: {
      type: 'object',
      description: 'inside, mm',
      properties: { diameter: size, depth: size },
      required: ['diameter', 'depth'],
      additionalProperties: false,
    },
    stand: { type: 'number', description: 'height of the pad’s face above the edge of the cup, wanted, mm' },
    bed: { ...limit, default: 0.3, description: 'adhesive behind it, mm' },
    axisDistance: { ...size, description: 'from the hinge axis to the middle of the pad, mm' },
    limits: {
      type: 'object',
      properties: { gap: limit },
      required: ['gap'],
      additionalProperties: false,
    },
    stock: {
      type: 'array',
      minItems: 1,
      maxItems: 1000,
      items: {
        type: 'object',
        properties: { id: { type: 'string', minLength: 1, maxLength: 80 }, diameter: size, thickness: size },
        required: ['id', 'diameter', 'thickness'],
        additionalProperties: false,
      },
    },
    clearance: {
      type: 'array',
      items: limit,
      minItems: 2,
      maxItems: 2,
      default: [0, 0.3],
      description: 'cup less pad, on diameter, least and most, mm',
    },
  },
  required: ['cup', 'stand', 'axisDistance', 'limits', 'stock'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type PadChoiceInput = FromSchema<typeof padChoiceInput, { keepDefaultedPropertiesOptional: true }>;

export const padChoiceOutput = {
  type: 'object',
  properties: {
    pad: {
      type: 'object',
      properties: { id: { type: 'string' }, diameter: { type: 'number' }, thickness: { type: 'number' } },
      required: ['id', 'diameter', 'thickness'],
      additionalProperties: false,
    },
    need: { type: 'number' },
    error: { type: 'number' },
    predicted: {
      type: 'object',
      properties: { side: { enum: ['front', 'back', null] }, gap: { type: 'number' } },
      required: ['side', 'gap'],
      additionalProperties: false,
    },
    bedNeeded: { type: 'number' },
    remedy: { enum: ['as-is', 'bed', 'shim-or-bend', 'other-stock'] },
  },
  required: ['pad', 'need', 'error', 'predicted', 'bedNeeded', 'remedy'],
} as const;

export interface PadChoiceOutput {
  pad: { id: string; diameter: number; thickness: number };
  /** thickness that would land level, mm */
  need: number;
  /** how much thicker it is than that, mm */
  error: number;
  /** where it would open, and how far, mm */
  predicted: { side: 'front' | 'back' | null; gap: number };
  /** adhesive that makes it level, mm */
  bedNeeded: number;
  remedy: 'as-is' | 'bed' | 'shim-or-bend' | 'other-stock';
}
