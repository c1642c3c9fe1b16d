import { removableNames, type InstrumentType } from '../instruments';
import type { JobJudgement } from '../judgement';
import type { JobState } from '../job';
import { looksWaiting } from '../masterLook';
import { isOpenStatus } from '../findings';
import { stages, type Stage } from '../vocabulary';
import { isOpenStep, nextTitle, type JobPlan } from '../plan';

/** What the bench shows of one ticket. Plain data. */
export interface BenchSummary {
  ticket: string;
  owner: string;
  instrument: string;
  maker: string;
  made: string;
  practice: string;
  stage: Stage | 'signed off';
  /** what hands should do next, or null when the job waits or is over */
  next: string | null;
  blockedBy: string[];
  curing: { title: string; until: string }[];
  /** parts left to soak, and whether it is time to look */
  soaking: { part: string; until: string; due: boolean }[];
  partsOff: number;
  openFindings: number;
  suggestions: number;
  stalePads: number;
  staleRims: number;
  dueBy: string | null;
  done: number;
  steps: number;
  /** steps that are done and have to be looked at again */
  again: number;
  /** looks that wait for a master */
  looks: number;
  /** steps the owner has not agreed to yet */
  toAgree: number;
  signedOff: boolean;
}

const mostBlocks = 3;

/** One ticket, summed up for the bench from its judgement and its plan. */
export function benchSummary(
  state: JobState,
  type: InstrumentType,
  { judgement, plan }: { judgement: JobJudgement; plan: JobPlan },
  now: string,
): BenchSummary | null {
  const { intake } = state;
  if (!intake) return null;
  const names = removableNames(type);
  const { steps, next, first } = plan;
  const signedOff = state.signOff !== null;
  const waiting = steps.find(({ status }) => status === 'waiting');
  const current = next ?? waiting ?? steps.at(-1);
  const shut = [
    ...(waiting?.gate.filter(({ open }) => !open).map(({ why }) => why) ?? []),
    ...(waiting?.agreement === 'to-agree' ? [`the owner’s word on “${waiting.title}”`] : []),
    ...(waiting?.agreement === 'refused' ? [`a decision: the owner refused “${waiting.title}”`] : []),
  ];
  const count = (states: Iterable<{ state: string }>, wanted: string) =>
    [...states].filter((x) => x.state === wanted).length;
  return {
    ticket: intake.ticket,
    owner: intake.owner,
    instrument: type.name,
    maker: intake.maker ?? '',
    made: intake.made ?? '',
    practice: state.practice,
    stage: signedOff ? 'signed off' : first ? 'survey' : (current?.stage ?? stages[0]),
    next: signedOff ? null : nextTitle(plan),
    blockedBy:
      next || signedOff ? [] : [...(waiting?.waitsFor.map(({ title }) => title) ?? []), ...shut].slice(0, mostBlocks),
    curing: signedOff
      ? []
      : steps.flatMap(({ title, curingUntil }) => (curingUntil ? [{ title, until: curingUntil }] : [])),
    soaking: signedOff
      ? []
      : [...state.soaks.values()]
          .filter(({ outcome }) => outcome === null)
          .map(({ part, until }) => ({ part: names.get(part) ?? part, until, due: until <= now })),
    partsOff: state.off.size,
    openFindings: [...state.findings.values()].filter(({ status }) => isOpenStatus(status)).length,
    suggestions: judgement.suggestions.length,
    stalePads: count(judgement.pads.values(), 'stale'),
    staleRims: count(judgement.rims.values(), 'stale'),
    dueBy: intake.dueBy ?? null,
    done: steps.filter((step) => !isOpenStep(step)).length,
    steps: steps.length,
    again: steps.filter((step) => step.again !== null).length,
    looks: looksWaiting(state).length,
    toAgree: steps.filter((step) => step.agreement === 'to-agree' && isOpenStep(step)).length,
    signedOff,
  };
}
