import type { FromSchema, JSONSchema } from 'json-schema-to-ts';

const size = { type: 'number', exclusiveMinimum: 0 } as const;
const limit = { type: 'number', minimum: 0 } as const;

export const springInput = {
  type: 'object',
  properties: {
    kind: { enum: ['needle', 'flat'] },
    modulus: { ...size, description: 'Young’s modulus, GPa' },
    yield: { ...size, description: 'yield strength, MPa' },
    diameter: { ...size, description: 'of a needle, mm' },
    width: { ...size, description: 'of a flat spring, mm' },
    thickness: { ...size, description: 'of a flat spring, mm' },
    length: { ...size, description: 'from its root to its catch, mm' },
    preset: { ...size, description: 'deflection at the catch with the key at rest, mm' },
    travel: { ...limit, description: 'further deflection at full motion, mm' },
    catchRadius: { ...size, description: 'of the catch from the hinge axis, mm' },
    touchRadius: { ...size, description: 'of the touch from the hinge axis, mm' },
    padRadius: { ...size, description: 'of the middle of the pad from the hinge axis, mm' },
    limits: {
      type: 'object',
      properties: {
        touch: {
          type: 'array',
          items: limit,
          minItems: 2,
          maxItems: 2,
          description: 'force at the touch at rest, least and most, N',
        },
      },
      required: ['touch'],
      additionalProperties: false,
    },
    stock: {
      type: 'array',
      items: size,
      maxItems: 200,
      default: [],
      description: 'needle diameters or flat thicknesses there are, mm',
    },
  },
  required: [
    'kind',
    'modulus',
    'yield',
    'length',
    'preset',
    'travel',
    'catchRadius',
    'touchRadius',
    'padRadius',
    'limits',
  ],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type SpringInput = FromSchema<typeof springInput, { keepDefaultedPropertiesOptional: true }>;

const moment = {
  type: 'object',
  properties: {
    catch: { type: 'number' },
    touch: { type: 'number' },
    pad: { type: 'number' },
    stress: { type: 'number' },
  },
  required: ['catch', 'touch', 'pad', 'stress'],
  additionalProperties: false,
} as const;

export const springOutput = {
  type: 'object',
  properties: {
    rest: moment,
    full: moment,
    safety: { type: 'number' },
    verdict: { enum: ['light', 'within', 'heavy'] },
    setPreset: { type: 'number' },
    choose: {
      type: ['object', 'null'],
      properties: { size: { type: 'number' }, preset: { type: 'number' }, safety: { type: 'number' } },
      required: ['size', 'preset', 'safety'],
      additionalProperties: false,
    },
  },
  required: ['rest', 'full', 'safety', 'verdict', 'setPreset', 'choose'],
} as const;

/** Forces at catch, touch and pad, N, and the bending stress at the root, MPa. */
export interface SpringMoment {
  catch: number;
  touch: number;
  pad: number;
  stress: number;
}

export interface SpringOutput {
  rest: SpringMoment;
  full: SpringMoment;
  /** yield strength over the stress at full motion */
  safety: number;
  verdict: 'light' | 'within' | 'heavy';
  /** deflection that puts the force at the touch in the middle of its limits, mm */
  setPreset: number;
  /** the smallest size of the stock that does it without tiring; null where none does */
  choose: { size: number; preset: number; safety: number } | null;
}
