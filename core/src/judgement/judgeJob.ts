import { removableNames, type InstrumentType } from '../instruments';
import type { JobState } from '../job';
import {
  groupsAnsweredHere,
  limitsOf,
  padReport,
  partReport,
  rimReport,
  suggestFromPart,
  suggestFromPitch,
  suggestFromRim,
  suggestFromSeat,
  suggestFromStands,
  type GroupAnswers,
  type MeasureState,
  type PadReport,
  type PartReport,
  type RimAnswers,
  type RimReport,
  type Suggestion,
  type TickVerdict,
} from '../measures';
import { solveSeat, type SeatInput, type SeatOutput } from '../pads';
import { upperLimit } from '../practice';
import type { TickState } from '../readings';
import { solveRim } from '../rims';
import { usualSizes, type Sizes } from '../stock';
import { remembering } from './remembered';
import { openSuggestions, suggestCommonCauses, suggestFromLandings, suggestFromTicks } from './suggestFindings';

export interface JudgedPad extends PadReport {
  seat: SeatOutput | null;
}

/** Everything the readings of a job say now. */
export interface JobJudgement {
  pads: ReadonlyMap<string, JudgedPad>;
  rims: ReadonlyMap<string, RimReport>;
  /** every other part that has been measured, by `group:part` */
  parts: ReadonlyMap<string, PartReport>;
  suggestions: Suggestion[];
  /** newest look without a figure at each part, by `group:part` */
  ticks: ReadonlyMap<string, TickState>;
}

/** Who answers the questions a judgement has to ask. Null means the answer is not there yet. */
export interface Answers extends GroupAnswers {
  rim: RimAnswers;
  seat: (input: SeatInput) => SeatOutput | null;
  /** who answers, where these functions are made anew from time to time and always say the same */
  by?: object;
}

const answeredHere: Answers = { ...groupsAnsweredHere, rim: solveRim, seat: solveSeat };

/** The same answers, which say so where one is missing. */
function noticing(answers: Answers, missing: () => void): Answers {
  const noticed =
    <In, Out>(ask: (input: In) => Out | null) =>
    (input: In): Out | null => {
      const answer = ask(input);
      if (answer === null) missing();
      return answer;
    };
  const { rim, seat, line, bore, hinge, joint } = answers;
  return {
    rim: noticed(rim),
    seat: noticed(seat),
    line: noticed(line),
    bore: noticed(bore),
    hinge: noticed(hinge),
    joint: noticed(joint),
  };
}

/**
 * Judges everything a job has fresh readings of. What no new reading touches is not judged again, see `remembering`.
 *
 * @param given the browser passes what its worker has worked out; everyone else lets the solvers answer here
 * @param sizes what there is in the shop: advice names nothing that is not there
 */
export function judgeJob(
  state: JobState,
  type: InstrumentType,
  given: Answers = answeredHere,
  sizes: Sizes = usualSizes,
): JobJudgement {
  const remembered = remembering(state, type, given.by ?? given);
  const answers = noticing(given, remembered.incomplete);
  const rims = new Map<string, RimReport>();
  const pads = new Map<string, JudgedPad>();
  const parts = new Map<string, PartReport>();
  const suggestions: Suggestion[] = [];
  for (const { id } of type.holes) {
    const rim = remembered.of(`rim:${id}`, (read) => rimReport(read, type, id, answers.rim));
    if (!rim) continue;
    rims.set(id, rim);
    suggestions.push(...suggestFromRim(rim));
  }
  for (const { hole } of type.pads) {
    const rim = rims.get(hole) ?? null;
    const pad = remembered.of(
      `pad:${hole}`,
      (read): JudgedPad | null => {
        const report = padReport(read, type, hole, rim, sizes.shims);
        return report && { ...report, seat: report.seatInput && answers.seat(report.seatInput) };
      },
      [rim, sizes.shims],
    );
    if (!pad) continue;
    pads.set(hole, pad);
    const suggestion = pad.seat && suggestFromSeat(pad, pad.seat);
    if (suggestion) suggestions.push(suggestion);
  }
  for (const { point } of state.points.values()) {
    const { group, part } = point;
    const key = `${group}:${part}`;
    if (parts.has(key)) continue;
    const report = remembered.of(`part:${key}`, (read) => partReport(read, type, group, part, answers, sizes), [sizes]);
    if (!report) continue;
    parts.set(key, report);
    suggestions.push(...suggestFromPart(report));
  }
  return {
    pads,
    rims,
    parts,
    ticks: state.ticks,
    suggestions: openSuggestions(state, type, [
      ...suggestCommonCauses(state, type),
      ...suggestions,
      ...remembered.of('pitch', (read) =>
        suggestFromPitch(read, type, parts, upperLimit('noteCents', limitsOf(read, type))),
      ),
      ...remembered.of('stands', (read) => suggestFromStands(read, type, removableNames(type))),
      ...suggestFromLandings(state, type),
      ...suggestFromTicks(state, type, (group, part) => figureState({ pads, rims, parts }, group, part)),
    ]),
  };
}

/** What the figures alone say of one group on one part; null when that group is not measured there. */
export function figureState(
  { pads, rims, parts }: Pick<JobJudgement, 'pads' | 'rims' | 'parts'>,
  group: string,
  part: string,
): MeasureState | null {
  if (group === 'pad') return pads.get(part)?.state ?? null;
  if (group === 'rim') return rims.get(part)?.state ?? null;
  return parts.get(`${group}:${part}`)?.state ?? null;
}

/** The parts that were read or looked at in this job, in one group. */
export function seenParts({ points, ticks }: Pick<JobState, 'points' | 'ticks'>, group: string): string[] {
  const parts = new Set<string>();
  for (const { point } of points.values()) if (point.group === group) parts.add(point.part);
  for (const tick of ticks.values()) if (tick.group === group) parts.add(tick.part);
  return [...parts];
}

/** Do figures come to a verdict here? Then they stand in place of a look. */
export const figuresDecide = (judgement: JobJudgement, group: string, part: string): boolean => {
  const figures = figureState(judgement, group, part);
  return figures !== null && figures !== 'unmeasured' && figures !== 'stale';
};

const tickState: Record<TickVerdict, MeasureState> = { good: 'within', hair: 'undecided', bad: 'outside' };

/**
 * The state of one group on one part; null when it was neither measured nor looked at. Figures that come to a verdict
 * stand in place of a look; where they do not, a look that is still true says how it is.
 */
export function stateOf(judgement: JobJudgement, group: string, part: string): MeasureState | null {
  const figures = figureState(judgement, group, part);
  const tick = judgement.ticks.get(`${group}:${part}`);
  if (!tick || figuresDecide(judgement, group, part)) return figures;
  if (tick.stale) return 'stale';
  return tickState[tick.verdict];
}

/** The states a part has in these groups, see `stateOf`; a group that says nothing of it is passed over. */
export const statesOf = (judgement: JobJudgement, groups: readonly string[], part: string): MeasureState[] =>
  groups.map((group) => stateOf(judgement, group, part)).filter((state) => state !== null);
