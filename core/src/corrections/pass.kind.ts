import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { strangePart } from '../instruments';
import { partId } from '../instruments/instrumentType.schema';
import type { JobKind } from '../job';
import { disturb } from '../readings';
import { measurePattern } from '../readings/point.schema';
import { length, phrase, type Phrase } from '../units';
import { freeText } from '../validation/plain.schema';
import { measureGroups, passKinds, type PassKind } from '../vocabulary';

const body = {
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
      description:
        'how far it was set: degrees for straightening and turning, clicks of the tool for expanding and shrinking, else mm',
    },
    disturbs: { type: 'array', items: measurePattern, maxItems: 600 },
    note: freeText(1000),
  },
  required: ['pass', 'group', 'part', 'disturbs'],
  additionalProperties: false,
} as const satisfies JSONSchema;
type Body = FromSchema<typeof body>;

/** One correction of a loop. */
export type PassState = Omit<Body, 'disturbs'> & {
  entry: string;
  seq: number;
  benchTime: string;
  /** why nothing is learned from it; null where it teaches */
  aside: string | null;
};

/** What each kind of pass is called where it made a reading stale. */
export const passWords: Record<PassKind, string> = {
  'straighten': 'Straightening',
  'turn-bell': 'Turning the bell',
  'expand': 'Expanding',
  'shrink': 'Shrinking',
  'lap': 'Lapping',
  'swage': 'Swaging',
  'face': 'Facing',
  'cut': 'Opening the hole',
  'fill': 'Filling the hole',
};
const byAngle: readonly PassKind[] = ['straighten', 'turn-bell'];
const byClicks: readonly PassKind[] = ['expand', 'shrink'];

/** How far a pass was set. */
function setWords(kind: PassKind, amount: number): Phrase {
  if (byAngle.includes(kind)) return phrase`${amount}°`;
  if (!byClicks.includes(kind)) return phrase`${length(amount)}`;
  return phrase`${amount} ${amount === 1 ? 'click' : 'clicks'}`;
}

/** One pass of a correction: what it was set to, and what it makes stale. */
export const pass: JobKind<'pass', Body> = {
  body,
  misfits: ({ instrument }, { part }) => strangePart(instrument, part),
  fold: (draft, { id, seq, benchTime, body: { disturbs, ...done } }) => {
    const before = draft.passes.filter((each) => each.pass === done.pass && each.part === done.part).length;
    draft.passes.push({ ...done, entry: id, seq, benchTime, aside: null });
    const title = `${passWords[done.pass]}, pass ${before + 1}`;
    disturb(draft, disturbs, { entry: id, operation: `pass:${done.pass}:${done.part}`, title });
  },
  words: ({ pass: kind, part, amount, note }, name) => {
    const set = amount === undefined ? [] : phrase` by ${setWords(kind, amount)}`;
    return phrase`${passWords[kind]}${set}: ${name(part)}${note ? `. ${note}` : ''}`;
  },
  turnsPlan: false,
  bears: false,
};
