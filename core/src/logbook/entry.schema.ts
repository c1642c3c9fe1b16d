import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { families, findingKinds, findingStatuses, measureGroups, practiceNames, scopes } from '../vocabulary';
import { lengthUnits } from '../units/units';

const text = (most: number) => ({ type: 'string', maxLength: most, pattern: '\\S' }) as const;
const freeText = (most: number) => ({ type: 'string', maxLength: most }) as const;
const uuid = { type: 'string', format: 'uuid' } as const;
const minutes = { type: 'number', minimum: 0, maximum: 100000 } as const;
/** `group:part` or `group:*` */
const measurePattern = { type: 'string', pattern: '^[a-z-]+:(\\*|[a-z0-9-]+)$', maxLength: 80 } as const;

const gauge = {
  type: 'object',
  properties: {
    id: text(60),
    name: text(80),
    resolution: { type: 'number', minimum: 0, maximum: 10 },
    maxPermissibleError: { type: 'number', minimum: 0, maximum: 10 },
  },
  required: ['id', 'name', 'resolution', 'maxPermissibleError'],
  additionalProperties: false,
} as const;

const point = {
  type: 'object',
  properties: {
    group: { enum: measureGroups },
    part: { type: 'string', pattern: '^[a-z0-9-]+$', maxLength: 60 },
    measure: { enum: ['gap', 'height', 'diameter'] },
    clock: { type: 'number', minimum: 0, exclusiveMaximum: 360 },
  },
  required: ['group', 'part', 'measure', 'clock'],
  additionalProperties: false,
} as const;

/** The body of each kind of entry. One place; the server, the browser and the import all validate against these. */
export const entryBodies = {
  'intake': {
    type: 'object',
    properties: {
      ticket: { type: 'string', pattern: '^[A-Za-z0-9][A-Za-z0-9-]{0,19}$' },
      owner: text(120),
      contact: freeText(200),
      instrumentType: { type: 'string', pattern: '^[a-z0-9-]+$', maxLength: 60 },
      maker: freeText(120),
      model: freeText(120),
      serial: freeText(60),
      made: freeText(60),
      material: freeText(120),
      finish: freeText(120),
      complaint: freeText(2000),
      playing: freeText(1000),
      lastPadded: freeText(120),
      mayChange: freeText(1000),
      testPlay: freeText(2000),
      photographed: { type: 'boolean' },
      protectedMaterial: { type: 'boolean' },
      family: { enum: families },
      practice: { enum: practiceNames },
      scope: { enum: scopes },
      unit: { enum: lengthUnits },
      dueBy: { type: 'string', format: 'date' },
    },
    required: ['ticket', 'owner', 'instrumentType', 'family', 'practice', 'scope', 'unit'],
    additionalProperties: false,
  },
  'reading': {
    type: 'object',
    properties: {
      point,
      value: { type: 'number', minimum: -1000, maximum: 10000, description: 'millimetres' },
      typed: { ...freeText(40), description: 'as it was typed, with its unit' },
      gauge,
    },
    required: ['point', 'value', 'typed', 'gauge'],
    additionalProperties: false,
  },
  'finding': {
    type: 'object',
    properties: {
      finding: { ...uuid, description: 'stays the same through the history of one finding' },
      kind: { enum: findingKinds },
      part: { type: 'string', pattern: '^[a-z0-9-]+$', maxLength: 60 },
      severity: { type: 'integer', minimum: 1, maximum: 3 },
      status: { enum: findingStatuses },
      note: freeText(2000),
      reason: freeText(1000),
      suggestion: { ...freeText(120), description: 'the suggestion this answers' },
      evidence: { type: 'array', items: uuid, maxItems: 400 },
    },
    required: ['finding', 'kind', 'part', 'severity', 'status'],
    additionalProperties: false,
  },
  'operation-started': {
    type: 'object',
    properties: { operation: text(120), cautionsAccepted: { type: 'array', items: text(60), maxItems: 30 } },
    required: ['operation', 'cautionsAccepted'],
    additionalProperties: false,
  },
  'operation-done': {
    type: 'object',
    properties: {
      operation: text(120),
      title: text(200),
      minutes,
      disturbs: { type: 'array', items: measurePattern, maxItems: 60 },
      cures: { type: 'array', items: text(80), maxItems: 200 },
      note: freeText(2000),
      override: { ...text(1000), description: 'why it was done although its gate was closed' },
    },
    required: ['operation', 'title', 'minutes', 'disturbs', 'cures'],
    additionalProperties: false,
  },
  'operation-skipped': {
    type: 'object',
    properties: {
      operation: text(120),
      title: text(200),
      reason: text(1000),
      leaves: { type: 'array', items: text(80), maxItems: 200, description: 'findings that stay as stop-gaps' },
    },
    required: ['operation', 'title', 'reason', 'leaves'],
    additionalProperties: false,
  },
  'note': {
    type: 'object',
    properties: { text: text(4000), part: freeText(60) },
    required: ['text'],
    additionalProperties: false,
  },
  'decision': {
    type: 'object',
    properties: { question: text(400), choice: text(1000), reason: text(2000) },
    required: ['question', 'choice', 'reason'],
    additionalProperties: false,
  },
  'practice-change': {
    type: 'object',
    properties: { practice: { enum: practiceNames }, reason: text(1000) },
    required: ['practice', 'reason'],
    additionalProperties: false,
  },
  'time': {
    type: 'object',
    properties: { minutes, what: text(400), operation: freeText(120) },
    required: ['minutes', 'what'],
    additionalProperties: false,
  },
  'sign-off': {
    type: 'object',
    properties: {
      checkUp: { type: 'string', format: 'date' },
      ownerCautions: { type: 'array', items: text(400), maxItems: 20 },
      summary: freeText(4000),
    },
    required: ['ownerCautions'],
    additionalProperties: false,
  },
  'strike': {
    type: 'object',
    properties: { entry: uuid, reason: freeText(400) },
    required: ['entry'],
    additionalProperties: false,
  },
} as const satisfies Record<string, JSONSchema>;

