import { partId } from './instrumentType.schema';

/** A spot on the tube. */
export const spotSchema = {
  type: 'object',
  properties: {
    section: partId,
    at: { type: 'number', minimum: 0, maximum: 5000, description: 'mm from the upper end of the section' },
    clock: { type: 'number', minimum: 0, exclusiveMaximum: 360 },
  },
  required: ['section', 'at', 'clock'],
  additionalProperties: false,
} as const;
