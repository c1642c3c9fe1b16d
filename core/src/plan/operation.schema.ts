import { text } from '../validation/plain.schema';
import {
  benchResources,
  families,
  findingKinds,
  materialUses,
  passKinds,
  practiceQuestions,
  practiceSides,
  reaches,
  scopes,
  stages,
  toleranceNames,
  springFaults,
} from '../vocabulary';

const words = (most: number) => ({ type: 'array', items: text(most), maxItems: 30 }) as const;
const minutes = { type: 'number', minimum: 0, maximum: 10000 } as const;
/** `group:{part}` or `group:*` */
const measure = { type: 'string', pattern: '^[a-z-]+:(\\*|\\{part\\}|[a-z0-9-]+)$', maxLength: 80 } as const;
export const operationName = { type: 'string', pattern: '^[a-z0-9]+(-[a-z0-9]+)*$', maxLength: 60 } as const;

const turns = {
  type: 'object',
  additionalProperties: {
    type: 'object',
    properties: { how: words(400), unattended: minutes, pace: { type: 'number', minimum: 0.1, maximum: 10 } },
    additionalProperties: false,
  },
} as const;

/** One kind of work: an entry of the table of operations, or one a shop has added. */
export const operationKindSchema = {
  type: 'object',
  properties: {
    stage: { enum: stages },
    title: { ...text(120), description: '{part} stands for the part it is done on' },
    minutes: { type: 'array', items: minutes, minItems: 3, maxItems: 3, description: 'attended: low, likely, high' },
    unattended: { ...minutes, description: 'minutes of curing, soaking or cooling that follow' },
    disturbs: { type: 'array', items: measure, maxItems: 20 },
    needs: { type: 'array', items: measure, maxItems: 20 },
    cautions: words(60),
    tools: words(80),
    how: words(400),
    reversible: { type: 'boolean' },
    scalesWith: { enum: ['pads', 'keys', 'holes'] },
    resource: { enum: benchResources },
    loop: { type: 'array', items: { enum: passKinds }, maxItems: 4 },
    reach: { type: 'array', items: { enum: toleranceNames }, maxItems: 6 },
    puts: {
      type: 'array',
      items: { enum: materialUses },
      maxItems: 10,
      description: 'what it puts in of what was chosen',
    },
    keysOff: { type: 'boolean' },
    clears: { enum: reaches, description: 'which keys have to come off for it, where not all of them do' },
    spreads: { enum: reaches, description: 'how far it reaches on an instrument that is known' },
    also: { type: 'array', items: measure, maxItems: 20 },
    asks: { type: 'array', items: measure, maxItems: 20 },
    by: turns,
    dry: {
      type: 'object',
      description: 'how it is done where pads lie dry in their cups',
      properties: { how: words(400), tools: words(80), cautions: words(60), unattended: minutes, by: turns },
      additionalProperties: false,
    },
  },
  required: ['stage', 'title', 'minutes', 'disturbs', 'needs', 'cautions', 'tools', 'how', 'reversible'],
  additionalProperties: false,
} as const;

/** Sides taken on some of the questions of a practice. */
export const settingsSchema = {
  type: 'object',
  properties: Object.fromEntries(practiceQuestions.map((question) => [question, { enum: practiceSides[question] }])),
  additionalProperties: false,
} as const;

const when = {
  type: 'object',
  properties: {
    body: { enum: ['metal', 'wood'] },
    scope: { enum: scopes },
    families: { type: 'array', items: { enum: families }, minItems: 1, maxItems: 6 },
    settings: settingsSchema,
    severityBelow: { type: 'integer', minimum: 1, maximum: 4 },
    spring: { enum: springFaults },
    nearSeal: { type: 'boolean' },
    nearFitting: { type: 'boolean' },
    spareFinish: { type: 'boolean' },
    hold: { enum: ['glued', 'dry'] },
  },
  additionalProperties: false,
} as const;

/** What is done about a kind of finding: the first rule that fits counts. */
export const cureRuleSchema = {
  type: 'object',
  properties: {
    finding: { enum: findingKinds },
    when,
    operations: { type: 'array', items: operationName, minItems: 1, maxItems: 6 },
    left: { ...text(300), description: 'why nothing is done; {practice} stands for the name of the practice' },
  },
  required: ['finding'],
  additionalProperties: false,
} as const;

/** What an overhaul or a repair does whatever was found. */
export const standingRuleSchema = {
  type: 'object',
  properties: { operation: operationName, when },
  required: ['operation'],
  additionalProperties: false,
} as const;