export type EntryKind = keyof typeof entryBodies;
/** Named one by one: as a mapped type the compiler spells out every combination of every kind. */
interface EntryBodies {
  'intake': FromSchema<(typeof entryBodies)['intake']>;
  'reading': FromSchema<(typeof entryBodies)['reading']>;
  'finding': FromSchema<(typeof entryBodies)['finding']>;
  'operation-started': FromSchema<(typeof entryBodies)['operation-started']>;
  'operation-done': FromSchema<(typeof entryBodies)['operation-done']>;
  'operation-skipped': FromSchema<(typeof entryBodies)['operation-skipped']>;
  'note': FromSchema<(typeof entryBodies)['note']>;
  'decision': FromSchema<(typeof entryBodies)['decision']>;
  'practice-change': FromSchema<(typeof entryBodies)['practice-change']>;
  'time': FromSchema<(typeof entryBodies)['time']>;
  'sign-off': FromSchema<(typeof entryBodies)['sign-off']>;
  'strike': FromSchema<(typeof entryBodies)['strike']>;
}
export type EntryBody<K extends EntryKind> = EntryBodies[K];
export const entryKinds = Object.keys(entryBodies) as EntryKind[];

const envelope = {
  id: uuid,
  author: text(80),
  benchTime: { type: 'string', format: 'date-time', maxLength: 40 },
} as const;

/** An entry as a client writes it. */
export const newEntrySchema = {
  type: 'object',
  properties: { ...envelope, kind: { enum: entryKinds }, body: { type: 'object' } },
  required: ['id', 'kind', 'body', 'author', 'benchTime'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** An entry as the logbook keeps it and a job document carries it. */
export const storedEntrySchema = {
  type: 'object',
  properties: {
    ...newEntrySchema.properties,
    seq: { type: 'integer', minimum: 1 },
    receivedAt: { type: 'string', format: 'date-time', maxLength: 40 },
  },
  required: [...newEntrySchema.required, 'seq', 'receivedAt'],
  additionalProperties: false,
} as const satisfies JSONSchema;
