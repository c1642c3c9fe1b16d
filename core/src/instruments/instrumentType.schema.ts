import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { families, measureGroups, measures, padHolds, padResonators } from '../vocabulary';

export const partId = { type: 'string', pattern: '^[a-z0-9-]+$', maxLength: 60 } as const;
const id = partId;
const name = { type: 'string', minLength: 1, maxLength: 80, pattern: '\\S' } as const;
const words = { type: 'string', minLength: 1, maxLength: 400 } as const;
const size = { type: 'number', exclusiveMinimum: 0, maximum: 5000 } as const;
const along = {
  type: 'number',
  minimum: 0,
  maximum: 5000,
  description: 'mm from the upper end of the section',
} as const;
const clock = { type: 'number', minimum: 0, exclusiveMaximum: 360 } as const;
const ids = (most: number) => ({ type: 'array', maxItems: most, items: id }) as const;

/** What every row may carry: the option it belongs to, and which of its figures nobody has measured. */
const everyRow = {
  with: { ...id, description: 'only there when this option is chosen' },
  without: { ...id, description: 'only there when this option is not chosen' },
  assumed: { type: 'array', maxItems: 12, items: { type: 'string', maxLength: 40 } },
} as const;

const row = <const T extends Record<string, unknown>, const R extends readonly (keyof T & string)[]>(
  properties: T,
  required: R,
) => ({ type: 'object', properties: { ...properties, ...everyRow }, required, additionalProperties: false }) as const;
const list = <const T>(items: T) => ({ type: 'array', maxItems: 400, items }) as const;

export const holeUses = ['tone', 'vent', 'trill'] as const;
export const rimKinds = ['drawn', 'soldered', 'cut', 'raised'] as const;
const adjusterKinds = ['screw', 'arm', 'cork', 'felt', 'paper', 'fixed'] as const;
const linkActs = ['carries', 'holds-shut', 'holds-shut-at-rest'] as const;
const ruleMusts = ['land-together', 'land-first', 'stay-shut', 'hair-of-play', 'hover', 'same-pitch'] as const;
/** LT, RT: thumbs; 1–4: fingers; LP: left palm; LS, RS: the side of the first finger. */
const fingers = ['LT', 'L1', 'L2', 'L3', 'L4', 'LP', 'LS', 'RT', 'R1', 'R2', 'R3', 'R4', 'RS'] as const;

/** The rows of each list of a type. A home-made type is built of the same rows, one at a time. */
export const typeRows = {
  sections: row(
    {
      id,
      name,
      length: size,
      wall: size,
      turns: {
        type: 'number',
        minimum: -400,
        maximum: 400,
        description: 'degrees by which it bends towards its front from end to end; straight if not said',
      },
      bore: {
        type: 'array',
        minItems: 2,
        maxItems: 400,
        items: {
          type: 'object',
          properties: { at: along, diameter: size },
          required: ['at', 'diameter'],
          additionalProperties: false,
        },
      },
    },
    ['id', 'name', 'length', 'wall', 'bore'],
  ),
  joints: row(
    {
      id,
      name,
      upper: id,
      lower: id,
      kind: { enum: ['metal', 'corked', 'wound', 'clamped', 'soldered'] },
      tenon: { ...id, description: 'the section that carries the tenon' },
      length: size,
    },
    ['id', 'name', 'upper', 'lower', 'kind', 'tenon', 'length'],
  ),
  holes: row(
    {
      id,
      name,
      section: id,
      at: along,
      clock,
      diameter: size,
      chimney: size,
      rim: { enum: rimKinds },
      undercut: { ...size, description: 'how much wider at the bore, mm' },
      use: { enum: holeUses },
    },
    ['id', 'name', 'section', 'at', 'clock', 'diameter', 'chimney', 'rim'],
  ),
  rods: row(
    {
      id,
      name,
      section: id,
      from: along,
      to: along,
      clock,
      diameter: size,
      kind: { enum: ['through', 'pivots'] },
      pivot: { enum: ['cone', 'cylinder'] },
    },
    ['id', 'name', 'section', 'from', 'to', 'clock', 'diameter', 'kind'],
  ),
  posts: row(
    {
      id,
      name,
      section: id,
      at: along,
      clock,
      rod: id,
      other: { ...id, description: 'the rod on its other side: a compound post carries two' },
    },
    ['id', 'name', 'section', 'at', 'clock'],
  ),
  keys: row(
    {
      id,
      name,
      rod: id,
      rest: { enum: ['open', 'closed'] },
      from: { ...along, description: 'where its hinge tube begins' },
      to: { ...along, description: 'where its hinge tube ends' },
      nestsIn: { ...id, description: 'the key whose hinge tube it runs inside' },
      touches: {
        type: 'array',
        maxItems: 8,
        items: {
          type: 'object',
          properties: { finger: { enum: fingers } },
          required: ['finger'],
          additionalProperties: false,
        },
      },
      springs: {
        type: 'array',
        maxItems: 4,
        items: {
          type: 'object',
          properties: { kind: { enum: ['needle', 'flat'] } },
          required: ['kind'],
          additionalProperties: false,
        },
      },
      rings: { ...ids(8), description: 'finger holes whose covering presses it' },
      over: { ...ids(20), description: 'parts it passes over' },
    },
    ['id', 'name', 'rest'],
  ),
  pads: row(
    {
      hole: id,
      key: id,
      diameter: size,
      axisDistance: size,
      hold: { enum: padHolds },
      centre: { enum: ['closed', 'open'] },
      resonator: { enum: padResonators },
      cupDepth: { ...size, description: 'inside depth of the cup, mm' },
      stack: id,
    },
    ['hole', 'key', 'diameter', 'axisDistance', 'hold'],
  ),
  links: row({ id, driver: id, follower: id, acts: { enum: linkActs }, adjuster: { enum: adjusterKinds } }, [
    'id',
    'driver',
    'follower',
    'acts',
    'adjuster',
  ]),
  fittings: row(
    {
      id,
      name,
      section: id,
      at: along,
      clock,
      kind: { enum: ['guard', 'brace', 'rest', 'ring', 'screw', 'plate', 'cork', 'pin', 'water-key', 'other'] },
      over: { ...ids(20), description: 'parts it passes over' },
    },
    ['id', 'name', 'section', 'at', 'clock', 'kind'],
  ),
  fingerings: row(
    {
      note: { type: 'string', pattern: '^[A-G][♯♭]?[0-8]$' },
      register: { type: 'integer', minimum: 1, maximum: 4 },
      down: { ...ids(24), description: 'keys pressed and finger holes covered' },
      alternative: { type: 'string', maxLength: 60 },
    },
    ['note', 'register', 'down'],
  ),
  rules: row(
    {
      id,
      rank: { type: 'integer', minimum: 1, maximum: 9, description: '1 yields last' },
      must: { enum: ruleMusts },
      press: ids(12),
      pads: ids(12),
      first: id,
      words,
    },
    ['id', 'rank', 'must', 'press', 'pads', 'words'],
  ),
  measuringPoints: row({ group: { enum: measureGroups }, part: id, measure: { enum: measures }, words }, [
    'group',
    'part',
    'measure',
    'words',
  ]),
  options: row({ id, name }, ['id', 'name']),
} as const;

