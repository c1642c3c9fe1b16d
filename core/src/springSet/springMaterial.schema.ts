import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { keptId, retired } from '../shop/ids.schema';
import { text } from '../validation/plain.schema';

export const springMaterialSchema = {
  type: 'object',
  description: 'what springs are made of: how stiff, and how far it can be bent before it stays bent',
  properties: {
    id: keptId,
    name: text(60),
    modulus: { type: 'number', exclusiveMinimum: 0, maximum: 1000, description: 'Young’s modulus, GPa' },
    yield: { type: 'number', exclusiveMinimum: 0, maximum: 10_000, description: 'yield strength, MPa' },
    retired,
  },
  required: ['id', 'name', 'modulus', 'yield'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type SpringMaterial = FromSchema<typeof springMaterialSchema>;
