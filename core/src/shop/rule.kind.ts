import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { partId } from '../instruments/instrumentType.schema';
import { ruleChangeProblems } from '../regulation';
import { ruleChangeProperties } from '../regulation/ruleChange.schema';
import type { ShopKind } from './kind';

const { accepted: _, ...properties } = ruleChangeProperties;

const body = {
  type: 'object',
  description: 'a rule of regulation, as this shop wants it for every instrument of one type',
  properties: { instrument: partId, ...properties },
  required: ['instrument', 'rule', 'reason'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type ShopRule = FromSchema<typeof body>;

/** A rule is asked otherwise in every job with this type of instrument. */
export const rule: ShopKind<'rule', ShopRule> = {
  body,
  problems: ruleChangeProblems,
  fold: (draft, { body: said }) => {
    const others = draft.rules.filter(({ instrument, rule: id }) => instrument !== said.instrument || id !== said.rule);
    draft.rules = said.withdrawn ? others : [...others, said];
  },
  words: ({ instrument, rule: id, withdrawn, reason }) =>
    `Rule ${id} of ${instrument} ${withdrawn ? 'as it was' : 'asked otherwise'}: ${reason}`,
  bears: false,
};
