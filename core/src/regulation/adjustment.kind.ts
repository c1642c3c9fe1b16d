import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { partId } from '../instruments/instrumentType.schema';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { disturb } from '../readings';
import { length, phrase } from '../units';
import { freeText } from '../validation/plain.schema';

const body = {
  type: 'object',
  description: 'the adjuster of a link was set',
  properties: {
    link: partId,
    steps: {
      type: 'integer',
      minimum: -1000,
      maximum: 1000,
      description: 'steps of its kind; more than 0 lets the follower land later',
    },
    change: {
      type: 'number',
      minimum: -5,
      maximum: 5,
      description: 'what that should change at the follower’s pad, mm; more than 0 is later',
    },
    note: freeText(1000),
  },
  required: ['link', 'steps', 'change'],
  additionalProperties: false,
} as const satisfies JSONSchema;
type Body = FromSchema<typeof body>;

/** One setting of an adjuster. */
export type AdjustmentState = Body & { entry: string; seq: number; author: string; benchTime: string };

/** What made a look stale goes by this name where it was an adjuster: such a look still says something. */
export const adjustmentOf = (link: string) => `adjust:${link}`;

/** The adjuster of a link was set: what was seen there waits to be seen again. */
export const adjustment: JobKind<'adjustment', Body> = {
  body,
  misfits: ({ instrument }, { link }) =>
    instrument && !instrument.links.some(({ id }) => id === link)
      ? says('link', `“${link}” is no link of this instrument`)
      : [],
  fold: (draft, { id, seq, author, benchTime, body: set }) => {
    draft.adjustments.push({ ...set, entry: id, seq, author, benchTime });
    disturb(draft, [`link:${set.link}`], { entry: id, operation: adjustmentOf(set.link), title: 'Adjuster set' });
  },
  words: ({ link, change, note }, name) =>
    phrase`Adjuster set, follower ${change < 0 ? 'earlier' : 'later'} by ${length(Math.abs(change))}: ${name(link)}${note ? `. ${note}` : ''}`,
  turnsPlan: false,
  bears: false,
};
