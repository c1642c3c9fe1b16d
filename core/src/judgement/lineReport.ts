import { boreAt, referenceKey } from '../instruments';
import { meanOf, toDegrees, type Learned } from '../metrology';
import { upperLimit } from '../practice';
import { along, degrees, joined, length, phrase, silence, type Phrase } from '../units';
import { clockWords, severityAgainst } from './figureWords';
import {
  findingsSay,
  judgeFigure,
  plainFigure,
  withFacts,
  type PartReport,
  type ReportFact,
  type ReportFinding,
} from './partReport';
import { learnedReturn, straightenPasses } from './passHistory';
import { enoughStations, lineStations, ofLine } from './lineStations';
import { ofMeasure, taken, worstOf, type ReportContext } from './reportContext';

const learnedWords = (learned: Learned | null): Phrase =>
  learned
    ? phrase`On this part ${(100 * learned.value).toFixed(0)} %${learned.spread === null ? '' : ` ± ${(100 * learned.spread).toFixed(0)} %`} sprang back (${learned.seen} ${learned.seen === 1 ? 'pass' : 'passes'}), which is counted in.`
    : ['Nothing is known yet of how far this part springs back: set less than you think, and read again.'];

/** What the gap under the reference key says, by the two sides it is compared at. */
const keySides = [
  {
    id: 'key-along',
    across: 'front against back',
    near: { clock: 0, where: 'at the front' },
    far: { clock: 180, where: 'at the back' },
    means: 'the bell is turned. Turn past, let it return, go back less; good when it is even front to back',
  },
  {
    id: 'key-across',
    across: 'right against left',
    near: { clock: 90, where: 'on the right' },
    far: { clock: 270, where: 'on the left' },
    means: 'that is the key or its post, not the bell',
  },
] as const;

/** How far a bell stands turned: what the witness marks say and what the reference key says. */
function twistOf(
  { type, limits }: ReportContext,
  report: PartReport,
): { facts: ReportFact[]; findings: ReportFinding[]; says: Phrase } {
  const nothing = { facts: [], findings: [], says: silence };
  const limit = upperLimit('witnessGap', limits);
  const section = type.sections.find(({ id }) => id === report.part);
  const marks = ofMeasure(report, 'mark-gap').filter(({ mean: read }) => read !== null);
  const gaps = ofMeasure(report, 'key-gap');
  const key = referenceKey(type, report.part);
  if (!section || limit === null || (marks.length === 0 && gaps.every(({ mean: read }) => read === null)))
    return nothing;
  const facts: ReportFact[] = [];
  const findings: ReportFinding[] = [];
  const says: Phrase[] = [];
  if (marks.length > 0) {
    const off = meanOf(marks.map(({ mean: read }) => read ?? 0));
    const radius = meanOf(marks.map(({ point }) => boreAt(section, point.at ?? 0) / 2 + section.wall));
    const turned = toDegrees(off / radius);
    const fact = judgeFigure('marks-apart', 'Marks stand apart', 'mm', off, worstOf(marks), {
      lower: -limit,
      upper: limit,
    });
    facts.push(fact, plainFigure('bell-turn', 'The bell is turned by', '°', turned));
    const spread = Math.max(...marks.map(({ mean: read }) => Math.abs((read ?? 0) - off)));
    if (spread > limit)
      says.push([
        'The marks do not agree with each other: a foot may have moved by itself, or the bell is bent as well as turned.',
      ]);
    if (fact.verdict === 'outside')
      findings.push({
        kind: 'bell-turned',
        severity: severityAgainst(Math.abs(off), limit),
        cause: phrase`The witness marks stand ${length(Math.abs(off))} apart: the bell is turned ${off > 0 ? 'clockwise' : 'anticlockwise'}, seen from the mouthpiece, by ${degrees(Math.abs(turned))}.`,
        remedy: phrase`Turn the bell back ${off > 0 ? 'anticlockwise' : 'clockwise'} until ${key ? `the key of ${key.name} lands true` : 'the marks meet'}; then refit guard and brace without strain.`,
      });
  }
  const gapAt = (clock: number) => gaps.find(({ point }) => point.clock === clock)?.mean ?? null;
  for (const { id, across, near, far, means } of keySides) {
    const [a, b] = [gapAt(near.clock), gapAt(far.clock)];
    if (!key || a === null || b === null) continue;
    const fact = judgeFigure(id, `${key.name} key, ${across}`, 'mm', a - b, worstOf(gaps), {
      lower: -limit,
      upper: limit,
    });
    facts.push(fact);
    if (fact.verdict === 'outside')
      says.push(
        phrase`The reference key of ${key.name} is open by ${length(Math.abs(a - b))} more ${a > b ? near.where : far.where}: ${means}.`,
      );
  }
  return { facts, findings, says: joined(says) };
}

