import { text } from '../validation/plain.schema';
import { toleranceNames } from '../vocabulary';

/** Limits that stand in place of those of the practice, each with its reason. Also kept by the shop as a profile. */
export const limitChanges = {
  type: 'array',
  maxItems: 60,
  items: {
    type: 'object',
    properties: {
      name: { enum: toleranceNames },
      limit: {
        description: 'an upper limit, or a band from low to high, in the unit of the limit',
        anyOf: [
          { type: 'number', minimum: 0, maximum: 1000 },
          { type: 'array', items: { type: 'number', minimum: 0, maximum: 1000 }, minItems: 2, maxItems: 2 },
        ],
      },
      reason: text(400),
    },
    required: ['name', 'limit', 'reason'],
    additionalProperties: false,
  },
} as const;
