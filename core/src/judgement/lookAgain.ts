import { explainedFindings, findingStatusWords, findingTitle, type FindingState } from '../findings';
import { downTheTube, type InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { choicesOf, tickGroups, type TickGroup } from '../measures';
import { pointsOf } from '../readings';
import type { FindingKind, MeasureGroup } from '../vocabulary';
import { figureState, seenParts, stateOf, type JobJudgement } from './judgeJob';

/** Why something is looked at again: a deeper fault explained it, work was done on it, or work near it moved it. */
export type AgainWhy = 'suspended' | 'worked' | 'disturbed';

export interface LookAgain {
  why: AgainWhy;
  /** how it is looked at; null where only an eye can say */
  group: TickGroup | null;
  part: string;
  finding: FindingState | null;
  /** title of the work it comes from */
  after: string;
}

/** Faults that figures show and no look of their own: a post that stands firm may still lean. */
const shownByFigures: Partial<Record<FindingKind, TickGroup>> = {
  'post-leaning': 'post',
  'bell-turned': 'body-line',
  'hole-oval': 'rim',
  'receiver-oval': 'joint',
  'tenon-gouged': 'joint',
  'pivot-worn': 'hinge',
  'pad-worn': 'pad',
};
/** Faults a look can show, by the group that is looked at. */
const groupsOf = new Map<FindingKind, TickGroup>(
  tickGroups.flatMap((group) => choicesOf(group).flatMap(({ finds }) => (finds ? [[finds, group] as const] : []))),
);

/** How a fault of this kind is looked at or measured; undefined where only an eye can say. */
export const groupOfFinding = (kind: FindingKind): MeasureGroup | undefined =>
  groupsOf.get(kind) ?? shownByFigures[kind];

/** The work that a finding was cured by, when nobody has said anything about it since; null otherwise. */
function unansweredWork(state: JobState, { status, history }: FindingState): string | null {
  const last = status === 'cured' ? state.byId.get(history.at(-1) ?? '') : undefined;
  return last?.kind === 'operation-done' ? last.body.title : null;
}

/**
 * Was a finding worked on without anybody having looked since? Only a look, a figure or a person’s word makes of work a
 * cure: a step that is done says what was done, not what came of it.
 */
export function isUnchecked(state: JobState, judgement: JobJudgement, finding: FindingState): boolean {
  if (unansweredWork(state, finding) === null) return false;
  const group = groupsOf.get(finding.kind);
  if (group) return stateOf(judgement, group, finding.part) !== 'within';
  const measured = shownByFigures[finding.kind];
  return measured === undefined || figureState(judgement, measured, finding.part) !== 'within';
}

/** How a finding stands, in words: cured only when somebody has looked since. */
export const standingWords = (state: JobState, judgement: JobJudgement, finding: FindingState): string =>
  isUnchecked(state, judgement, finding) ? 'worked on, not checked' : findingStatusWords[finding.status];

/** The work that made what was read or looked at stale, by its title. */
function movedBy(state: JobState, group: TickGroup, part: string): string {
  const stale = [
    state.ticks.get(`${group}:${part}`)?.stale,
    ...pointsOf(state, group, part).flatMap(({ readings }) => readings.map((reading) => reading.stale)),
  ];
  return stale.findLast((each) => each != null)?.title ?? '';
}

/**
 * Everything that waits for another look: findings a deeper fault explained which has been put right, findings that were
 * worked on and not looked at since, and what other work has moved. Each place once, group by group down the tube; what
 * only an eye can judge comes last.
 */
export function lookAgain(state: JobState, type: InstrumentType, judgement: JobJudgement): LookAgain[] {
  const found: LookAgain[] = [];
  const add = (why: AgainWhy, finding: FindingState, after: string) =>
    found.push({ why, group: groupsOf.get(finding.kind) ?? null, part: finding.part, finding, after });
  for (const { finding, by } of explainedFindings(state, type))
    if (by.status === 'cured') add('suspended', finding, unansweredWork(state, by) ?? findingTitle(by));
  for (const finding of state.findings.values())
    if (isUnchecked(state, judgement, finding)) add('worked', finding, unansweredWork(state, finding) ?? '');
  for (const group of tickGroups)
    for (const part of seenParts(state, group))
      if (
        stateOf(judgement, group, part) === 'stale' &&
        !found.some((each) => each.group === group && each.part === part)
      )
        found.push({ why: 'disturbed', group, part, finding: null, after: movedBy(state, group, part) });
  const down = downTheTube(type, [...new Set(found.map(({ part }) => part))]);
  const place = ({ group, part }: LookAgain) => [
    group === null ? tickGroups.length : tickGroups.indexOf(group),
    down.indexOf(part),
  ];
  return found.sort((a, b) => {
    const [[ofA = 0, atA = 0], [ofB = 0, atB = 0]] = [place(a), place(b)];
    return ofA - ofB || atA - atB;
  });
}
