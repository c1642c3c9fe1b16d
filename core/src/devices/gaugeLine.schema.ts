import type { JSONSchema } from 'json-schema-to-ts';
import { gaugeKinds } from '../vocabulary';

/** One reading as a device sends it: one such object a line. */
export const gaugeLineSchema = {
  type: 'object',
  properties: {
    gauge: { type: 'string', pattern: '^[a-z0-9][a-z0-9-]*$', maxLength: 60, description: 'which device it is' },
    kind: { enum: gaugeKinds },
    name: { type: 'string', maxLength: 80 },
    value: { type: 'number', minimum: -100000, maximum: 100000 },
    unit: { enum: ['mm', 'in', 'thou', 'um', 'N', 'gf', 'mL/min', 'deg', 'C', '%RH', 'cents'] },
    aim: { type: 'string', maxLength: 80, description: 'repeats the token of the point it was pointed at' },
  },
  required: ['gauge', 'kind', 'value', 'unit'],
  additionalProperties: true,
} as const satisfies JSONSchema;
