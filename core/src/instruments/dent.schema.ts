import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { dentDepths, dentEdges, finishes } from '../vocabulary';

const size = { type: 'number', exclusiveMinimum: 0, maximum: 500 } as const;

/** A dent as it is written down: its size, its edge, what lies over it. */
export const dentSchema = {
  type: 'object',
  description: 'of a dent; mm',
  properties: {
    length: { ...size, description: 'along the tube' },
    width: { ...size, description: 'round it' },
    depth: { ...size, description: 'under a straight edge' },
    looks: { enum: dentDepths, description: 'how deep, by eye, where no figure was taken' },
    edge: { enum: dentEdges },
    ridge: { type: 'boolean', description: 'a ridge stands round it' },
    finish: { enum: finishes, description: 'what lies over it' },
  },
  required: ['length', 'width', 'edge', 'ridge', 'finish'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type Dent = FromSchema<typeof dentSchema>;
