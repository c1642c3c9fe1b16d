import { firstLine } from '../../body';
import { referenceKey } from './definition';
import type { Learned } from '../../metrology';
import { upperLimit } from '../../practice';
import { along, degrees, joined, length, phrase, silence, type Phrase } from '../../units';
import { clockWords, severityAgainst } from '../base/figureWords';
import {
  findingsSay,
  judgeFigure,
  plainFigure,
  withFacts,
  type PartReport,
  type ReportFact,
  type ReportFinding,
} from '../base/partReport';
import { bellTurn, learnedReturn, straightenPasses, turnPasses } from '../base/passHistory';
import { enoughStations, lineStations, ofLine } from './stations';
import type { PointReading } from '../base/pointReading';
import { ofMeasure, taken, worstOf, type ReportContext } from '../base/reportContext';

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

/** The gaps under the key the bell was gauged by last: any sound one will do, and one may be chosen after another. */
function keyGaps(report: PartReport): PointReading[] {
  const gaps = ofMeasure(report, 'key-gap');
  const newest = ({ fresh, stale }: PointReading) => Math.max(0, ...[...fresh, ...stale].map(({ seq }) => seq));
  const last = gaps.reduce<PointReading | null>((a, b) => (a && newest(a) >= newest(b) ? a : b), null);
  return gaps.filter(({ point }) => point.at === last?.point.at);
}

/** How far a bell stands turned: what the witness marks say and what the reference key says. */
function twistOf(
  { type, limits }: ReportContext,
  report: PartReport,
): { facts: ReportFact[]; findings: ReportFinding[]; says: Phrase } {
  const nothing = { facts: [], findings: [], says: silence };
  const limit = upperLimit('witnessGap', limits);
  const section = type.sections.find(({ id }) => id === report.part);
  const marks = ofMeasure(report, 'mark-gap').filter(({ mean: read }) => read !== null);
  const gaps = keyGaps(report);
  const key = referenceKey(type, report.part, gaps[0]?.point.at);
  if (!section || limit === null || (marks.length === 0 && gaps.every(({ mean: read }) => read === null)))
    return nothing;
  const facts: ReportFact[] = [];
  const findings: ReportFinding[] = [];
  const says: Phrase[] = [];
  if (marks.length > 0) {
    const { off, turned } = bellTurn(
      section,
      marks.map(({ point, mean }) => ({ point, mean: mean ?? 0 })),
    );
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
    if (fact.verdict !== 'outside') continue;
    const cause = phrase`The reference key of ${key.name} is open by ${length(Math.abs(a - b))} more ${a > b ? near.where : far.where}`;
    says.push(phrase`${cause}: ${means}.`);
    // With marks that meet the bell is not turned; where nobody has read any, the key alone speaks.
    if (id === 'key-along' && marks.length === 0)
      findings.push({
        kind: 'bell-turned',
        severity: severityAgainst(Math.abs(a - b), limit),
        cause: phrase`${cause}: the bell is turned.`,
        remedy: [
          'Turn the bell past, let it return, go back less, and log each push; good when the key is even front to back and the marks meet.',
        ],
      });
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

/** What three stations say of a line: whether it is straight enough, and if not, that more are to be read before a push. */
function firstNumber(
  stations: ReturnType<typeof lineStations>,
  limit: number,
  sighted: readonly PointReading[],
): { fact: ReportFact; findings: ReportFinding[]; missing: Phrase } | null {
  const line = firstLine(stations);
  if (!line) return null;
  const fact = judgeFigure('straightness', 'Straightness zone, a first number', 'mm', line.zone, worstOf(sighted), {
    upper: limit,
  });
  if (fact.verdict !== 'outside') return { fact, findings: [], missing: silence };
  const bent: ReportFinding = {
    kind: 'body-bent',
    severity: severityAgainst(line.zone, limit),
    cause: phrase`Three stations say: bent toward ${clockWords(line.towardClock)}, by ${length(line.zone)} in all.`,
    remedy: ['Read more stations before it is pushed: three do not tell a bend from a bow, nor where it is.'],
  };
  return { fact, findings: [bent], missing: ['More stations say where it is bent, and how far to push.'] };
}

/** A section's line: its quarter lines, its run-out, and for a bell how it stands to the body. */
export function lineReport(context: ReportContext, report: PartReport): PartReport {
  const { state, type, limits, answers } = context;
  const zone = upperLimit('bodyStraightness', limits);
  const sighted = report.points.filter(ofLine);
  const twist = twistOf(context, report);
  const more = [...runOutOf(context, report), ...twist.facts];
  const stations = lineStations(taken(sighted));
  const passes = straightenPasses(state, report.part, answers.line);
  const turns = turnPasses(state, type, report.part);
  const learned = learnedReturn(passes);
  if (stations.length < enoughStations || zone === null) {
    const first = zone === null ? null : firstNumber(stations, zone, sighted);
    const facts = [...(first ? [first.fact] : []), ...more];
    const missing =
      first?.missing ??
      phrase`Sight along the quarter lines: three stations for a first number, three lines or more at each (${stations.length} so far).`;
    if (facts.length === 0) return { ...report, missing, passes, turns };
    const findings = [...(first?.findings ?? []), ...twist.findings];
    return withFacts(report, facts, {
      missing,
      findings,
      says: joined([findingsSay(findings), twist.says]),
      passes,
      turns,
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
    turns,
    curve: line.centres.map(({ at, x, y }) => ({ at, value: reach(toward, x, y), reference: 0 })),
    curveWords: `Centre line toward ${clockWords(toward)}`,
  });
}