/** Run-out when the tube is turned between centres: twice the way its middle wanders. */
function runOutOf({ limits }: ReportContext, report: PartReport): ReportFact[] {
  const limit = upperLimit('bodyStraightness', limits);
  const read = ofMeasure(report, 'run-out').filter(({ mean: value }) => value !== null);
  if (read.length === 0 || limit === null) return [];
  const most = Math.max(...read.map(({ mean: value }) => value ?? 0));
  return [judgeFigure('run-out', 'Run-out between centres', 'mm', most, worstOf(read), { upper: limit })];
}

/** A section's line: its quarter lines, its run-out, and for a bell how it stands to the body. */
export function lineReport(context: ReportContext, report: PartReport): PartReport {
  const { state, limits, answers } = context;
  const zone = upperLimit('bodyStraightness', limits);
  const sighted = report.points.filter(ofLine);
  const twist = twistOf(context, report);
  const more = [...runOutOf(context, report), ...twist.facts];
  const stations = lineStations(taken(sighted));
  const passes = straightenPasses(state, report.part, answers.line);
  const learned = learnedReturn(passes);
  if (stations.length < enoughStations || zone === null) {
    const missing = phrase`Sight along the quarter lines: four stations or more, three lines or more at each (${stations.length} so far).`;
    return more.length === 0
      ? { ...report, missing, passes }
      : withFacts(report, more, {
          missing,
          findings: twist.findings,
          says: joined([findingsSay(twist.findings), twist.says]),
          passes,
        });
  }
  const line = answers.line({
    stations,
    limits: { zone },
    ...(learned && { springBack: learned.value }),
  });
  if (!line) return report;
  const fact = judgeFigure('straightness', 'Straightness zone', 'mm', line.zone, worstOf(sighted), { upper: zone });
  const bend = line.bend;
  const finding: ReportFinding | null =
    fact.verdict === 'outside' && bend
      ? {
          kind: 'body-bent',
          severity: severityAgainst(line.zone, zone),
          cause: phrase`A ${line.shape} at ${along(bend.at)}, leaning toward ${clockWords(bend.towardClock)} by ${degrees(bend.angleDegrees)}.`,
          remedy: phrase`Support at ${along(line.correction?.supportAt ?? bend.at)}, push toward ${clockWords(line.correction?.pushClock)}: set it by ${degrees(line.correction?.setDegrees ?? bend.angleDegrees)}. ${learnedWords(learned)} A little at a time; read again after every few taps.`,
        }
      : null;
  const reach = (clock: number, x: number, y: number) =>
    x * Math.cos((clock * Math.PI) / 180) + y * Math.sin((clock * Math.PI) / 180);
  const farthest = line.centres.reduce((a, b) => (Math.hypot(b.x, b.y) > Math.hypot(a.x, a.y) ? b : a));
  const toward = bend?.towardClock ?? ((Math.atan2(farthest.y, farthest.x) * 180) / Math.PI + 360) % 360;
  const findings = [...(finding ? [finding] : []), ...twist.findings];
  const says = [
    findingsSay(findings),
    ...(finding ? [] : [phrase`The centres lie in a zone of ${length(line.zone)}.`]),
    twist.says,
  ];
  return withFacts(report, [fact, ...more], {
    says: joined(says),
    sound: silence,
    findings,
    line,
    passes,
    curve: line.centres.map(({ at, x, y }) => ({ at, value: reach(toward, x, y), reference: 0 })),
    curveWords: `Centre line toward ${clockWords(toward)}`,
  });
}
