import type { InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { solveSeat, type SeatInput, type SeatOutput } from '../pads';
import type { MeasureState } from './measureState';
import { groupsAnsweredHere, type GroupAnswers } from './groupAnswers';
import { groupReports } from './groupReports';
import { padReport, type PadReport } from './padReport';
import type { PartReport } from './partReport';
import { solveRim } from '../rims';
import { rimReport, type RimAnswers, type RimReport } from './rimReport';
import {
  openSuggestions,
  suggestCommonCauses,
  suggestFromPart,
  suggestFromRim,
  suggestFromSeat,
  type Suggestion,
} from './suggestFindings';

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
}

/** Who answers the questions a judgement has to ask. Null means the answer is not there yet. */
export interface Answers extends GroupAnswers {
  rim: RimAnswers;
  seat: (input: SeatInput) => SeatOutput | null;
}

const answeredHere: Answers = { ...groupsAnsweredHere, rim: solveRim, seat: solveSeat };

/**
 * Judges every pad and rim of a job from its fresh readings.
 *
 * @param answers the browser passes what its worker has worked out; everyone else lets the solvers answer here
 */
export function judgeJob(state: JobState, type: InstrumentType, answers: Answers = answeredHere): JobJudgement {
  const rims = new Map<string, RimReport>();
  const pads = new Map<string, JudgedPad>();
  const suggestions: Suggestion[] = [];
  for (const { id } of type.holes) {
    const rim = rimReport(state, type, id, answers.rim);
    if (rim) {
      rims.set(id, rim);
      suggestions.push(...suggestFromRim(rim));
    }
  }
  for (const { hole } of type.pads) {
    const report = padReport(state, type, hole, answers.rim);
    if (!report) continue;
    const seat = report.seatInput && answers.seat(report.seatInput);
    pads.set(hole, { ...report, seat });
    const suggestion = seat && suggestFromSeat(report, seat);
    if (suggestion) suggestions.push(suggestion);
  }
  const parts = groupReports(state, type, answers);
  for (const report of parts.values()) suggestions.push(...suggestFromPart(report));
  return {
    pads,
    rims,
    parts,
    suggestions: openSuggestions(state, type, [...suggestCommonCauses(state, type), ...suggestions]),
  };
}

/** The state of one group on one part; null when that group is not measured there. */
export function stateOf(judgement: JobJudgement, group: string, part: string): MeasureState | null {
  if (group === 'pad') return judgement.pads.get(part)?.state ?? null;
  if (group === 'rim') return judgement.rims.get(part)?.state ?? null;
  return judgement.parts.get(`${group}:${part}`)?.state ?? null;
}
