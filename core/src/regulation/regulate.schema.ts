import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { forcesSchema, idSchema, mechanismProperties } from './mechanism.schema';

const range = {
  type: 'array',
  items: { type: 'number' },
  minItems: 2,
  maxItems: 2,
  description: 'from least to most, mm',
} as const;
const rank = { type: 'integer', minimum: 1, maximum: 9 } as const;
const { links } = mechanismProperties;

export const regulateInput = {
  type: 'object',
  properties: {
    ...mechanismProperties,
    links: {
      ...links,
      items: {
        ...links.items,
        properties: {
          ...links.items.properties,
          adjuster: {
            type: 'object',
            properties: {
              step: { type: 'number', exclusiveMinimum: 0, description: 'by which one step opens the gap, mm' },
              min: { type: 'integer', minimum: -1000, maximum: 0 },
              max: { type: 'integer', minimum: 0, maximum: 1000 },
            },
            required: ['step', 'min', 'max'],
            additionalProperties: false,
          },
        },
      },
    },
    rules: {
      type: 'array',
      minItems: 1,
      maxItems: 200,
      items: {
        oneOf: [
          {
            type: 'object',
            properties: {
              kind: { const: 'lag' },
              id: idSchema,
              rank,
              press: idSchema,
              held: { ...forcesSchema, default: {} },
              pads: { type: 'array', items: idSchema, minItems: 2, maxItems: 2 },
              range,
            },
            required: ['kind', 'id', 'rank', 'press', 'pads', 'range'],
            additionalProperties: false,
          },
          {
            type: 'object',
            properties: {
              kind: { const: 'seal' },
              id: idSchema,
              rank,
              forces: forcesSchema,
              pads: { type: 'array', items: idSchema, minItems: 1, maxItems: 80 },
            },
            required: ['kind', 'id', 'rank', 'forces', 'pads'],
            additionalProperties: false,
          },
          {
            type: 'object',
            properties: { kind: { const: 'play' }, id: idSchema, rank, link: idSchema, range },
            required: ['kind', 'id', 'rank', 'link', 'range'],
            additionalProperties: false,
          },
        ],
      },
    },
    observed: {
      type: 'array',
      maxItems: 200,
      default: [],
      items: {
        type: 'object',
        properties: { rule: idSchema, lag: { type: 'number' } },
        required: ['rule', 'lag'],
        additionalProperties: false,
      },
    },
    maxForce: { type: 'number', exclusiveMinimum: 0, maximum: 1000, default: 5 },
  },
  required: ['keys', 'rules'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type RegulateInput = FromSchema<typeof regulateInput, { keepDefaultedPropertiesOptional: true }>;

const number = { type: 'number' } as const;
export const regulateOutput = {
  type: 'object',
  properties: {
    moves: {
      type: 'array',
      items: {
        type: 'object',
        properties: { link: { type: 'string' }, steps: number, deltaGap: number, order: number },
        required: ['link', 'steps', 'deltaGap', 'order'],
      },
    },
    rules: {
      type: 'array',
      items: {
        type: 'object',
        properties: {
          id: { type: 'string' },
          before: number,
          after: number,
          violationBefore: number,
          violationAfter: number,
          holds: { type: 'boolean' },
        },
        required: ['id', 'before', 'after', 'violationBefore', 'violationAfter', 'holds'],
      },
    },
    yields: {
      type: 'array',
      items: {
        type: 'object',
        properties: { rule: { type: 'string' }, to: { type: 'array', items: { type: 'string' } } },
        required: ['rule', 'to'],
      },
    },
  },
  required: ['moves', 'rules', 'yields'],
} as const;

export interface RegulateOutput {
  moves: { link: string; steps: number; deltaGap: number; order: number }[];
  rules: {
    id: string;
    before: number;
    after: number;
    violationBefore: number;
    violationAfter: number;
    holds: boolean;
  }[];
  yields: { rule: string; to: string[] }[];
}
