import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { says } from '../logbook';
import type { Staleness } from '../readings';
import { freeText } from '../validation/plain.schema';
import { centsText } from './notes';
import { playSheet, type SheetLine } from './playSheet';
import { heardAs } from './suspects';

/** How a line of a play test can come out: one that sounds as a note is heard, one that must not by what is heard of it. */
export const resultsOf = { sound: heardAs, silent: ['quiet', 'noisy'] } as const satisfies Record<
  SheetLine['kind'],
  unknown
>;
const testResults = [...resultsOf.sound, ...resultsOf.silent] as const;
export type TestResult = (typeof testResults)[number];

const body = {
  type: 'object',
  description: 'a line of the play test was gone through',
  properties: {
    line: {
      type: 'string',
      pattern: '^[a-z0-9]+(-[a-z0-9]+)*$',
      maxLength: 100,
      description: 'which line of the sheet of this instrument',
    },
    result: { enum: testResults },
    step: { type: 'number', minimum: -600, maximum: 600, description: 'by how much a held note moved at once, cents' },
    note: freeText(400),
  },
  required: ['line', 'result'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type TestedBody = FromSchema<typeof body>;

/** The newest time a line was gone through. */
export interface TestedLine extends TestedBody {
  entry: string;
  seq: number;
  /** the work that was done on what it depends on since */
  stale: Staleness | null;
}

export const resultWords: Record<TestResult, string> = {
  clear: 'clear',
  fuzzy: 'fuzzy',
  late: 'late',
  silent: 'does not speak',
  quiet: 'quiet',
  noisy: 'something clicks',
};

/** Has this line nothing wrong with it? */
export const isGood = (result: TestResult): boolean => result === 'clear' || result === 'quiet';

/** A line of the play test was gone through. */
export const tested: JobKind<'tested', TestedBody> = {
  body,
  misfits: ({ instrument }, { line }) =>
    instrument && !playSheet(instrument).some(({ id }) => id === line)
      ? says('line', `“${line}” is no line of the play test of this instrument`)
      : [],
  fold: (draft, { id, seq, body: said }) => {
    draft.tested.set(said.line, { ...said, entry: id, seq, stale: null });
  },
  words: ({ line, result, step, note }) =>
    `Play test, ${line.replaceAll('-', ' ')}: ${resultWords[result]}${step === undefined ? '' : `, moved by ${centsText(Math.round(step))} cents`}${note ? `. ${note}` : ''}`,
  turnsPlan: false,
  bears: false,
};
