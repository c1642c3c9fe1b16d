import type { FromSchema, JSONSchema } from 'json-schema-to-ts';

const clock = { type: 'number', minimum: 0, maximum: 360 } as const;
const size = { type: 'number', exclusiveMinimum: 0 } as const;

export const seatInput = {
  type: 'object',
  properties: {
    gaps: {
      type: 'array',
      minItems: 6,
      maxItems: 360,
      items: {
        type: 'object',
        properties: { clock, gap: { type: 'number', minimum: 0 } },
        required: ['clock', 'gap'],
        additionalProperties: false,
      },
    },
    padDiameter: size,
    axisDistance: size,
    limits: {
      type: 'object',
      properties: { gap: { type: 'number', minimum: 0 } },
      required: ['gap'],
      additionalProperties: false,
    },
    shims: { type: 'array', items: size, maxItems: 50, default: [] },
    sectorWidth: { type: 'number', exclusiveMinimum: 0, maximum: 360, default: 45 },
    rimResiduals: {
      type: 'array',
      maxItems: 360,
      items: {
        type: 'object',
        properties: { clock, residual: { type: 'number' } },
        required: ['clock', 'residual'],
        additionalProperties: false,
      },
    },
  },
  required: ['gaps', 'padDiameter', 'axisDistance', 'limits'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type SeatInput = FromSchema<typeof seatInput, { keepDefaultedPropertiesOptional: true }>;

export const padPictures = [
  'sealed',
  'held-off',
  'dotted',
  'saddle',
  'touches-back',
  'touches-front',
  'open-side',
  'one-gap',
  'uneven',
] as const;
export type PadPicture = (typeof padPictures)[number];

export const padAdvice = [
  'none',
  'regulate',
  'add-adhesive',
  'level-rim',
  'bend-cup',
  'clean-inspect',
  'shim',
  'reset-bed',
  'change-pad',
] as const;
export type PadAdvice = (typeof padAdvice)[number];

export const seatOutput = {
  type: 'object',
  properties: {
    tilt: { type: 'number' },
    openClock: { type: ['number', 'null'] },
    unevenness: { type: 'number' },
    openRuns: { type: 'integer' },
    picture: { enum: padPictures },
    thicknessCorrection: { type: 'number' },
    sideBendDegrees: { type: 'number' },
    shims: {
      type: 'array',
      items: {
        type: 'object',
        properties: {
          clock: { type: 'number' },
          thickness: { type: 'number' },
          pieces: { type: 'array', items: { type: 'number' } },
        },
        required: ['clock', 'thickness', 'pieces'],
        additionalProperties: false,
      },
    },
    predictedMaxGap: { type: 'number' },
    rimSuspected: { type: 'boolean' },
    advice: { enum: padAdvice },
  },
  required: [
    'tilt',
    'openClock',
    'unevenness',
    'openRuns',
    'picture',
    'thicknessCorrection',
    'sideBendDegrees',
    'shims',
    'predictedMaxGap',
    'rimSuspected',
    'advice',
  ],
} as const satisfies JSONSchema;
export type SeatOutput = FromSchema<typeof seatOutput>;
