import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { forcesSchema, idSchema, mechanismProperties } from './mechanism.schema';

export const linkageInput = {
  type: 'object',
  properties: {
    ...mechanismProperties,
    presses: {
      type: 'array',
      minItems: 1,
      maxItems: 200,
      items: {
        type: 'object',
        properties: { id: idSchema, forces: forcesSchema },
        required: ['id', 'forces'],
        additionalProperties: false,
      },
    },
  },
  required: ['keys', 'presses'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type LinkageInput = FromSchema<typeof linkageInput, { keepDefaultedPropertiesOptional: true }>;

const number = { type: 'number' } as const;
export const linkageOutput = {
  type: 'object',
  properties: {
    presses: {
      type: 'array',
      items: {
        type: 'object',
        properties: {
          id: { type: 'string' },
          keys: {
            type: 'array',
            items: {
              type: 'object',
              properties: {
                id: { type: 'string' },
                travel: number,
                sealed: { type: 'boolean' },
                gap: number,
                padForce: number,
              },
              required: ['id', 'travel', 'sealed', 'gap', 'padForce'],
            },
          },
          links: {
            type: 'array',
            items: {
              type: 'object',
              properties: { id: { type: 'string' }, force: number },
              required: ['id', 'force'],
            },
          },
        },
        required: ['id', 'keys', 'links'],
      },
    },
  },
  required: ['presses'],
} as const;

export interface LinkageOutput {
  presses: {
    id: string;
    keys: { id: string; travel: number; sealed: boolean; gap: number; padForce: number }[];
    links: { id: string; force: number }[];
  }[];
}
