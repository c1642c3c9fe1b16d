import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { daySchema, freeText, text, uuidSchema } from '../validation/plain.schema';
import { agreementAnswers } from '../vocabulary';

const body = {
  type: 'object',
  properties: {
    estimate: uuidSchema,
    answer: { enum: agreementAnswers },
    on: daySchema,
    by: { ...freeText(120), description: 'who said so' },
    without: { type: 'array', items: text(120), maxItems: 1000, description: 'operations the owner does not want' },
    note: freeText(2000),
  },
  required: ['estimate', 'answer', 'on'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** What the owner said to an estimate. Taken, its scope and practice are those of the job from then on. */
export const agreement: JobKind<'agreement', FromSchema<typeof body>> = {
  body,
  misfits: ({ estimates }, { estimate }) =>
    estimates.has(estimate) ? [] : says('estimate', 'is not an estimate of this job'),
  fold: (draft, entry) => {
    const given = draft.estimates.get(entry.body.estimate);
    if (!given) return;
    draft.estimates.set(entry.body.estimate, { ...given, answer: entry });
    const { practice, scope, changeOf } = given.estimate.body;
    // What was offered is what the job goes by from here on; a change only adds to it.
    if (entry.body.answer === 'refused' || changeOf !== undefined) return;
    draft.practice = practice;
    if (draft.intake) draft.intake = { ...draft.intake, scope };
  },
  words: ({ answer, by, note }) => `Owner’s answer: ${answer}${by ? `, ${by}` : ''}${note ? `. ${note}` : ''}`,
  turnsPlan: true,
  bears: true,
};
