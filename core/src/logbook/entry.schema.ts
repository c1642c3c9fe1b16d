import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { partId, typeChangeSchema } from '../instruments/instrumentType.schema';
import { operationName, settingsSchema } from '../plan/operation.schema';
import type { OwnSettings } from '../practice';
import { lengthUnits } from '../units/units';
import { daySchema, momentSchema, uuidSchema } from '../validation/plain.schema';
import {
  agreementAnswers,
  costKinds,
  families,
  findingKinds,
  findingStatuses,
  measureGroups,
  measures,
  padHolds,
  partWheres,
  passKinds,
  practiceNames,
  scopes,
  surveyStations,
  toleranceNames,
} from '../vocabulary';

const text = (most: number) => ({ type: 'string', maxLength: most, pattern: '\\S' }) as const;
const freeText = (most: number) => ({ type: 'string', maxLength: most }) as const;
const uuid = uuidSchema;
const minutes = { type: 'number', minimum: 0, maximum: 100000 } as const;
/** `group:part` or `group:*` */
const measurePattern = { type: 'string', pattern: '^[a-z-]+:(\\*|[a-z0-9-]+)$', maxLength: 80 } as const;

/** Integer minor units of a currency: cents, pence. */
const money = { type: 'integer', minimum: -1_000_000_000, maximum: 1_000_000_000 } as const;
const moneyRange = {
  type: 'object',
  properties: { low: money, likely: money, high: money },
  required: ['low', 'likely', 'high'],
  additionalProperties: false,
} as const;
export const currency = { type: 'string', pattern: '^[A-Z]{3}$' } as const;

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

/** A place where a figure is taken. */
export const measuringPointSchema = {
  type: 'object',
  properties: {
    group: { enum: measureGroups },
    part: { type: 'string', pattern: '^[a-z0-9-]+$', maxLength: 60 },
    measure: { enum: measures },
    clock: { type: 'number', minimum: 0, exclusiveMaximum: 360, description: '0 where the measure has no direction' },
    at: { type: 'number', minimum: 0, maximum: 5000, description: 'mm along the part, where it is taken at stations' },
  },
  required: ['group', 'part', 'measure', 'clock'],
  additionalProperties: false,
} as const;

const point = measuringPointSchema;

/** Limits that stand in place of those of the practice, each with its reason. Also kept by the shop as a profile. */
export const limitChanges = {
  type: 'array',
  maxItems: 60,
  items: {
    type: 'object',
    properties: {
      name: { enum: toleranceNames },
      limit: {
        description: 'an upper limit, or a band from low to high, in the unit of the limit',
        anyOf: [
          { type: 'number', minimum: 0, maximum: 1000 },
          { type: 'array', items: { type: 'number', minimum: 0, maximum: 1000 }, minItems: 2, maxItems: 2 },
        ],
      },
      reason: text(400),
    },
    required: ['name', 'limit', 'reason'],
    additionalProperties: false,
  },
} as const;

/** A spot on the tube. */
const spot = {
  type: 'object',
  properties: {
    section: partId,
    at: { type: 'number', minimum: 0, maximum: 5000, description: 'mm from the upper end of the section' },
    clock: { type: 'number', minimum: 0, exclusiveMaximum: 360 },
  },
  required: ['section', 'at', 'clock'],
  additionalProperties: false,
} as const;

/** A place on the screw board: row letter and column number. */
const cell = { type: 'string', pattern: '^[A-Z][1-9][0-9]?$' } as const;
/** A share of the width or height of a picture. */
const share = { type: 'number', minimum: 0, maximum: 1 } as const;

