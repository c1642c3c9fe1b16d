const size = { type: 'number', exclusiveMinimum: 0 } as const;
const at = { type: 'number' } as const;
const number = { type: 'number' } as const;

export const boreInput = {
  type: 'object',
  properties: {
    stations: {
      type: 'array',
      minItems: 3,
      maxItems: 1000,
      items: {
        type: 'object',
        properties: {
          at,
          readings: {
            type: 'array',
            minItems: 1,
            maxItems: 72,
            items: {
              type: 'object',
              properties: { clock: { type: 'number', minimum: 0, maximum: 360 }, diameter: size },
              required: ['clock', 'diameter'],
              additionalProperties: false,
            },
          },
        },
        required: ['at', 'readings'],
        additionalProperties: false,
      },
    },
    reference: {
      type: 'object',
      required: ['kind'],
      discriminator: { propertyName: 'kind' },
      oneOf: [
        {
          properties: {
            kind: { const: 'points' },
            points: {
              type: 'array',
              minItems: 2,
              maxItems: 1000,
              items: {
                type: 'object',
                properties: { at, diameter: size },
                required: ['at', 'diameter'],
                additionalProperties: false,
              },
            },
          },
          required: ['kind', 'points'],
          additionalProperties: false,
        },
        {
          properties: { kind: { const: 'fit' }, breaks: { type: 'array', items: at, maxItems: 50 } },
          required: ['kind', 'breaks'],
          additionalProperties: false,
        },
      ],
    },
    limits: {
      type: 'object',
      properties: { deviation: { type: 'number', minimum: 0 }, ovality: { type: 'number', minimum: 0 } },
      required: ['deviation', 'ovality'],
      additionalProperties: false,
    },
  },
  required: ['stations', 'reference', 'limits'],
  additionalProperties: false,
} as const;

/** Written out: the discriminated reference is beyond what the schema types infer. */
export interface BoreInput {
  stations: { at: number; readings: { clock: number; diameter: number }[] }[];
  reference: { kind: 'points'; points: { at: number; diameter: number }[] } | { kind: 'fit'; breaks: number[] };
  limits: { deviation: number; ovality: number };
}

const list = <const P extends Record<string, object>>(properties: P) =>
  ({
    type: 'array',
    items: { type: 'object', properties, required: Object.keys(properties), additionalProperties: false },
  }) as const;

export const boreOutput = {
  type: 'object',
  properties: {
    stations: list({ at, mean: number, ovality: number, reference: number, deviation: number }),
    knots: list({ at, diameter: number }),
    cones: list({ from: at, to: at, taper: number, halfAngleDegrees: number }),
    features: list({ kind: { enum: ['narrow', 'wide', 'oval'] }, from: at, to: at, peakAt: at, peak: number }),
    volume: number,
    referenceVolume: number,
  },
  required: ['stations', 'knots', 'cones', 'features', 'volume', 'referenceVolume'],
} as const;

export interface BoreOutput {
  stations: { at: number; mean: number; ovality: number; reference: number; deviation: number }[];
  knots: { at: number; diameter: number }[];
  cones: { from: number; to: number; taper: number; halfAngleDegrees: number }[];
  features: { kind: 'narrow' | 'wide' | 'oval'; from: number; to: number; peakAt: number; peak: number }[];
  volume: number;
  referenceVolume: number;
}
