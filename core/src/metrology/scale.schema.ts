import { text } from '../validation/plain.schema';

const mark = { type: 'number', minimum: -100_000, maximum: 100_000 } as const;

/** A scale that is a tester's own, by what it shows when everything is shut and when everything is open. */
export const ownScaleSchema = {
  type: 'object',
  properties: { unit: text(20), closed: mark, open: mark },
  required: ['unit', 'closed', 'open'],
  additionalProperties: false,
} as const;
