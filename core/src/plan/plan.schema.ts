import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { families, findingKinds, practiceNames, scopes, stages } from '../vocabulary';

const id = { type: 'string', minLength: 1, maxLength: 200 } as const;
const minutes = { type: 'number', minimum: 0 } as const;
const strings = { type: 'array', items: { type: 'string' } } as const;

export const planInput = {
  type: 'object',
  properties: {
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
        },
        required: ['id', 'kind', 'part', 'severity'],
        additionalProperties: false,
      },
    },
    done: { type: 'array', items: id, maxItems: 4000, default: [] },
  },
  required: ['family', 'body', 'practice', 'scope', 'findings'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type PlanInput = FromSchema<typeof planInput, { keepDefaultedPropertiesOptional: true }>;

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
          minutes: {
            type: 'object',
            properties: { low: minutes, likely: minutes, high: minutes },
            required: ['low', 'likely', 'high'],
            additionalProperties: false,
          },
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
  },
  required: ['operations', 'left'],
} as const satisfies JSONSchema;
export type PlanOutput = FromSchema<typeof planOutput>;
export type PlannedOperation = PlanOutput['operations'][number];
