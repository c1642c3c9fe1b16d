import type { FromSchema, JSONSchema } from 'json-schema-to-ts';

const size = { type: 'number', exclusiveMinimum: 0 } as const;
const limit = { type: 'number', minimum: 0 } as const;
const stations = {
  type: 'array',
  minItems: 2,
  maxItems: 200,
  items: {
    type: 'object',
    properties: { at: { type: 'number' }, diameters: { type: 'array', items: size, minItems: 2, maxItems: 72 } },
    required: ['at', 'diameters'],
    additionalProperties: false,
  },
} as const;

export const jointInput = {
  type: 'object',
  properties: {
    tenon: stations,
    receiver: stations,
    limits: {
      type: 'object',
      properties: {
        clearance: { type: 'array', items: limit, minItems: 2, maxItems: 2 },
        ovality: limit,
        leak: limit,
      },
      required: ['clearance', 'ovality', 'leak'],
      additionalProperties: false,
    },
    pressure: { ...size, default: 2.5 },
    tool: {
      type: 'object',
      properties: { overshoot: { ...limit, default: 0 }, shrinkStep: size },
      additionalProperties: false,
    },
  },
  required: ['tenon', 'receiver', 'limits'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type JointInput = FromSchema<typeof jointInput, { keepDefaultedPropertiesOptional: true }>;

export const jointOutput = {
  type: 'object',
  properties: {
    clearances: {
      type: 'array',
      items: {
        type: 'object',
        properties: { at: { type: 'number' }, clearance: { type: 'number' } },
        required: ['at', 'clearance'],
        additionalProperties: false,
      },
    },
    tenonOvality: { type: 'number' },
    receiverOvality: { type: 'number' },
    leak: {
      type: 'object',
      properties: { concentric: { type: 'number' }, eccentric: { type: 'number' } },
      required: ['concentric', 'eccentric'],
      additionalProperties: false,
    },
    verdict: { enum: ['airtight', 'leaks'] },
    fit: { enum: ['loose', 'tight', 'within'] },
    plan: {
      type: 'array',
      items: {
        type: 'object',
        properties: { action: { enum: ['true-receiver', 'replace-tenon', 'round-tenon', 'expand', 'shrink', 'lap'] } },
        required: ['action'],
      },
    },
  },
  required: ['clearances', 'tenonOvality', 'receiverOvality', 'leak', 'verdict', 'fit', 'plan'],
} as const;

export type JointStep =
  | { action: 'true-receiver' | 'replace-tenon' | 'round-tenon' | 'lap' }
  | { action: 'expand'; zone: 'shoulder' | 'middle' | 'leading'; by: number }
  | { action: 'shrink'; by: number; steps: number | null };

export interface JointOutput {
  clearances: { at: number; clearance: number }[];
  tenonOvality: number;
  receiverOvality: number;
  leak: { concentric: number; eccentric: number };
  verdict: 'airtight' | 'leaks';
  fit: 'loose' | 'tight' | 'within';
  plan: JointStep[];
}
