import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { strangePart } from '../instruments';
import { partId } from '../instruments/instrumentType.schema';
import type { JobKind } from '../job';
import { choiceOf, meansWords, tickGroups, type TickVerdict } from '../measures/registry';
import { says } from '../logbook';
import { phrase, stock, type Phrase } from '../units';
import { freeText } from '../validation/plain.schema';
import { addTick } from './ledger';
import { heldWords } from './point';
import { heldSchema } from './point.schema';
import type { Staleness } from './readingState';

const body = {
  type: 'object',
  description: 'a look without a figure: a part of a group is good, a hair off, or plainly wrong',
  properties: {
    group: { enum: tickGroups },
    part: partId,
    says: { type: 'string', pattern: '^[a-z-]+$', maxLength: 40, description: 'the answer, as the group has it' },
    film: { type: 'number', exclusiveMinimum: 0, maximum: 1, description: 'thickness of the film that was pulled, mm' },
    toward: { type: 'number', minimum: 0, exclusiveMaximum: 360, description: 'clock of the side it shows at' },
    at: { type: 'number', minimum: 0, maximum: 5000, description: 'where along the part it shows most, mm' },
    held: heldSchema,
    note: freeText(400),
  },
  required: ['group', 'part', 'says'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type TickBody = FromSchema<typeof body>;

/** The newest look at a part. */
export interface TickState extends TickBody {
  entry: string;
  seq: number;
  verdict: TickVerdict;
  author: string;
  benchTime: string;
  stale: Staleness | null;
  /** with keys held: the looks before it, oldest first */
  earlier?: readonly TickState[];
}

/** What a look says, with what it was taken with. */
export function tickWords({ group, says: id, film, toward, at, note }: Omit<TickBody, 'part'>): Phrase {
  const choice = choiceOf(group, id);
  const side = toward === undefined ? '' : `, toward ${toward}°`;
  const place = at === undefined ? [] : phrase` at ${{ value: at, unit: 'mm', told: 'along' }}`;
  const means = choice ? meansWords[choice.means] : '';
  const by = film === undefined ? phrase`${means}` : phrase`${means} of ${stock(film)}`;
  return phrase`${choice?.words ?? id}${side}${place} (${by})${note ? `. ${note}` : ''}`;
}

/** A look without a figure. */
export const tick: JobKind<'tick', TickBody> = {
  body,
  misfits: ({ instrument }, { group, part, says: id }) => [
    ...strangePart(instrument, part),
    ...(choiceOf(group, id) ? [] : says('says', `“${id}” is nothing that is said of a ${group}`)),
  ],
  fold: (draft, { id, seq, author, benchTime, body: said }) =>
    addTick(draft, {
      ...said,
      entry: id,
      seq,
      verdict: choiceOf(said.group, said.says)?.verdict ?? 'hair',
      author,
      benchTime,
      stale: null,
    }),
  words: ({ part, ...said }, name) =>
    phrase`Looked at ${said.group.replaceAll('-', ' ')} of ${name(part)}${heldWords(said.held, name)}: ${tickWords(said)}`,
  turnsPlan: false,
  bears: false,
};
