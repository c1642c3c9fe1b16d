import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { says } from '../logbook';
import { uuidSchema } from '../validation/plain.schema';
import type { JobKind } from './kind';

/** A share of the width or height of a picture. */
const share = { type: 'number', minimum: 0, maximum: 1 } as const;

const body = {
  type: 'object',
  properties: {
    photo: uuidSchema,
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
} as const satisfies JSONSchema;
type Body = FromSchema<typeof body>;
export type PhotoMarks = Body['marks'];

/** Arrows and circles on a picture; the newest set counts. */
export const photoMarks: JobKind<'photo-marks', Body> = {
  body,
  misfits: ({ photos }, { photo }) => (photos.has(photo) ? [] : says('photo', 'is not a photo of this job')),
  fold: ({ photos }, { body: { photo: id, marks } }) => {
    const photo = photos.get(id);
    if (photo) photos.set(id, { ...photo, marks });
  },
  words: ({ marks }) => `Marked a photo (${marks.length})`,
  turnsPlan: false,
  bears: true,
};
