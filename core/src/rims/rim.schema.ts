import type { FromSchema, JSONSchema } from 'json-schema-to-ts';

const clock = { type: 'number', minimum: 0, maximum: 360 } as const;

export const rimInput = {
  type: 'object',
  properties: {
    heights: {
      type: 'array',
      minItems: 6,
      maxItems: 360,
      items: {
        type: 'object',
        properties: { clock, height: { type: 'number' } },
        required: ['clock', 'height'],
        additionalProperties: false,
      },
    },
    diameters: {
      type: 'array',
      minItems: 3,
      maxItems: 360,
      items: {
        type: 'object',
        properties: { clock, diameter: { type: 'number', exclusiveMinimum: 0 } },
        required: ['clock', 'diameter'],
        additionalProperties: false,
      },
    },
    limits: {
      type: 'object',
      properties: {
        flatness: { type: 'number', minimum: 0 },
        tilt: { type: 'number', minimum: 0 },
        ovality: { type: 'number', minimum: 0 },
      },
      required: ['flatness'],
      additionalProperties: false,
    },
    stock: {
      type: 'object',
      properties: { maxRemoval: { type: 'number', minimum: 0 } },
      additionalProperties: false,
    },
  },
  required: ['heights', 'limits'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type RimInput = FromSchema<typeof rimInput>;

const outcome = { enum: ['within', 'outside'] } as const;

export const rimOutput = {
  type: 'object',
  properties: {
    meanHeight: { type: 'number' },
    tilt: { type: 'number' },
    highClock: { type: ['number', 'null'] },
    residuals: {
      type: 'array',
      items: {
        type: 'object',
        properties: { clock: { type: 'number' }, residual: { type: 'number' } },
        required: ['clock', 'residual'],
        additionalProperties: false,
      },
    },
    flatness: { type: 'number' },
    lowSectors: {
      type: 'array',
      items: {
        type: 'object',
        properties: { fromClock: { type: 'number' }, toClock: { type: 'number' }, depth: { type: 'number' } },
        required: ['fromClock', 'toClock', 'depth'],
        additionalProperties: false,
      },
    },
    levelling: {
      type: 'object',
      properties: { method: { enum: ['none', 'dress', 'raise-then-dress'] }, removal: { type: 'number' } },
      required: ['method', 'removal'],
      additionalProperties: false,
    },
    ellipse: {
      type: 'object',
      properties: {
        mean: { type: 'number' },
        ovality: { type: 'number' },
        longClock: { type: ['number', 'null'] },
      },
      required: ['mean', 'ovality', 'longClock'],
      additionalProperties: false,
    },
    verdicts: {
      type: 'object',
      properties: { flatness: outcome, tilt: outcome, ovality: outcome },
      required: ['flatness'],
      additionalProperties: false,
    },
  },
  required: ['meanHeight', 'tilt', 'highClock', 'residuals', 'flatness', 'lowSectors', 'levelling', 'verdicts'],
} as const satisfies JSONSchema;
export type RimOutput = FromSchema<typeof rimOutput>;
