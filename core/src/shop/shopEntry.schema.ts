import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { currency, limitChanges, unreadableBody } from '../logbook/entry.schema';
import type { CureRule, OperationKind, RuleCondition } from '../plan';
import {
  cureRuleSchema,
  operationKindSchema,
  operationName,
  settingsSchema,
  standingRuleSchema,
} from '../plan/operation.schema';
import type { OwnSettings } from '../practice';
import type { ScheduleWeek } from '../schedule';
import { calendarHours } from '../schedule/schedule.schema';
import { daySchema, momentSchema, uuidSchema } from '../validation/plain.schema';
import { costKinds, gaugeKinds, practiceNames, stages, type BenchResource } from '../vocabulary';

const text = (most: number) => ({ type: 'string', maxLength: most, pattern: '\\S' }) as const;
const id = { type: 'string', pattern: '^[a-z0-9]+(-[a-z0-9]+)*$', maxLength: 60 } as const;
/** Ids of cautions are written as `leakLight` or `own-caution`. */
const operationNameLike = { type: 'string', pattern: '^[A-Za-z0-9-]+$', maxLength: 60 } as const;
const retired = { type: 'boolean' } as const;
const date = daySchema;

const ref = {
  type: 'object',
  properties: { ticket: text(20), operation: text(120) },
  required: ['ticket', 'operation'],
  additionalProperties: false,
} as const;
const dates = { type: 'array', items: date, maxItems: 400 } as const;
const money = {
  type: 'integer',
  minimum: 0,
  maximum: 100_000_000,
  description: 'minor units of the currency',
} as const;

/**
 * What the shop itself writes down, beside its jobs: its gauges and their zero checks, its own practices, work, rules
 * and cautions, its people and hours, what it charges, and which of two jobs goes first.
 */
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
      settings: { ...settingsSchema, description: 'sides taken otherwise than the practice it was copied from' },
      retired,
    },
    required: ['id', 'name', 'base', 'changes'],
    additionalProperties: false,
  },
  'operation': {
    type: 'object',
    description: 'work of the shop’s own, or a shipped step written anew',
    properties: { id: operationName, work: operationKindSchema, standing: standingRuleSchema.properties.when, retired },
    required: ['id', 'work'],
    additionalProperties: false,
  },
  'cure-rule': {
    type: 'object',
    description: 'what the shop does about a kind of finding; comes before the shipped rules',
    properties: { id, rule: cureRuleSchema, retired },
    required: ['id', 'rule'],
    additionalProperties: false,
  },
  'caution': {
    type: 'object',
    description: 'the shop’s own words for a caution, or one of its own; none can be taken away',
    properties: {
      id: operationNameLike,
      text: text(600),
      operations: {
        type: 'array',
        items: operationName,
        maxItems: 100,
        description: 'steps a caution of its own goes with',
      },
      reason: text(400),
    },
    required: ['id', 'text', 'operations', 'reason'],
    additionalProperties: false,
  },
  'hours': {
    type: 'object',
    properties: {
      ...calendarHours,
      closed: dates,
      resources: {
        type: 'object',
        properties: {
          oven: { type: 'integer', minimum: 1, maximum: 20 },
          vice: { type: 'integer', minimum: 1, maximum: 20 },
        },
        required: ['oven', 'vice'],
        additionalProperties: false,
      },
    },
    required: ['timeZone', 'week', 'closed', 'resources'],
    additionalProperties: false,
  },
  'person': {
    type: 'object',
    properties: {
      id,
      name: text(80),
      skills: {
        type: 'array',
        items: { enum: stages },
        uniqueItems: true,
        maxItems: 17,
        description: 'stages; none named means all',
      },
      week: calendarHours.week,
      away: dates,
      retired,
    },
    required: ['id', 'name', 'skills'],
    additionalProperties: false,
  },
  'rates': {
    type: 'object',
    properties: {
      currency,
      hourly: money,
      taxPercent: { type: 'number', minimum: 0, maximum: 100 },
      roundTo: {
        type: 'integer',
        minimum: 1,
        maximum: 100_000,
        description: 'sums are rounded to this many minor units',
      },
    },
    required: ['currency', 'hourly', 'taxPercent', 'roundTo'],
    additionalProperties: false,
  },
  'price': {
    type: 'object',
    description: 'what a step uses up or has done outside',
    properties: {
      id,
      what: text(120),
      kind: { enum: costKinds },
      amount: money,
      per: { enum: ['step', 'pads', 'keys', 'holes'] },
      operations: { type: 'array', items: operationName, minItems: 1, maxItems: 60 },
      retired,
    },
    required: ['id', 'what', 'kind', 'amount', 'per', 'operations'],
    additionalProperties: false,
  },
  'bench-order': {
    type: 'object',
    description: 'a step of one job is done before a step of another',
    properties: { first: ref, second: ref, withdrawn: { type: 'boolean' }, reason: { type: 'string', maxLength: 400 } },
    required: ['first', 'second'],
    additionalProperties: false,
  },
  'strike': {
    type: 'object',
    description: 'takes back an entry, which stays readable',
    properties: { entry: uuidSchema, reason: { type: 'string', maxLength: 400 } },
    required: ['entry'],
    additionalProperties: false,
  },
  'unreadable': unreadableBody,
} as const satisfies Record<string, JSONSchema>;

/** When the shop is open, and how many there are of what a step can hold. */
export interface ShopHours {
  timeZone: string;
  week: ScheduleWeek;
  /** days it is closed, ISO dates */
  closed: string[];
  resources: Record<BenchResource, number>;
}

export type ShopEntryKind = keyof typeof shopEntryBodies;
interface ShopBodies {
  'gauge': FromSchema<(typeof shopEntryBodies)['gauge']>;
  'gauge-check': FromSchema<(typeof shopEntryBodies)['gauge-check']>;
  'profile': Omit<FromSchema<(typeof shopEntryBodies)['profile']>, 'settings'> & { settings?: OwnSettings };
  'operation': { id: string; work: OperationKind; standing?: RuleCondition; retired?: boolean };
  'cure-rule': { id: string; rule: CureRule; retired?: boolean };
  'caution': FromSchema<(typeof shopEntryBodies)['caution']>;
  'hours': ShopHours;
  'person': Omit<FromSchema<(typeof shopEntryBodies)['person']>, 'week'> & { week?: ScheduleWeek };
  'rates': FromSchema<(typeof shopEntryBodies)['rates']>;
  'price': FromSchema<(typeof shopEntryBodies)['price']>;
  'bench-order': FromSchema<(typeof shopEntryBodies)['bench-order']>;
  'strike': FromSchema<(typeof shopEntryBodies)['strike']>;
  'unreadable': FromSchema<(typeof shopEntryBodies)['unreadable']>;
}
export type ShopEntryBody<K extends ShopEntryKind> = ShopBodies[K];
export const shopEntryKinds = Object.keys(shopEntryBodies) as ShopEntryKind[];

/** An entry of the shop's own logbook as a client writes it. */
export const newShopEntrySchema = {
  type: 'object',
  properties: {
    id: uuidSchema,
    kind: { enum: shopEntryKinds },
    body: { type: 'object' },
    author: text(80),
    benchTime: momentSchema,
  },
  required: ['id', 'kind', 'body', 'author', 'benchTime'],
  additionalProperties: false,
} as const satisfies JSONSchema;
