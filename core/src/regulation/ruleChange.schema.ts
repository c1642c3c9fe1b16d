import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { text } from '../validation/plain.schema';

/** The id of a rule that is worked out: of the type, or of a stack. */
const ruleId = { type: 'string', pattern: '^[a-z0-9]+(-[a-z0-9]+)*$', maxLength: 120 } as const;

/** What somebody wants otherwise of one rule. */
export const ruleChangeProperties = {
  rule: ruleId,
  asked: { type: 'boolean', description: 'false: nothing is asked of this rule any more' },
  rank: { type: 'integer', minimum: 1, maximum: 9, description: '1 gives way last' },
  range: {
    type: 'array',
    minItems: 2,
    maxItems: 2,
    items: { type: 'number', minimum: -5, maximum: 5 },
    description: 'of a lateness or of play: from where to where it holds, mm',
  },
  words: text(300),
  accepted: { type: 'boolean', description: 'it does not hold, and is left so: a compromise' },
  withdrawn: { type: 'boolean', description: 'it stands again as it was' },
  reason: text(400),
} as const;

const ruleChange = {
  type: 'object',
  properties: ruleChangeProperties,
  required: ['rule', 'reason'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type RuleChange = FromSchema<typeof ruleChange>;
export const ruleChangeSchema = ruleChange;
