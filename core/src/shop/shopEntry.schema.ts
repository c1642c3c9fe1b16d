import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { limitChanges } from '../logbook/entry.schema';
import { gaugeKinds, practiceNames } from '../vocabulary';

const text = (most: number) => ({ type: 'string', maxLength: most, pattern: '\\S' }) as const;
const id = { type: 'string', pattern: '^[a-z0-9]+(-[a-z0-9]+)*$', maxLength: 60 } as const;
const date = { type: 'string', format: 'date' } as const;

/** What the shop itself writes down, beside its jobs: its gauges, their zero checks, its own sets of limits. */
export const shopEntryBodies = {
  'gauge': {
    type: 'object',
    properties: {
      id,
      name: text(80),
      kind: { enum: gaugeKinds },
      resolution: { type: 'number', minimum: 0, maximum: 10 },
      maxPermissibleError: { type: 'number', minimum: 0, maximum: 10 },
      calibratedOn: date,
      calibrateEvery: { type: 'integer', minimum: 1, maximum: 240, description: 'months' },
      retired: { type: 'boolean' },
    },
    required: ['id', 'name', 'kind', 'resolution', 'maxPermissibleError', 'calibrateEvery'],
    additionalProperties: false,
  },
  'gauge-check': {
    type: 'object',
    properties: {
      gauge: id,
      shows: { type: 'number', minimum: -1000, maximum: 1000, description: 'what it shows where it should show 0' },
      note: { type: 'string', maxLength: 400 },
    },
    required: ['gauge', 'shows'],
    additionalProperties: false,
  },
  'profile': {
    type: 'object',
    properties: {
      id,
      name: text(80),
      base: { enum: practiceNames },
      changes: limitChanges,
      retired: { type: 'boolean' },
    },
    required: ['id', 'name', 'base', 'changes'],
    additionalProperties: false,
  },
} as const satisfies Record<string, JSONSchema>;

export type ShopEntryKind = keyof typeof shopEntryBodies;
interface ShopBodies {
  'gauge': FromSchema<(typeof shopEntryBodies)['gauge']>;
  'gauge-check': FromSchema<(typeof shopEntryBodies)['gauge-check']>;
  'profile': FromSchema<(typeof shopEntryBodies)['profile']>;
}
export type ShopEntryBody<K extends ShopEntryKind> = ShopBodies[K];
export const shopEntryKinds = Object.keys(shopEntryBodies) as ShopEntryKind[];

/** An entry of the shop's own logbook as a client writes it. */
export const newShopEntrySchema = {
  type: 'object',
  properties: {
    id: { type: 'string', format: 'uuid' },
    kind: { enum: shopEntryKinds },
    body: { type: 'object' },
    author: text(80),
    benchTime: { type: 'string', format: 'date-time', maxLength: 40 },
  },
  required: ['id', 'kind', 'body', 'author', 'benchTime'],
  additionalProperties: false,
} as const satisfies JSONSchema;
