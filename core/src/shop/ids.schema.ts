import { daySchema } from '../validation/plain.schema';

/** The id of something the shop keeps. */
export const keptId = { type: 'string', pattern: '^[a-z0-9]+(-[a-z0-9]+)*$', maxLength: 60 } as const;
/** Put away, but what was written under it still reads. */
export const retired = { type: 'boolean' } as const;
export const dates = { type: 'array', items: daySchema, maxItems: 400 } as const;
/** What something costs, in minor units. */
export const price = {
  type: 'integer',
  minimum: 0,
  maximum: 100_000_000,
  description: 'minor units of the currency',
} as const;