/** A4 where nobody has said otherwise, Hz. */
export const usualStandard = 440;

/** How an instrument is blown and what its written notes sound like; without it nothing is said of its sound. */
export const soundSchema = {
  type: 'object',
  properties: {
    transposition: {
      type: 'integer',
      minimum: -48,
      maximum: 48,
      description: 'semitones from what is written to what sounds',
    },
    standard: {
      type: 'number',
      minimum: 380,
      maximum: 480,
      description: 'what its A4 was built for, Hz; 440 if not said',
    },
    excitation: {
      type: 'object',
      properties: {
        kind: { enum: ['reed', 'edge'] },
        volume: { type: 'number', minimum: 0, maximum: 1e6, description: 'of reed and mouthpiece, mm³' },
        at: { ...along, description: 'of an edge: the middle of its hole, mm from the top' },
        diameter: { ...size, description: 'of the hole of an edge, mm' },
        length: { ...size, description: 'acoustic length of the hole of an edge, mm' },
      },
      required: ['kind'],
      additionalProperties: false,
    },
  },
  required: ['transposition', 'excitation'],
  additionalProperties: false,
} as const;

/** An instrument type: geometry and mechanism of one kind of instrument, as data. Millimetres and clock degrees. */
export const instrumentTypeSchema = {
  $id: 'https://holotonos.example/schema/instrument-type-1.json',
  title: 'Holotonos instrument type',
  type: 'object',
  properties: {
    format: { const: 'holotonos-instrument-type' },
    version: { const: 1 },
    id,
    name,
    family: { enum: families },
    body: { enum: ['metal', 'wood'] },
    playTest: { type: 'string', minLength: 1, maxLength: 60, description: 'name of its play-test protocol' },
    options: list(typeRows.options),
    sound: soundSchema,
    sections: { ...list(typeRows.sections), minItems: 1 },
    joints: list(typeRows.joints),
    holes: list(typeRows.holes),
    rods: list(typeRows.rods),
    posts: list(typeRows.posts),
    keys: list(typeRows.keys),
    pads: list(typeRows.pads),
    links: list(typeRows.links),
    fittings: list(typeRows.fittings),
    fingerings: list(typeRows.fingerings),
    rules: list(typeRows.rules),
    measuringPoints: list(typeRows.measuringPoints),
  },
  required: [
    'format',
    'version',
    'id',
    'name',
    'family',
    'body',
    'playTest',
    'options',
    'sections',
    'joints',
    'holes',
    'rods',
    'posts',
    'keys',
    'pads',
    'links',
    'fittings',
    'fingerings',
    'rules',
    'measuringPoints',
  ],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type InstrumentType = FromSchema<typeof instrumentTypeSchema>;

/** The lists of a type whose rows can be put in or taken out one at a time. */
export const changeableLists = [
  'sections',
  'joints',
  'holes',
  'rods',
  'posts',
  'keys',
  'pads',
  'links',
  'fittings',
] as const;
export type ChangeableList = (typeof changeableLists)[number];

export const typeChangeSchema = {
  put: {
    type: 'object',
    description: 'rows to add, or to stand in place of the row of the same id',
    properties: Object.fromEntries(
      changeableLists.map((name) => [name, { type: 'array', maxItems: 100, items: typeRows[name] }]),
    ) as { [K in ChangeableList]: { type: 'array'; maxItems: 100; items: (typeof typeRows)[K] } },
    additionalProperties: false,
  },
  remove: {
    type: 'object',
    description: 'ids to take out; a pad goes by the id of its hole',
    properties: Object.fromEntries(changeableLists.map((name) => [name, ids(100)])) as {
      [K in ChangeableList]: ReturnType<typeof ids>;
    },
    additionalProperties: false,
  },
} as const;
