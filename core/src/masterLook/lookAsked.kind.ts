import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { freeText, text } from '../validation/plain.schema';

const body = {
  type: 'object',
  description: 'a master is asked to look at a finding or at a step that was done',
  properties: {
    about: { enum: ['finding', 'operation'] },
    of: { ...text(120), description: 'the id of the finding, or of the step' },
    question: { ...freeText(1000), description: 'what to look for' },
  },
  required: ['about', 'of'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A look that was asked for, and what came of it. */
export interface MasterLook {
  /** the entry that asks */
  asked: string;
  about: 'finding' | 'operation';
  /** the id of the finding, or of the step */
  of: string;
  question: string;
  by: string;
  at: string;
  /** null until somebody has looked */
  answer: { good: boolean; reason: string; by: string; at: string; entry: string; seq: number } | null;
}

/** Somebody who is still learning wants a master to look before it counts. */
export const lookAsked: JobKind<'look-asked', FromSchema<typeof body>> = {
  body,
  misfits: ({ findings, operations }, { about, of }) => {
    if (about === 'finding') return findings.has(of) ? [] : says('of', 'is no finding of this job');
    return operations.get(of)?.status === 'done' ? [] : says('of', 'is no step that was done in this job');
  },
  fold: ({ masterLooks }, { id, author, benchTime, body: { about, of, question = '' } }) => {
    masterLooks.set(id, { asked: id, about, of, question, by: author, at: benchTime, answer: null });
  },
  words: ({ question }) => `Asked a master to look${question ? `: ${question}` : ''}`,
  turnsPlan: false,
  bears: true,
};
