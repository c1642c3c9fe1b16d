import { partId } from '../instruments/instrumentType.schema';
import { measureGroups, measures } from '../vocabulary';

/** Keys held down while a link is looked at from its driver. */
export const heldSchema = {
  type: 'array',
  items: partId,
  minItems: 1,
  maxItems: 8,
  uniqueItems: true,
  description: 'keys held down meanwhile, where a link is looked at with its neighbours down',
} as const;

/** A place where a figure is taken. */
export const measuringPointSchema = {
  type: 'object',
  properties: {
    group: { enum: measureGroups },
    part: { type: 'string', pattern: '^[a-z0-9-]+$', maxLength: 60 },
    measure: { enum: measures },
    clock: { type: 'number', minimum: 0, exclusiveMaximum: 360, description: '0 where the measure has no direction' },
    at: { type: 'number', minimum: 0, maximum: 5000, description: 'mm along the part, where it is taken at stations' },
    held: heldSchema,
  },
  required: ['group', 'part', 'measure', 'clock'],
  additionalProperties: false,
} as const;

/** What an entry disturbs: `group:part` or `group:*`. */
export const measurePattern = { type: 'string', pattern: '^[a-z-]+:(\\*|[a-z0-9-]+)$', maxLength: 80 } as const;
