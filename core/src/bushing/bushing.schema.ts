import type { FromSchema, JSONSchema } from 'json-schema-to-ts';

const size = { type: 'number', exclusiveMinimum: 0 } as const;
const limit = { type: 'number', minimum: 0 } as const;

export const bushingInput = {
  type: 'object',
  properties: {
    hole: {
      type: 'object',
      properties: {
        diameter: size,
        clean: { ...limit, default: 0.2, description: 'to come off the diameter at least' },
      },
      required: ['diameter'],
      additionalProperties: false,
    },
    wall: { ...size, description: 'wood between the seat of the post and the bore, mm' },
    leave: { ...limit, description: 'wood to be left above the bore at least, mm' },
    cutters: { type: 'array', minItems: 1, maxItems: 200, items: size, description: 'diameters there are' },
    bushes: {
      type: 'array',
      minItems: 1,
      maxItems: 200,
      items: {
        type: 'object',
        properties: { outer: size, length: size },
        required: ['outer', 'length'],
        additionalProperties: false,
      },
    },
    gap: {
      type: 'array',
      items: limit,
      minItems: 2,
      maxItems: 2,
      description: 'adhesive all round, least and most, mm',
    },
    below: { ...limit, default: 0.1, description: 'how far below the surface the bush sits' },
    leastLength: { ...size, default: 2.5, description: 'the shortest bush that holds a post' },
  },
  required: ['hole', 'wall', 'leave', 'cutters', 'bushes', 'gap'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type BushingInput = FromSchema<typeof bushingInput, { keepDefaultedPropertiesOptional: true }>;

export const bushingOutput = {
  type: 'object',
  properties: {
    cutter: { type: 'number' },
    bush: {
      type: 'object',
      properties: { outer: { type: 'number' }, length: { type: 'number' }, cutTo: { type: ['number', 'null'] } },
      required: ['outer', 'length', 'cutTo'],
      additionalProperties: false,
    },
    gap: { type: 'number' },
    depth: { type: 'number' },
    left: { type: 'number' },
    adhesive: { type: 'number' },
  },
  required: ['cutter', 'bush', 'gap', 'depth', 'left', 'adhesive'],
} as const;

export interface BushingOutput {
  cutter: number;
  /** stock piece, and the length it is cut to; null when it goes in whole */
  bush: { outer: number; length: number; cutTo: number | null };
  /** adhesive all round, mm */
  gap: number;
  /** how deep the cutter goes, mm */
  depth: number;
  /** wood left above the bore, mm */
  left: number;
  /** adhesive it takes, mm³, the end of the bush counted with the same gap */
  adhesive: number;
}
