import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { text } from '../validation/plain.schema';
import type { ShopKind } from './kind';

const body = {
  type: 'object',
  description: 'something the shop has learned that is doubted: nothing counts it in until it is taken up again',
  properties: {
    lesson: {
      type: 'string',
      pattern: '^(?:time|fault) [^\\u0000-\\u001f]{1,300}$',
      description: '“time KIND FAMILY PERSON”, or “fault” with the id of the finding it was learned from',
    },
    title: { ...text(200), description: 'what it is called where it stands' },
    aside: { type: 'boolean', description: 'false: taken up again' },
    reason: text(1000),
  },
  required: ['lesson', 'title', 'aside', 'reason'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type ShopLesson = FromSchema<typeof body>;

/** A lesson is put aside, or taken up again. */
export const lesson: ShopKind<'lesson', ShopLesson> = {
  body,
  fold: (draft, { body: said }) => {
    const others = draft.lessonsAside.filter(({ lesson: id }) => id !== said.lesson);
    draft.lessonsAside = said.aside ? [...others, said] : others;
  },
  words: ({ title, aside, reason }) => `Lesson ${aside ? 'put aside' : 'taken up again'}: ${title}. ${reason}`,
  bears: false,
};
