import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { forcesSchema, idSchema, mechanismProperties } from './mechanism.schema';

export const landingInput = {
  type: 'object',
  properties: {
    ...mechanismProperties,
    checks: {
      type: 'array',
      minItems: 1,
      maxItems: 200,
      items: {
        type: 'object',
        properties: {
          id: idSchema,
          press: { ...idSchema, description: 'the key that is pressed harder and harder' },
          held: { ...forcesSchema, default: {}, description: 'newtons that stay on other keys' },
          pads: { type: 'array', minItems: 1, maxItems: 6, items: idSchema },
        },
        required: ['id', 'press', 'pads'],
        additionalProperties: false,
      },
    },
    maxForce: { type: 'number', exclusiveMinimum: 0, maximum: 1000, default: 5, description: 'hardest press tried, N' },
  },
  required: ['keys', 'checks'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type LandingInput = FromSchema<typeof landingInput, { keepDefaultedPropertiesOptional: true }>;

export const landingOutput = {
  type: 'object',
  properties: {
    checks: {
      type: 'array',
      items: {
        type: 'object',
        properties: {
          id: { type: 'string' },
          pads: {
            type: 'array',
            items: {
              type: 'object',
              properties: { id: { type: 'string' }, force: { type: ['number', 'null'] } },
              required: ['id', 'force'],
            },
          },
          lag: { type: ['number', 'null'] },
        },
        required: ['id', 'pads'],
      },
    },
  },
  required: ['checks'],
} as const;

export interface LandingOutput {
  checks: {
    id: string;
    /** in the order they seal; null where one does not seal however hard it is pressed */
    pads: { id: string; force: number | null }[];
    /** of two pads: the gap left under the second when the first seals; negative where the second seals first */
    lag?: number | null;
  }[];
}
