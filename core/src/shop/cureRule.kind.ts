import { findingWords } from '../findings';
import type { CureRule } from '../plan';
import { cureRuleSchema } from '../plan/operation.schema';
import { keptId, retired } from './ids.schema';
import { put } from '../logbook';
import { keptWords, type ShopKind } from './kind';

const body = {
  type: 'object',
  description: 'what the shop does about a kind of finding; comes before the shipped rules',
  properties: { id: keptId, rule: cureRuleSchema, retired },
  required: ['id', 'rule'],
  additionalProperties: false,
} as const;

/** What the shop does about a kind of finding. */
export const cureRule: ShopKind<'cure-rule', { id: string; rule: CureRule; retired?: boolean }> = {
  body,
  fold: (draft, entry) => {
    draft.cureRules = put(draft.cureRules, entry.body);
  },
  words: ({ rule, retired: away }) => keptWords('Rule', findingWords[rule.finding].title, away),
  bears: false,
};
