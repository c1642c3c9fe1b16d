import { tableProblems, tableWith, type OperationKind, type RuleCondition } from '../plan';
import { operationKindSchema, operationName, standingRuleSchema } from '../plan/operation.schema';
import { put, says } from '../logbook';
import type { Problem } from '../solvers/contract';
import { retired } from './ids.schema';
import { keptWords, type ShopKind } from './kind';

const body = {
  type: 'object',
  description: 'work of the shop’s own, or a shipped step written anew',
  properties: { id: operationName, work: operationKindSchema, standing: standingRuleSchema.properties.when, retired },
  required: ['id', 'work'],
  additionalProperties: false,
} as const;
interface Body {
  id: string;
  work: OperationKind;
  standing?: RuleCondition;
  retired?: boolean;
}

/** What speaks against work of the shop's own: it must not need what later work disturbs, nor run backwards in time. */
function workProblems({ id, work }: Body): Problem[] {
  const [low, likely, high] = work.minutes;
  if (low > likely || likely > high) return says('work/minutes', 'must rise from low over likely to high');
  return tableProblems(tableWith([{ ...work, kind: id }]))
    .filter((message) => message.includes(`“${id}”`))
    .flatMap((message) => says('work/needs', message));
}

/** A step of the shop's own. */
export const operation: ShopKind<'operation', Body> = {
  body,
  problems: workProblems,
  fold: (draft, entry) => {
    draft.operations = put(draft.operations, entry.body);
  },
  words: ({ work, retired: away }) => keptWords('Step', work.title.replace(/:?\s*\{part\}/, ''), away),
  bears: false,
};
