import type { FromSchema, JSONSchema } from 'json-schema-to-ts';

export const bodyLineInput = {
  type: 'object',
  properties: {
    stations: {
      type: 'array',
      minItems: 4,
      maxItems: 500,
      items: {
        type: 'object',
        properties: {
          at: { type: 'number' },
          sightings: {
            type: 'array',
            minItems: 3,
            maxItems: 72,
            items: {
              type: 'object',
              properties: { clock: { type: 'number', minimum: 0, maximum: 360 }, deviation: { type: 'number' } },
              required: ['clock', 'deviation'],
              additionalProperties: false,
            },
          },
        },
        required: ['at', 'sightings'],
        additionalProperties: false,
      },
    },
    limits: {
      type: 'object',
      properties: { zone: { type: 'number', minimum: 0 } },
      required: ['zone'],
      additionalProperties: false,
    },
    springBack: { type: 'number', minimum: 0, exclusiveMaximum: 1, default: 0 },
  },
  required: ['stations', 'limits'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type BodyLineInput = FromSchema<typeof bodyLineInput, { keepDefaultedPropertiesOptional: true }>;

export const bodyLineOutput = {
  type: 'object',
  properties: {
    zone: { type: 'number' },
    shape: { enum: ['straight', 'kink', 'bow'] },
    verdict: { enum: ['within', 'outside'] },
    centres: {
      type: 'array',
      items: {
        type: 'object',
        properties: { at: { type: 'number' }, x: { type: 'number' }, y: { type: 'number' } },
        required: ['at', 'x', 'y'],
        additionalProperties: false,
      },
    },
    bend: {
      type: 'object',
      properties: {
        at: { type: 'number' },
        towardClock: { type: ['number', 'null'] },
        angleDegrees: { type: 'number' },
      },
      required: ['at', 'towardClock', 'angleDegrees'],
      additionalProperties: false,
    },
    correction: {
      type: 'object',
      properties: {
        supportAt: { type: 'number' },
        pushClock: { type: ['number', 'null'] },
        setDegrees: { type: 'number' },
      },
      required: ['supportAt', 'pushClock', 'setDegrees'],
      additionalProperties: false,
    },
  },
  required: ['zone', 'shape', 'verdict', 'centres'],
} as const satisfies JSONSchema;
export type BodyLineOutput = FromSchema<typeof bodyLineOutput>;
