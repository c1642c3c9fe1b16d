import type { JobState } from '../job';
import type { JobJudgement } from '../judgement';
import type { Stage } from '../vocabulary';
import { isOpenStep, type Step } from './step';

/** What hands should do first with an instrument nobody has looked at, and with one whose faults nobody has answered. */
export const firstWords = {
  look: 'Look it over, part by part',
  decide: 'Decide on what was found',
} as const;

/** What comes before any step. */
export type First = keyof typeof firstWords;

/** Stages every job ends with, whatever is found. */
const endings: ReadonlySet<Stage> = new Set(['playtest', 'handover']);

/** What hands should do next, in words; null when nothing is ready. */
export const nextTitle = ({ first, next }: { first: First | null; next: Pick<Step, 'title'> | null }): string | null =>
  first ? firstWords[first] : (next?.title ?? null);

/** What comes before any step, as long as nothing is planned but what ends every job and nothing of that is begun. */
export function firstOf(state: JobState, { suggestions }: JobJudgement, steps: readonly Step[]): First | null {
  const hasBegun = steps.some((step) => !endings.has(step.stage) || step.status === 'started' || !isOpenStep(step));
  if (hasBegun || state.signOff) return null;
  const { findings, points, ticks, observations, survey, played, tested } = state;
  if (suggestions.length > 0 || [...findings.values()].some(({ status }) => status === 'suspected')) return 'decide';
  const seen = [findings, points, ticks, observations, survey, played, tested];
  return seen.every(({ size }) => size === 0) ? 'look' : null;
}
