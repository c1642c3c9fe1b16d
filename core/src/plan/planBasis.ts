import type { RuleChange } from '../regulation';
import type { Sizes } from '../stock';
import type { LearnedTimes } from './learnTimes';
import type { CustomWork } from './plan.schema';

/** What a shop brings to a plan beside the shipped tables. */
export interface PlanBasis {
  custom?: CustomWork;
  /** own cautions by kind of operation */
  cautionsFor?: Readonly<Record<string, readonly string[]>>;
  learned?: LearnedTimes;
  /** what there is in the shop, for what is advised */
  sizes?: Sizes;
  /** rules of regulation the shop wants otherwise, for what the record says of them */
  rules?: readonly (RuleChange & { instrument: string })[];
  /** whose hands: their own times count first */
  person?: string;
}
