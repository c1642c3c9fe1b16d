import type { FromSchema, JSONSchema } from 'json-schema-to-ts';

const size = { type: 'number', exclusiveMinimum: 0 } as const;
const pair = { type: 'array', items: { type: 'number', minimum: 0 }, minItems: 2, maxItems: 2 } as const;
const only = <const P extends Record<string, object>, const R extends readonly (keyof P & string)[]>(
  properties: P,
  required: R,
) => ({ type: 'object', properties, required, additionalProperties: false }) as const;

export const hingeInput = only(
  {
    tube: only({ outer: size, inner: size, length: size }, ['outer', 'inner', 'length']),
    rod: only({ diameter: size }, ['diameter']),
    posts: only({ gap: size }, ['gap']),
    arm: only({ length: size }, ['length']),
    bearing: size,
    limits: only({ clearance: pair, endPlay: pair }, ['clearance', 'endPlay']),
    swage: only(
      {
        zone: size,
        maxReduction: { type: 'number', minimum: 0, exclusiveMaximum: 1 },
        facing: { type: 'number', minimum: 0, default: 0.05 },
      },
      ['zone', 'maxReduction'],
    ),
    stock: only(
      { rods: { type: 'array', items: size, maxItems: 200 }, washers: { type: 'array', items: size, maxItems: 200 } },
      [],
    ),
    washersAllowed: { type: 'boolean', default: false },
  },
  ['tube', 'rod', 'posts', 'arm', 'limits'],
) satisfies JSONSchema;
export type HingeInput = FromSchema<typeof hingeInput, { keepDefaultedPropertiesOptional: true }>;

const verdict = { enum: ['tight', 'within', 'loose'] } as const;

export const hingeOutput = {
  type: 'object',
  properties: {
    clearance: { type: 'number' },
    endPlay: { type: 'number' },
    rockDegrees: { type: 'number' },
    padWander: { type: 'number' },
    verdicts: only({ clearance: verdict, endPlay: verdict }, ['clearance', 'endPlay']),
    remedies: {
      type: 'array',
      items: {
        type: 'object',
        properties: { action: { enum: ['ream', 'face', 'swage', 'washers', 'sleeve', 'oversize-rod'] } },
        required: ['action'],
      },
    },
  },
  required: ['clearance', 'endPlay', 'rockDegrees', 'padWander', 'verdicts', 'remedies'],
} as const;

export type FitVerdict = 'tight' | 'within' | 'loose';
export type HingeRemedy =
  | { action: 'ream'; amount: number }
  | { action: 'face'; amount: number }
  | {
      action: 'swage';
      lengthen: number;
      newInner: number;
      newOuter: number;
      reduction: number;
      feasible: boolean;
      mostLengthen: number | null;
      thenFace: number;
    }
  /** closes the tube on its rod only; the end play is seen to otherwise */
  | { action: 'swage'; newInner: number }
  | { action: 'washers'; pieces: number[]; endPlayAfter: number }
  | { action: 'sleeve' }
  | { action: 'oversize-rod'; diameter: number };

export interface HingeOutput {
  clearance: number;
  endPlay: number;
  rockDegrees: number;
  padWander: number;
  verdicts: { clearance: FitVerdict; endPlay: FitVerdict };
  remedies: HingeRemedy[];
}
