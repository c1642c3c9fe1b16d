import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { partId } from '../instruments/instrumentType.schema';
import { freeText, text } from '../validation/plain.schema';
import { practiceNames } from '../vocabulary';

/** Raised when a document of this kind would no longer be read the same way. */
export const pieceVersion = 1;

/** How hard a piece is: one screw, a pair, a shared follower, a compromise, a stack no screw will cure. */
export const grades = [1, 2, 3, 4, 5] as const;
export type Grade = (typeof grades)[number];

const kind = <const K extends string>(name: K) => ({ const: name }) as const;

const faultSchema = {
  type: 'object',
  required: ['kind'],
  oneOf: [
    {
      properties: {
        kind: kind('adjuster'),
        link: partId,
        steps: {
          type: 'integer',
          minimum: -12,
          maximum: 12,
          description: 'steps of its kind away from right; more than 0: the follower lands late',
        },
      },
      required: ['kind', 'link', 'steps'],
      additionalProperties: false,
    },
    {
      properties: {
        kind: kind('pad'),
        hole: partId,
        unevenness: { type: 'number', exclusiveMinimum: 0, maximum: 1, description: 'from first touch to seal, mm' },
        toward: { type: 'number', minimum: 0, exclusiveMaximum: 360, description: 'clock of the side left open' },
      },
      required: ['kind', 'hole', 'unevenness', 'toward'],
      additionalProperties: false,
    },
    {
      properties: {
        kind: kind('hinge'),
        key: partId,
        play: {
          type: 'number',
          exclusiveMinimum: 0,
          maximum: 1,
          description: 'by which its pad lands here or there, mm',
        },
      },
      required: ['kind', 'key', 'play'],
      additionalProperties: false,
    },
    {
      properties: {
        kind: kind('twist'),
        key: partId,
        times: {
          type: 'number',
          minimum: 0,
          maximum: 6,
          description: 'how much its neighbours twist its rod, as a multiple of the usual',
        },
      },
      required: ['kind', 'key', 'times'],
      additionalProperties: false,
    },
  ],
} as const satisfies JSONSchema;

/** A problem is named by the kind that was meant; of this keyword the types of schemas know nothing. */
const byKind = <T extends object>(schema: T): T => ({ ...schema, discriminator: { propertyName: 'kind' } });

/** A mechanism with hidden faults to practise on, as it is written, shared and read. */
export const pieceSchema = {
  $id: 'https://holotonos.example/schema/practice-piece-1.json',
  title: 'Holotonos practice piece',
  type: 'object',
  properties: {
    format: { const: 'holotonos-practice-piece' },
    version: { const: pieceVersion },
    title: text(120),
    told: { ...freeText(1000), description: 'what the player says, or a word to whoever takes the piece up' },
    instrument: { ...partId, description: 'a type of instrument that ships' },
    options: { type: 'array', items: partId, maxItems: 12 },
    practice: { enum: practiceNames },
    grade: { type: 'integer', minimum: 1, maximum: 5 },
    seed: { type: 'integer', minimum: 0, maximum: 999_999, description: 'of the chance in what is seen' },
    faults: { type: 'array', minItems: 1, maxItems: 24, items: byKind(faultSchema) },
  },
  required: ['format', 'version', 'title', 'instrument', 'practice', 'grade', 'seed', 'faults'],
  additionalProperties: false,
} as const satisfies JSONSchema;

export type PracticePiece = FromSchema<typeof pieceSchema>;
export type PieceFault = PracticePiece['faults'][number];
