import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { partId } from '../instruments/instrumentType.schema';
import type { Grade } from '../practicePieces';
import { text } from '../validation/plain.schema';
import type { ShopKind } from './kind';

const count = { type: 'integer', minimum: 0, maximum: 10_000 } as const;

const body = {
  type: 'object',
  description: 'a practice piece was gone through to its end; whose it is says the author of the entry',
  properties: {
    title: text(120),
    instrument: partId,
    grade: { type: 'integer', minimum: 1, maximum: 5 },
    cured: { type: 'boolean', description: 'all that can hold held, and what no adjuster cures was said' },
    looks: count,
    turns: { ...count, description: 'settings of adjusters' },
    fewest: { ...count, description: 'settings the shortest cure takes' },
    faults: count,
    said: { ...count, description: 'faults that were said' },
    falseAlarms: count,
  },
  required: ['title', 'instrument', 'grade', 'cured', 'looks', 'turns', 'fewest', 'faults', 'said', 'falseAlarms'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type PieceDone = FromSchema<typeof body>;

/** How far somebody has come with the pieces of one grade. */
export interface PieceProgress {
  person: string;
  grade: Grade;
  done: number;
  cured: number;
  /** cured one after the other, the last of them among them */
  inRow: number;
  /** looks the last one took */
  looks: number;
  at: string;
}

/** A practice piece that was gone through. */
export const practicePiece: ShopKind<'practice-piece', PieceDone> = {
  body,
  fold: (draft, { author: person, benchTime: at, body: { grade, cured, looks } }) => {
    const mine = (each: PieceProgress) => each.person === person && each.grade === grade;
    const { done = 0, cured: before = 0, inRow = 0 } = draft.practised.find(mine) ?? {};
    const now = { done: done + 1, cured: before + (cured ? 1 : 0), inRow: cured ? inRow + 1 : 0, looks, at };
    draft.practised = [
      ...draft.practised.filter((each) => !mine(each)),
      { person, grade: grade as Grade, ...now },
    ].sort((a, b) => a.person.localeCompare(b.person) || a.grade - b.grade);
  },
  words: ({ title, cured }) => `Practice piece ${cured ? 'cured' : 'gone through'}: ${title}`,
  bears: false,
};

/** So many in a row, and the next grade is worth trying. */
const enough = 3;

/** The grade that is next for somebody: the first that was not yet cured often enough in a row. */
export function nextGrade(practised: readonly PieceProgress[], person: string, grades: readonly Grade[]): Grade {
  const open = grades.find(
    (grade) => !practised.some((each) => each.person === person && each.grade === grade && each.inRow >= enough),
  );
  return open ?? grades.at(-1) ?? 1;
}
