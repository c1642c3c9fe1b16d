import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { gaugeSchema } from './gauge';

export const conformityInput = {
  type: 'object',
  properties: {
    readings: { type: 'array', items: { type: 'number' }, minItems: 1, maxItems: 10_000 },
    gauge: gaugeSchema,
    limits: {
      type: 'object',
      properties: { lower: { type: 'number' }, upper: { type: 'number' } },
      minProperties: 1,
      additionalProperties: false,
    },
    coverage: { type: 'number', exclusiveMinimum: 0, exclusiveMaximum: 1, default: 0.95 },
  },
  required: ['readings', 'gauge', 'limits'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type ConformityInput = FromSchema<typeof conformityInput, { keepDefaultedPropertiesOptional: true }>;

export const conformityOutput = {
  type: 'object',
  properties: {
    mean: { type: 'number' },
    standardUncertainty: { type: 'number' },
    degreesOfFreedom: { type: ['number', 'null'] },
    expandedUncertainty: { type: 'number' },
    verdict: { enum: ['within', 'outside', 'undecided'] },
    probabilityWithin: { type: 'number' },
    readingsNeeded: { type: ['integer', 'null'] },
  },
  required: [
    'mean',
    'standardUncertainty',
    'degreesOfFreedom',
    'expandedUncertainty',
    'verdict',
    'probabilityWithin',
    'readingsNeeded',
  ],
} as const satisfies JSONSchema;
export type ConformityOutput = FromSchema<typeof conformityOutput>;
export type Verdict = ConformityOutput['verdict'];
