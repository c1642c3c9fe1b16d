import type { JobState } from '../job';
import { matchesMeasure } from '../readings';
import { practiceWords, sideWords } from '../practice';
import { jobSettings, type JobPlan } from './jobPlan';
import type { Step } from './step';
import { sharedMeasure } from './orderOperations';
import { establishes } from './spoilt';

/** Readings of one part in one group that are still true. */
export interface FreshReadings {
  group: string;
  part: string;
  count: number;
}

export interface StepWhy {
  /** why it stands where it does */
  here: { after: string; reason: string }[];
  /** findings it answers */
  cures: string[];
  /** sides of the practice that chose it over another step */
  chosenBy: { question: string; side: string; holds: string }[];
  /** what leaving it out does */
  skipping: {
    /** findings that would be cured at a shallower level, or not at all: stop-gaps */
    stopGaps: string[];
    /** steps that would stand on what it should have set */
    builtOn: { id: string; title: string }[];
    /** readings that would say nothing any more */
    readings: FreshReadings[];
  };
  /** what doing it does */
  spoils: {
    readings: FreshReadings[];
    /** steps that are done and would have to be looked at again */
    steps: { id: string; title: string }[];
  };
}

/** How many readings that are still true speak of these measures, part by part. */
function freshReadings(state: JobState, measures: readonly string[]): FreshReadings[] {
  const found = new Map<string, FreshReadings>();
  for (const { point, readings } of state.points.values()) {
    if (!measures.some((measure) => matchesMeasure(measure, point.group, point.part))) continue;
    const fresh = readings.filter(({ stale }) => stale === null).length;
    if (fresh === 0) continue;
    const key = `${point.group}:${point.part}`;
    const before = found.get(key) ?? { group: point.group, part: point.part, count: 0 };
    found.set(key, { ...before, count: before.count + fresh });
  }
  return [...found.values()];
}

/** Everything that comes after a step by chains of edges, in order. */
function standsOn(steps: readonly Step[], id: string): Step[] {
  const reached = new Set([id]);
  return steps.filter((step) => {
    if (step.id === id || !step.after.some((edge) => reached.has(edge.id))) return false;
    reached.add(step.id);
    return true;
  });
}

/**
 * Why a step stands where it stands, what happens when it is skipped, and what it spoils. Everything is read from the
 * edges of the plan and the measures of its steps.
 */
export function whyStep(plan: JobPlan, state: JobState, step: Step): StepWhy {
  const titles = new Map(plan.steps.map(({ id, title }) => [id, title]));
  const settings = jobSettings(state);
  // What it moves is what rests on it: those steps would be set on a fault, and move when the fault is cured later.
  const resting = standsOn(plan.steps, step.id).filter(
    (after) => sharedMeasure(establishes(after), step.disturbs) !== undefined && after.status !== 'skipped',
  );
  const unique = (ids: readonly string[]) => [...new Set(ids)];
  return {
    here: step.after.map(({ id, reason }) => ({ after: titles.get(id) ?? id, reason })),
    cures: step.cures,
    chosenBy: step.chosenBy.map((question) => {
      const { title: side, holds } = sideWords(question, settings[question]);
      return { question: practiceWords[question].question, side, holds };
    }),
    skipping: {
      stopGaps: unique([...step.cures, ...resting.flatMap(({ cures }) => cures)]),
      builtOn: resting.map(({ id, title }) => ({ id, title })),
      readings: freshReadings(state, unique(resting.flatMap(establishes))),
    },
    spoils: {
      readings: freshReadings(state, step.spoils),
      steps: resting.filter(({ state: done }) => done?.status === 'done').map(({ id, title }) => ({ id, title })),
    },
  };
}
