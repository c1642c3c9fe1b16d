import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { freeText } from '../validation/plain.schema';
import { surveyStations } from '../vocabulary';
import { station } from './stations';

const body = {
  type: 'object',
  properties: { station: { enum: surveyStations }, outcome: { enum: ['looked', 'skipped'] }, note: freeText(1000) },
  required: ['station', 'outcome'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A station of the survey was gone through, or passed over. */
export const survey: JobKind<'survey', FromSchema<typeof body>> = {
  body,
  fold: (draft, { id, benchTime, body: { station: at, outcome } }) => {
    draft.survey.set(at, { outcome, entry: id, benchTime });
  },
  words: ({ station: at, outcome }) =>
    `Survey: ${station(at).title} ${outcome === 'looked' ? 'looked at' : 'passed over'}`,
  turnsPlan: false,
  bears: false,
};
