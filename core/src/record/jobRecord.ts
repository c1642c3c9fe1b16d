import { moneyText } from '../estimate';
import { findingTitle } from '../findings';
import { downTheTube, partNames, type InstrumentType } from '../instruments';
import { judgeJob, standingWords, type JobJudgement } from '../judgement';
import type { Entry, EntryOf, JobState } from '../job';
import { jobPlan, type JobPlan, type PlanBasis } from '../plan';
import { practices } from '../practice';
import { heldWords, tickWords } from '../readings';
import { finishTold } from './finishTold';
import { given } from './given';
import { plays } from './plays';
import { adjustedWords, regulationOf, rulesSeen } from '../regulation';
import { shopRules } from '../shop';
import { usualSizes } from '../stock';
import { length, phrase, type Phrase } from '../units';
import type { FindingStatus } from '../vocabulary';
import { lightHistory, type LightPair } from './lightHistory';
import { photoPairs, type PhotoPair } from './photoHistory';
import { measureHistory, type BeforeAfter, type ReadOnly } from './measureHistory';

export interface RecordFinding {
  finding: string;
  title: string;
  place: string;
  severity: number;
  status: FindingStatus;
  statusWord: string;
  note: string;
  reason: string;
}

/** The record that goes home with the instrument, as plain data for a page, a PDF or a print. */
export interface JobRecord {
  ticket: string;
  instrument: string;
  intake: NonNullable<JobState['intake']>;
  practice: { title: string; holds: string };
  openedAt: string;
  found: RecordFinding[];
  done: { operation: string; title: string; minutes: number; at: string; by: string; note: string }[];
  figures: (BeforeAfter & { place: string })[];
  /** what was read and comes to no figure */
  readOnly: (ReadOnly & { place: string })[];
  /** looks without a figure, newest of each part */
  looks: { group: string; place: string; says: Phrase; good: boolean; stale: boolean; by: string; at: string }[];
  /** adjusters that were set, each with all its turns taken together */
  adjusted: { link: string; says: Phrase }[];
  /** pads, corks, springs and shims as they are in it now */
  given: Phrase[];
  /** what became of the finish: where heat was used, what lay over dents */
  finish: string[];
  /** how it plays, note by note taken together; empty where nobody played it */
  plays: string[];
  /** rules of regulation that somebody has looked at: those that hold, and the others with why they do not; null where none was */
  rules: { hold: string[]; yield: { words: string; off: Phrase; why: string }[] } | null;
  /** where light showed, first and last */
  lights: (LightPair & { place: string })[];
  /** what was photographed, first and last */
  photos: (PhotoPair & { title: string })[];
  left: { what: string; why: string }[];
  /** what the owner was offered and said to it */
  agreed: { at: string; what: string; note: string }[];
  decisions: { at: string; by: string; what: string; why: string }[];
  notes: { at: string; by: string; text: string }[];
  struck: { at: string; by: string; what: string; why: string }[];
  minutes: number;
  ownerCautions: string[];
  signOff: { by: string; at: string; checkUp: string | null; summary: string } | null;
}

/** What every owner is told, by family; the technician adds to it at sign-off. */
function usualOwnerCautions(type: InstrumentType): string[] {
  const usual = [
    'Have it looked over within a year, or at once if it has fallen.',
    'Never press a key down by its lever arm.',
  ];
  if (type.family === 'saxophone') usual.unshift('Loosen the neck screw when the neck is out of the body.');
  if (type.body === 'wood')
    usual.unshift('Play it in slowly and dry the bore each time; keep it away from heat and dry air.');
  return usual;
}

/** What a struck entry said, in a line. */
function inWords(entry: Entry, names: ReadonlyMap<string, string>): string {
  if (entry.kind === 'reading') {
    const { point, typed } = entry.body;
    return `reading ${typed.replace('-', '−')} at ${point.group} of ${names.get(point.part) ?? point.part}, ${point.clock}°`;
  }
  if (entry.kind === 'operation-done') return `“${entry.body.title}” done`;
  if (entry.kind === 'finding')
    return `finding: ${findingTitle(entry.body)}, ${names.get(entry.body.part) ?? entry.body.part}`;
  return entry.kind.replace('-', ' ');
}

/** How the rules of regulation stand by what was seen last; what nobody looked at is not vouched for. */
function rulesTold(
  state: JobState,
  type: InstrumentType,
  { sizes = usualSizes, rules = [] }: PlanBasis,
): JobRecord['rules'] {
  const seen = rulesSeen(regulationOf(state, type, sizes.films, shopRules({ rules }, type.id)));
  if (seen.length === 0) return null;
  return {
    hold: seen.filter(({ holds }) => holds).map(({ words }) => words),
    yield: seen
      .filter(({ holds }) => !holds)
      .map(({ words, violation, change }) => ({
        words,
        off: phrase`${length(violation)} off`,
        why: change?.accepted ? change.reason : '',
      })),
  };
}

/** A job as it stands at a moment: judged, and planned by that. */
export interface JobStanding {
  judgement: JobJudgement;
  plan: JobPlan;
}

/** Judges a job and plans it. `now` is ISO 8601; `basis` is what the shop brings to its plan. */
export function jobStanding(state: JobState, type: InstrumentType, now: string, basis: PlanBasis = {}): JobStanding {
  const judgement = judgeJob(state, type, undefined, basis.sizes);
  return { judgement, plan: jobPlan(state, type, judgement, now, basis) };
}

/**
 * Everything the record says, from the state of the job. `now` is ISO 8601; `basis` is what the shop brings to its plan.
 *
 * @param standing by the same, where whoever asks has it already
 */
