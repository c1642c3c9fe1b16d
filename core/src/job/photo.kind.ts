import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { PartPlace } from '../instruments';
import { partId } from '../instruments/instrumentType.schema';
import { spotSchema } from '../instruments/spot.schema';
import { freeText, uuidSchema } from '../validation/plain.schema';
import type { JobKind } from './kind';
import type { PhotoMarks } from './photoMarks.kind';

const body = {
  type: 'object',
  properties: {
    photo: { ...uuidSchema, description: 'the picture, kept beside the logbook' },
    width: { type: 'integer', minimum: 1, maximum: 20000 },
    height: { type: 'integer', minimum: 1, maximum: 20000 },
    caption: freeText(400),
    part: partId,
    place: spotSchema,
    finding: uuidSchema,
  },
  required: ['photo', 'width', 'height'],
  additionalProperties: false,
} as const satisfies JSONSchema;

export interface PhotoState {
  photo: string;
  width: number;
  height: number;
  caption: string;
  part: string | null;
  place: PartPlace | null;
  finding: string | null;
  marks: PhotoMarks;
  author: string;
  benchTime: string;
}

/** A picture, and what it is of. */
export const photo: JobKind<'photo', FromSchema<typeof body>> = {
  body,
  fold: ({ photos }, { body: taken, author, benchTime }) => {
    const { photo: id, width, height, caption = '', part = null, place = null, finding = null } = taken;
    const marks = photos.get(id)?.marks ?? [];
    photos.set(id, { photo: id, width, height, caption, part, place, finding, marks, author, benchTime });
  },
  words: ({ part, caption }, name) => `Photo${part ? ` of ${name(part)}` : ''}${caption ? `: ${caption}` : ''}`,
  turnsPlan: false,
  bears: true,
};
