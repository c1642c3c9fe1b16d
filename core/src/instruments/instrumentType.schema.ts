import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { families } from '../vocabulary';

const id = { type: 'string', pattern: '^[a-z0-9-]+$', maxLength: 60 } as const;
const name = { type: 'string', minLength: 1, maxLength: 80 } as const;
const size = { type: 'number', exclusiveMinimum: 0, maximum: 5000 } as const;
const along = {
  type: 'number',
  minimum: 0,
  maximum: 5000,
  description: 'mm from the upper end of the section',
} as const;
const clock = { type: 'number', minimum: 0, exclusiveMaximum: 360 } as const;

const list = <const T extends Record<string, unknown>, const R extends readonly (keyof T & string)[]>(
  properties: T,
  required: R,
) =>
  ({
    type: 'array',
    maxItems: 400,
    items: { type: 'object', properties, required, additionalProperties: false },
  }) as const;

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
    sections: {
      ...list(
        {
          id,
          name,
          length: size,
          wall: size,
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
      minItems: 1,
    },
    holes: list(
      {
        id,
        name,
        section: id,
        at: along,
        clock,
        diameter: size,
        chimney: size,
        rim: { enum: ['drawn', 'soldered', 'cut', 'raised'] },
      },
      ['id', 'name', 'section', 'at', 'clock', 'diameter', 'chimney', 'rim'],
    ),
    rods: list({ id, name, section: id, from: along, to: along, clock, diameter: size }, [
      'id',
      'name',
      'section',
      'from',
      'to',
      'clock',
      'diameter',
    ]),
    posts: list({ id, name, section: id, at: along, clock, rod: id }, ['id', 'name', 'section', 'at', 'clock', 'rod']),
    keys: list({ id, name, rod: id, rest: { enum: ['open', 'closed'] } }, ['id', 'name', 'rod', 'rest']),
    pads: list(
      {
        hole: id,
        key: id,
        diameter: size,
        axisDistance: size,
        hold: { enum: ['adhesive', 'screw', 'grommet'] },
        stack: id,
      },
      ['hole', 'key', 'diameter', 'axisDistance', 'hold'],
    ),
  },
  required: ['format', 'version', 'id', 'name', 'family', 'body', 'sections', 'holes', 'rods', 'posts', 'keys', 'pads'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type InstrumentType = FromSchema<typeof instrumentTypeSchema>;