export function jobRecord(
  state: JobState,
  type: InstrumentType,
  now: string,
  basis: PlanBasis = {},
  standing?: JobStanding,
): JobRecord | null {
  const { intake, signOff } = state;
  if (!intake) return null;
  const { judgement, plan } = standing ?? jobStanding(state, type, now, basis);
  const names = partNames(type);
  const place = (part: string) => names.get(part) ?? part;
  const live = (entry: Entry) => !state.struck.has(entry.id);
  const doneEntries = state.entries.filter(
    (entry): entry is EntryOf<'operation-done'> => entry.kind === 'operation-done' && live(entry),
  );
  const findings = [...state.findings.values()].filter(({ status }) => status !== 'declined');
  const titleOf = (id: string) => {
    const finding = state.findings.get(id);
    return finding ? `${findingTitle(finding)}, ${place(finding.part)}` : id;
  };
  const pictured = ({ finding, part, first }: PhotoPair) => {
    if (finding !== null && state.findings.has(finding)) return titleOf(finding);
    return part === null ? first.caption.trim() || 'The whole instrument' : place(part);
  };
  const history = measureHistory(state, type);
  const extraTime = state.times.reduce((sum, { body }) => sum + body.minutes, 0);
  return {
    ticket: intake.ticket,
    instrument: type.name,
    intake,
    practice: practices[state.practice],
    openedAt: state.openedAt ?? '',
    found: findings.map((each) => ({
      finding: each.finding,
      title: findingTitle(each),
      place: place(each.part),
      severity: each.severity,
      status: each.status,
      statusWord: standingWords(state, judgement, each),
      note: each.note,
      reason: each.reason,
    })),
    done: doneEntries.map(({ body, benchTime, author }) => ({
      operation: body.operation,
      title: body.title,
      minutes: body.minutes,
      at: benchTime,
      by: author,
      note: body.note ?? '',
    })),
    figures: history.rows.map((row) => ({ ...row, place: place(row.part) })),
    readOnly: history.readOnly.map((row) => ({ ...row, place: place(row.part) })),
    looks: downTheTube(type, [...new Set([...state.ticks.values()].map(({ part }) => part))]).flatMap((part) =>
      [...state.ticks.values()]
        .filter((tick) => tick.part === part)
        .map((tick) => ({
          group: tick.group,
          place: place(part) + heldWords(tick.held, place),
          says: tickWords(tick),
          good: tick.verdict === 'good',
          stale: tick.stale !== null,
          by: tick.author,
          at: tick.benchTime,
        })),
    ),
    adjusted: downTheTube(type, [...new Set(state.adjustments.map(({ link }) => link))]).map((link) => ({
      link,
      says: adjustedWords(
        place(link),
        state.adjustments.filter((each) => each.link === link),
      ),
    })),
    given: given(state, place),
    finish: finishTold(state, doneEntries, place),
    plays: plays(state),
    rules: rulesTold(state, type, basis),
    photos: photoPairs(state).map((pair) => ({ ...pair, title: pictured(pair) })),
    lights: lightHistory(state, type).map((row) => ({ ...row, place: place(row.part) })),
    left: [
      ...plan.left.map(({ finding, reason }) => ({ what: titleOf(finding.finding), why: reason })),
      ...findings
        .filter(({ status }) => status === 'left')
        .map(({ finding, reason }) => ({ what: titleOf(finding), why: reason })),
      ...[...state.operations.values()]
        .filter(({ status }) => status === 'skipped')
        .map(({ title, reason }) => ({ what: `Not done: ${title}`, why: reason })),
      ...findings
        .filter(({ status }) => status === 'open' || status === 'suspected' || status === 'confirmed')
        .map(({ finding }) => ({ what: titleOf(finding), why: 'Still open when this record was written.' })),
    ],
    agreed: [...state.estimates.values()].flatMap(({ estimate, answer }) => {
      const { title, total, currency } = estimate.body;
      const { answer: said, on, note = '' } = answer?.body ?? {};
      return said === undefined || on === undefined
        ? []
        : [{ at: on, what: `${title}, about ${moneyText(total.likely, currency)}: ${said}`, note }];
    }),
    decisions: state.decisions.map((entry) => ({
      at: entry.benchTime,
      by: entry.author,
      what:
        entry.kind === 'decision'
          ? `${entry.body.question} ${entry.body.choice}`
          : entry.kind === 'tolerances'
            ? `Limits set to “${entry.body.profile}” (${entry.body.changes.length} of its own).`
            : `Practice changed to ${practices[entry.body.practice].title}.`,
      why: entry.body.reason,
    })),
    notes: state.notes.map(({ benchTime, author, body }) => ({ at: benchTime, by: author, text: body.text })),
    struck: [...state.struck].flatMap(([target, by]) => {
      const entry = state.byId.get(target);
      const strike = state.byId.get(by) as EntryOf<'strike'> | undefined;
      return entry && strike
        ? [{ at: strike.benchTime, by: strike.author, what: inWords(entry, names), why: strike.body.reason ?? '' }]
        : [];
    }),
    minutes: doneEntries.reduce((sum, { body }) => sum + body.minutes, 0) + extraTime,
    ownerCautions: signOff ? signOff.body.ownerCautions : usualOwnerCautions(type),
    signOff: signOff && {
      by: signOff.author,
      at: signOff.benchTime,
      checkUp: signOff.body.checkUp ?? null,
      summary: signOff.body.summary ?? '',
    },
  };
}