/** Stands in either logbook for an entry that came back from the database as nothing that can be read. */
export const unreadableBody = {
  type: 'object',
  description: 'stands for an entry that came back from the database as nothing that can be read; nobody writes it',
  properties: {
    kind: { ...freeText(60), description: 'the kind it said it was' },
    problem: freeText(400),
    was: { ...freeText(20000), description: 'its body, as text' },
  },
  required: ['kind', 'problem', 'was'],
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
      instrumentType: partId,
      options: { type: 'array', items: partId, maxItems: 12, description: 'options of the type this one has' },
      type: { type: 'object', description: 'the whole instrument type, where it is not one of those that ship' },
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
      dueBy: daySchema,
    },
    required: ['ticket', 'owner', 'instrumentType', 'family', 'practice', 'scope', 'unit'],
    additionalProperties: false,
  },
  'reading': {
    type: 'object',
    properties: {
      point,
      value: {
        type: 'number',
        minimum: -1000,
        maximum: 10000,
        description: 'in the unit of the measure: mm; a leak in mL/min, a force in N',
      },
      typed: { ...freeText(40), description: 'as it was typed, with its unit' },
      gauge,
      temperature: { type: 'number', minimum: -30, maximum: 60, description: 'of the room, °C, where wood is read' },
      humidity: { type: 'number', minimum: 0, maximum: 100, description: 'of the room, % relative' },
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
      place: spot,
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
  'tolerances': {
    type: 'object',
    properties: {
      profile: { ...text(80), description: 'what this set of limits is called' },
      changes: limitChanges,
      settings: { ...settingsSchema, description: 'sides taken otherwise than the practice takes them' },
      reason: text(1000),
    },
    required: ['profile', 'changes', 'reason'],
    additionalProperties: false,
  },
  'pass': {
    type: 'object',
    description: 'one correction of a loop: act a little, measure, act again',
    properties: {
      pass: { enum: passKinds },
      group: { enum: measureGroups },
      part: partId,
      amount: {
        type: 'number',
        minimum: 0,
        maximum: 1000,
        description: 'how far it was set: degrees for straightening and turning, else mm or steps of the tool',
      },
      disturbs: { type: 'array', items: measurePattern, maxItems: 60 },
      note: freeText(1000),
    },
    required: ['pass', 'group', 'part', 'disturbs'],
    additionalProperties: false,
  },
  'round': {
    type: 'object',
    properties: {
      round: { ...uuid, description: 'stays the same until the round is over' },
      name: text(120),
      points: { type: 'array', items: point, minItems: 1, maxItems: 3000 },
    },
    required: ['round', 'name', 'points'],
    additionalProperties: false,
  },
  'round-skip': {
    type: 'object',
    properties: { round: uuid, point, reason: freeText(400) },
    required: ['round', 'point'],
    additionalProperties: false,
  },
  'round-over': {
    type: 'object',
    properties: { round: uuid, note: freeText(1000) },
    required: ['round'],
    additionalProperties: false,
  },
  'plan-change': {
    type: 'object',
    description: 'a change of the plan made by hand; the newest for an operation counts',
    properties: {
      operation: text(120),
      add: {
        type: 'object',
        properties: { kind: operationName, part: partId },
        required: ['kind', 'part'],
        additionalProperties: false,
      },
      before: { ...text(120), description: 'the operation it is put before' },
      minutes: {
        type: 'object',
        properties: { low: minutes, likely: minutes, high: minutes },
        required: ['low', 'likely', 'high'],
        additionalProperties: false,
      },
      withdrawn: { type: 'boolean', description: 'takes earlier changes of this operation back' },
      reason: text(1000),
    },
    required: ['operation', 'reason'],
    additionalProperties: false,
  },
  'timer': {
    type: 'object',
    properties: {
      operation: text(120),
      act: { enum: ['pause', 'resume', 'set'] },
      minutes: { ...minutes, description: 'what was really worked so far, where the clock is set right' },
    },
    required: ['operation', 'act'],
    additionalProperties: false,
  },
  'cost': {
    type: 'object',
    properties: {
      cost: { ...uuid, description: 'stays the same; the newest entry counts' },
      kind: { enum: costKinds },
      what: text(200),
      amount: { ...money, description: 'without tax' },
      dropped: { type: 'boolean' },
    },
    required: ['cost', 'kind', 'what', 'amount'],
    additionalProperties: false,
  },
  'estimate': {
    type: 'object',
    description: 'what the owner was offered, as it was worked out on that day',
    properties: {
      estimate: uuid,
      title: text(120),
      practice: { enum: practiceNames },
      scope: { enum: scopes },
      changeOf: { ...uuid, description: 'the agreed estimate this adds to' },
      currency,
      taxPercent: { type: 'number', minimum: 0, maximum: 100 },
      lines: {
        type: 'array',
        maxItems: 200,
        items: {
          type: 'object',
          properties: { kind: { enum: ['labour', ...costKinds] }, what: text(200), amount: moneyRange },
          required: ['kind', 'what', 'amount'],
          additionalProperties: false,
        },
      },
      minutes: {
        type: 'object',
        properties: { low: minutes, likely: minutes, high: minutes },
        required: ['low', 'likely', 'high'],
        additionalProperties: false,
      },
      total: { ...moneyRange, description: 'with tax' },
      operations: { type: 'array', items: text(120), maxItems: 1000 },
      leaves: {
        type: 'array',
        maxItems: 500,
        items: {
          type: 'object',
          properties: { what: text(300), why: text(1000) },
          required: ['what', 'why'],
          additionalProperties: false,
        },
      },
      note: freeText(2000),
    },
    required: [
      'estimate',
      'title',
      'practice',
      'scope',
      'currency',
      'taxPercent',
      'lines',
      'minutes',
      'total',
      'operations',
      'leaves',
    ],
    additionalProperties: false,
  },
  'agreement': {
    type: 'object',
    properties: {
      estimate: uuid,
      answer: { enum: agreementAnswers },
      on: daySchema,
      by: { ...freeText(120), description: 'who said so' },
      without: { type: 'array', items: text(120), maxItems: 1000, description: 'operations the owner does not want' },
      note: freeText(2000),
    },
    required: ['estimate', 'answer', 'on'],
    additionalProperties: false,
  },
  'time': {
    type: 'object',
    properties: { minutes, what: text(400), operation: freeText(120) },
    required: ['minutes', 'what'],
    additionalProperties: false,
  },
  'instrument-change': {
    type: 'object',
    properties: { ...typeChangeSchema, name: text(80), reason: freeText(400) },
    additionalProperties: false,
  },
  'survey': {
    type: 'object',
    properties: { station: { enum: surveyStations }, outcome: { enum: ['looked', 'skipped'] }, note: freeText(1000) },
    required: ['station', 'outcome'],
    additionalProperties: false,
  },
  'observation': {
    type: 'object',
    properties: {
      part: partId,
      about: { enum: ['light', 'landing', 'fit'] },
      sectors: {
        type: 'array',
        description: 'clock positions where light shows at the lightest touch; empty when it seals',
        items: { enum: [0, 45, 90, 135, 180, 225, 270, 315] },
        uniqueItems: true,
        maxItems: 8,
      },
      first: { ...partId, description: 'of two linked pads, the one that lands first' },
      other: { ...partId, description: 'the pad it was compared with' },
      hold: { enum: padHolds },
      mark: { type: 'number', minimum: 0, exclusiveMaximum: 360, description: 'clock of the orientation scratch' },
      note: freeText(1000),
    },
    required: ['part', 'about'],
    additionalProperties: false,
  },
  'board': {
    type: 'object',
    properties: {
      rows: { type: 'integer', minimum: 1, maximum: 26 },
      columns: { type: 'integer', minimum: 1, maximum: 40 },
    },
    required: ['rows', 'columns'],
    additionalProperties: false,
  },
  'part-off': {
    type: 'object',
    properties: { part: partId, where: { enum: partWheres }, cell, note: freeText(1000) },
    required: ['part', 'where'],
    additionalProperties: false,
  },
  'part-placed': {
    type: 'object',
    properties: { part: partId, where: { enum: partWheres }, cell, note: freeText(1000) },
    required: ['part', 'where'],
    additionalProperties: false,
  },
  'part-on': {
    type: 'object',
    properties: { part: partId, note: freeText(1000) },
    required: ['part'],
    additionalProperties: false,
  },
  'soak': {
    type: 'object',
    properties: {
      soak: { ...uuid, description: 'stays the same from the first drop to the last look' },
      part: partId,
      with: text(120),
      minutes: { ...minutes, description: 'until somebody looks again' },
      note: freeText(1000),
    },
    required: ['soak', 'part', 'with', 'minutes'],
    additionalProperties: false,
  },
  'soak-over': {
    type: 'object',
    properties: { soak: uuid, outcome: { enum: ['free', 'stuck'] }, note: freeText(1000) },
    required: ['soak', 'outcome'],
    additionalProperties: false,
  },
  'photo': {
    type: 'object',
    properties: {
      photo: { ...uuid, description: 'the picture, kept beside the logbook' },
      width: { type: 'integer', minimum: 1, maximum: 20000 },
      height: { type: 'integer', minimum: 1, maximum: 20000 },
      caption: freeText(400),
      part: partId,
      place: spot,
      finding: uuid,
    },
    required: ['photo', 'width', 'height'],
    additionalProperties: false,
  },
  'photo-marks': {
    type: 'object',
    properties: {
      photo: uuid,
      marks: {
        type: 'array',
        maxItems: 40,
        items: {
          type: 'object',
          properties: {
            shape: { enum: ['arrow', 'circle'] },
            x: share,
            y: share,
            toX: { ...share, description: 'tip of the arrow, or a point on the circle' },
            toY: share,
          },
          required: ['shape', 'x', 'y', 'toX', 'toY'],
          additionalProperties: false,
        },
      },
    },
    required: ['photo', 'marks'],
    additionalProperties: false,
  },
  'sign-off': {
    type: 'object',
    properties: {
      checkUp: daySchema,
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
  'unreadable': unreadableBody,
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
  'tolerances': Omit<FromSchema<(typeof entryBodies)['tolerances']>, 'settings'> & { settings?: OwnSettings };
  'pass': FromSchema<(typeof entryBodies)['pass']>;
  'round': FromSchema<(typeof entryBodies)['round']>;
  'round-skip': FromSchema<(typeof entryBodies)['round-skip']>;
  'round-over': FromSchema<(typeof entryBodies)['round-over']>;
  'plan-change': FromSchema<(typeof entryBodies)['plan-change']>;
  'timer': FromSchema<(typeof entryBodies)['timer']>;
  'cost': FromSchema<(typeof entryBodies)['cost']>;
  'estimate': FromSchema<(typeof entryBodies)['estimate']>;
  'agreement': FromSchema<(typeof entryBodies)['agreement']>;
  'time': FromSchema<(typeof entryBodies)['time']>;
  'instrument-change': FromSchema<(typeof entryBodies)['instrument-change']>;
  'survey': FromSchema<(typeof entryBodies)['survey']>;
  'observation': FromSchema<(typeof entryBodies)['observation']>;
  'board': FromSchema<(typeof entryBodies)['board']>;
  'part-off': FromSchema<(typeof entryBodies)['part-off']>;
  'part-placed': FromSchema<(typeof entryBodies)['part-placed']>;
  'part-on': FromSchema<(typeof entryBodies)['part-on']>;
  'soak': FromSchema<(typeof entryBodies)['soak']>;
  'soak-over': FromSchema<(typeof entryBodies)['soak-over']>;
  'photo': FromSchema<(typeof entryBodies)['photo']>;
  'photo-marks': FromSchema<(typeof entryBodies)['photo-marks']>;
  'sign-off': FromSchema<(typeof entryBodies)['sign-off']>;
  'strike': FromSchema<(typeof entryBodies)['strike']>;
  'unreadable': FromSchema<(typeof entryBodies)['unreadable']>;
}
export type EntryBody<K extends EntryKind> = EntryBodies[K];
export const entryKinds = Object.keys(entryBodies) as EntryKind[];

const envelope = {
  id: uuid,
  author: text(80),
  benchTime: momentSchema,
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
    receivedAt: momentSchema,
  },
  required: [...newEntrySchema.required, 'seq', 'receivedAt'],
  additionalProperties: false,
} as const satisfies JSONSchema;
