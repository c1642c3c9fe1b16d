import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { daySchema, text } from '../validation/plain.schema';
import { gaugeKinds } from '../vocabulary';
import { put, says } from '../logbook';
import { ownScaleSchema } from '../metrology/scale.schema';
import { keptId, retired } from './ids.schema';
import { keptWords, type ShopKind } from './kind';

const body = {
  type: 'object',
  properties: {
    id: keptId,
    name: text(80),
    kind: { enum: gaugeKinds },
    resolution: { type: 'number', minimum: 0, maximum: 10 },
    maxPermissibleError: { type: 'number', minimum: 0, maximum: 10 },
    calibratedOn: daySchema,
    calibrateEvery: { type: 'integer', minimum: 1, maximum: 240, description: 'months' },
    scale: { ...ownScaleSchema, description: 'of a tester with a scale of its own; its step and error are in that' },
    retired,
  },
  required: ['id', 'name', 'kind', 'resolution', 'maxPermissibleError', 'calibrateEvery'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A gauge on the shelf, what it is good for and until when. */
export const gauge: ShopKind<'gauge', FromSchema<typeof body>> = {
  body,
  problems: ({ kind, scale }) => {
    if (kind === 'leak-scale' && !scale) return says('scale', 'its closed and its open mark must be known');
    return scale && scale.closed === scale.open ? says('scale/open', 'must differ from the closed mark') : [];
  },
  fold: (draft, entry) => {
    const { calibratedOn = null, retired: away = false, ...kept } = entry.body;
    draft.gauges = put(draft.gauges, { ...kept, calibratedOn, retired: away });
  },
  words: ({ name, retired: away }) => keptWords('Gauge', name, away),
  bears: false,
};
