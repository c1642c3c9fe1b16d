import type { InstrumentType } from '../instruments';
import type { JobKind } from '../job';
import { says } from '../logbook';
import type { Problem } from '../solvers/contract';
import { ruleChangeSchema, type RuleChange } from './ruleChange.schema';

/** A rule of an instrument as this job has it, with who said so. */
export type OwnRule = RuleChange & { entry: string; author: string; benchTime: string };

/** What is wrong with a change of a rule by itself. */
export const ruleChangeProblems = ({ range }: Pick<RuleChange, 'range'>): Problem[] =>
  range && (range[0] ?? 0) > (range[1] ?? 0)
    ? [{ path: '/body/range', message: 'runs backwards: the smaller figure comes first' }]
    : [];

/** Is this a rule that is worked out for an instrument? Rules of several pads are numbered; stacks have their own. */
const hasRule = ({ rules, keys }: InstrumentType, rule: string): boolean =>
  rules.some(({ id }) => rule === id || (rule.startsWith(`${id}-`) && /^\d+$/.test(rule.slice(id.length + 1)))) ||
  keys.some(({ id }) => rule === `all-down-${id}`);

/** A rule is asked otherwise in this job, not at all, or left as a compromise. */
export const rule: JobKind<'rule', RuleChange> = {
  body: ruleChangeSchema,
  // Which figure is the smaller no published schema can say: it shows when the entry is read.
  misfits: ({ instrument }, said) => [
    ...ruleChangeProblems(said),
    ...(instrument && !hasRule(instrument, said.rule)
      ? says('rule', `“${said.rule}” is no rule of this instrument`)
      : []),
  ],
  fold: (draft, { id, author, benchTime, body: said }) => {
    if (said.withdrawn) draft.ruleChanges.delete(said.rule);
    else draft.ruleChanges.set(said.rule, { ...said, entry: id, author, benchTime });
  },
  words: ({ rule: id, asked, accepted, withdrawn, reason }) =>
    `Rule ${id} ${withdrawn ? 'as it was' : accepted ? 'left as a compromise' : asked === false ? 'not asked' : 'asked otherwise'}: ${reason}`,
  turnsPlan: false,
  bears: false,
};
