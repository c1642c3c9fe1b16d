import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import {
  benchResources,
  families,
  findingKinds,
  practiceNames,
  practiceQuestions,
  scopes,
  springFaults,
  stages,
} from '../vocabulary';
import { spotSchema } from '../instruments/spot.schema';
import type { OwnSettings } from '../practice';
import type { CureRule, StandingRule } from './cureRules';
import type { OperationKind } from './operations';
import {
  cureRuleSchema,
  operationKindSchema,
  operationName,
  settingsSchema,
  standingRuleSchema,
} from './operation.schema';

const id = { type: 'string', minLength: 1, maxLength: 200 } as const;
const minutes = { type: 'number', minimum: 0 } as const;
const strings = { type: 'array', items: { type: 'string' } } as const;
const count = { type: 'integer', minimum: 0, maximum: 200 } as const;
const range = {
  type: 'object',
  properties: { low: minutes, likely: minutes, high: minutes },
  required: ['low', 'likely', 'high'],
  additionalProperties: false,
} as const;

const core = {
  family: { enum: families },
  body: { enum: ['metal', 'wood'] },
  practice: { enum: practiceNames },
  scope: { enum: scopes },
  findings: {
    type: 'array',
    maxItems: 2000,
    items: {
      type: 'object',
      properties: {
        id,
        kind: { enum: findingKinds },
        part: id,
        severity: { type: 'integer', minimum: 1, maximum: 3 },
        spring: { enum: springFaults, description: 'of a spring: what is wrong with it' },
        nearSeal: { type: 'boolean', description: 'of a dent: within its own width of a rim, a post or a joint' },
        nearFitting: {
          type: 'boolean',
          description: 'of a dent: a guard, a brace or another fitting stands beside it',
        },
        place: { ...spotSchema, description: 'the spot on the tube, where one is known' },
        width: {
          type: 'number',
          exclusiveMinimum: 0,
          maximum: 500,
          description: 'of a dent: how wide it is, where it was written down, mm',
        },
        curedBy: { ...id, description: 'the operation that has cured it already' },
      },
      required: ['id', 'kind', 'part', 'severity'],
      additionalProperties: false,
    },
  },
  spareFinish: {
    type: 'boolean',
    description: 'brittle old lacquer, thin plate or sharp engraving: nothing is polished',
  },
  done: { type: 'array', items: id, maxItems: 4000, default: [] },
  kept: {
    type: 'array',
    items: id,
    maxItems: 4000,
    description: 'operations that stay, whatever the rules ask for now',
  },
  size: {
    type: 'object',
    description: 'how many of each the instrument has, for work that grows with them',
    properties: { pads: count, keys: count, holes: count },
    required: ['pads', 'keys', 'holes'],
    additionalProperties: false,
  },
  byHand: {
    type: 'array',
    maxItems: 500,
    description: 'changes made by hand: steps added, put before others, given other times',
    items: {
      type: 'object',
      properties: {
        operation: id,
        add: {
          type: 'object',
          properties: { kind: operationName, part: id },
          required: ['kind', 'part'],
          additionalProperties: false,
        },
        before: id,
        minutes: range,
        reason: { type: 'string', maxLength: 1000 },
      },
      required: ['operation'],
      additionalProperties: false,
    },
  },
} as const;

export const planInput = {
  type: 'object',
  properties: {
    ...core,
    settings: { ...settingsSchema, description: 'sides taken otherwise than the practice takes them' },
    custom: {
      type: 'object',
      description: 'what a shop has added to the tables',
      properties: {
        operations: {
          type: 'array',
          maxItems: 200,
          items: {
            ...operationKindSchema,
            properties: { kind: operationName, ...operationKindSchema.properties },
            required: ['kind', ...operationKindSchema.required],
          },
        },
        cures: { type: 'array', items: cureRuleSchema, maxItems: 200 },
        standing: { type: 'array', items: standingRuleSchema, maxItems: 200 },
      },
      required: ['operations', 'cures', 'standing'],
      additionalProperties: false,
    },
  },
  required: ['family', 'body', 'practice', 'scope', 'findings'],
  additionalProperties: false,
} as const satisfies JSONSchema;

interface CoreObject {
  type: 'object';
  properties: typeof core;
  required: ['family', 'body', 'practice', 'scope', 'findings'];
  additionalProperties: false;
}

/** What a shop has added to the tables of work. */
export interface CustomWork {
  operations: readonly (OperationKind & { kind: string })[];
  cures: readonly CureRule[];
  standing: readonly StandingRule[];
}
export type PlanInput = FromSchema<CoreObject, { keepDefaultedPropertiesOptional: true }> & {
  settings?: OwnSettings;
  custom?: CustomWork;
};
export type HandChange = NonNullable<PlanInput['byHand']>[number];

export const planOutput = {
  type: 'object',
  properties: {
    operations: {
      type: 'array',
      items: {
        type: 'object',
        properties: {
          id,
          stage: { enum: stages },
          kind: { type: 'string' },
          part: { type: 'string' },
          title: { type: 'string' },
          minutes: range,
          unattended: minutes,
          after: {
            type: 'array',
            items: {
              type: 'object',
              properties: { id, reason: { type: 'string' } },
              required: ['id', 'reason'],
              additionalProperties: false,
            },
          },
          disturbs: strings,
          needs: strings,
          cautions: strings,
          cures: strings,
          reversible: { type: 'boolean' },
          done: { type: 'boolean' },
          resource: { enum: [...benchResources, null] },
          chosenBy: { type: 'array', items: { enum: practiceQuestions } },
          byHand: { type: 'boolean' },
          keys: { ...strings, description: 'keys that are taken off or put back, where not all of them are' },
          also: { ...strings, description: 'measures it upsets too, and puts right before it ends' },
          asks: { ...strings, description: 'measures that must be fresh for it although later work disturbs them' },
        },
        required: [
          'id',
          'stage',
          'kind',
          'part',
          'title',
          'minutes',
          'unattended',
          'after',
          'disturbs',
          'needs',
          'cautions',
          'cures',
          'reversible',
          'done',
          'resource',
          'chosenBy',
          'byHand',
        ],
        additionalProperties: false,
      },
    },
    left: {
      type: 'array',
      items: {
        type: 'object',
        properties: { finding: id, reason: { type: 'string' } },
        required: ['finding', 'reason'],
        additionalProperties: false,
      },
    },
    unkept: {
      type: 'array',
      description: 'changes made by hand that the rules do not allow now; they are kept and tried again',
      items: {
        type: 'object',
        properties: { operation: id, before: id, reason: { type: 'string' } },
        required: ['operation', 'before', 'reason'],
        additionalProperties: false,
      },
    },
  },
  required: ['operations', 'left', 'unkept'],
} as const satisfies JSONSchema;
export type PlanOutput = FromSchema<typeof planOutput>;
export type PlannedOperation = PlanOutput['operations'][number];
