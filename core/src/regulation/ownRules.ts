import type { RuleChange } from './ruleChange.schema';
import type { WorkedRule } from './workedRules';

/** What is asked of an instrument after the shop and the job have had their word. */
export interface AskedRules {
  /** by rank: what gives way last comes first */
  asked: WorkedRule[];
  /** rules nothing is asked of any more */
  unasked: WorkedRule[];
}

/**
 * Rules as the shop and the job want them; of two changes of one rule the later counts.
 *
 * @param changes those of the shop first, then those of the job
 */
export function ownRules(rules: readonly WorkedRule[], changes: readonly RuleChange[]): AskedRules {
  const by = new Map(changes.map((change) => [change.rule, change]));
  const asked: WorkedRule[] = [];
  const unasked: WorkedRule[] = [];
  for (const worked of rules) {
    const change = by.get(worked.rule.id);
    if (!change || change.withdrawn) asked.push(worked);
    else if (change.asked === false) unasked.push({ ...worked, change });
    else asked.push(changed(worked, change));
  }
  return { asked: asked.sort((a, b) => a.rule.rank - b.rule.rank), unasked };
}

function changed({ rule, of, words }: WorkedRule, change: RuleChange): WorkedRule {
  const rank = change.rank ?? rule.rank;
  const [low, high] = change.range ?? [];
  const ranged =
    rule.kind === 'seal' || low === undefined || high === undefined
      ? { ...rule, rank }
      : { ...rule, rank, range: [low, high] };
  return { rule: ranged, of, words: change.words ?? words, change };
}
