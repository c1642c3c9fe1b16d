import type { BodyLineOutput } from '../../body';
import type { BoreOutput } from '../../bore';
import type { MeasurePlace } from '../definition';
import type { InstrumentType } from '../../instruments';
import type { JointOutput } from '../../joints';
import type { MeasuredJob } from './measuredJob';
import { pointKey, pointsOf, type MeasuringPoint } from '../../readings';
import { solveConformity, type ConformityOutput, type Gauge } from '../../metrology';
import { joined, phrase, silence, type KeptUnit, type Phrase } from '../../units';
import type { FindingKind, Measure, MeasureGroup, SpringFault } from '../../vocabulary';
import { airWarnings } from './airWarnings';
import type { StraightenPass, TurnPass, ZoneGrowth } from './passHistory';
import { wholeState, type MeasureState } from './measureState';
import { coarsestGauge, readPoint, type PointReading } from './pointReading';

/** A figure a report comes to, with its limit and verdict where it has one. */
export interface ReportFact {
  /** what it is, whatever it is called: reports, records and pages find it by this */
  id: string;
  words: string;
  value: number;
  unit: KeptUnit;
  /** expanded uncertainty, where the gauges give one */
  uncertainty: number | null;
  limit: { lower?: number; upper?: number } | null;
  verdict: MeasureState | null;
  /** what was read to come to it, with the coarsest gauge at each place: what could decide it stands on this */
  sources: FigureSource[];
}

/** One place a figure rests on. */
export interface FigureSource {
  measure: Measure;
  gauge: Gauge;
}

/** A finding a report speaks for. */
export interface ReportFinding {
  kind: FindingKind;
  severity: 1 | 2 | 3;
  /** of a spring: what is wrong with it */
  spring?: SpringFault;
  cause: Phrase;
  remedy: Phrase;
}

/** What the readings of one part come to. */
export interface PartFigures {
  state: MeasureState;
  facts: ReportFact[];
}

/** What the readings of one group say of one part. */
export interface PartReport extends PartFigures {
  group: MeasureGroup;
  part: string;
  points: PointReading[];
  /** in a sentence or two: what it is and what would cure it */
  says: Phrase;
  /** what is still missing before anything can be said; empty when it is said */
  missing: Phrase;
  findings: ReportFinding[];
  /** points of a curve to be drawn against its reference, mm along the part */
  curve: { at: number; value: number; reference: number }[];
  curveWords: string;
  /** what should make a reader careful: other air than before, a gauge in doubt */
  warnings: string[];
  /** the solver's own answer, for a page that draws it */
  line?: BodyLineOutput;
  bore?: BoreOutput;
  joint?: JointOutput;
  /** what this part's own passes have taught */
  passes?: StraightenPass[];
  /** pushes that turned a bell, and what each left */
  turns?: TurnPass[];
  steps?: Record<'expand' | 'shrink', ZoneGrowth>;
  evidence: string[];
  newestSeq: number;
}

/** A measuring point of the logbook from a place of the instrument. */
export const pointOf = ({ group, part, measure, at, clock }: MeasurePlace): MeasuringPoint => ({
  group,
  part,
  measure,
  clock: clock ?? 0,
  ...(at !== undefined && { at }),
});

/** A figure made of several readings judged against its limits: each gauge's doubt counts, in quadrature. */
export function judgeFigure(
  id: string,
  words: string,
  unit: ReportFact['unit'],
  value: number,
  parts: readonly PointReading[],
  limit: { lower?: number; upper?: number },
): ReportFact {
  const sources = parts.flatMap(({ point, fresh }) =>
    fresh.length > 0 ? [{ measure: point.measure, gauge: coarsestGauge(fresh) }] : [],
  );
  const gauges = sources.map(({ gauge }) => gauge);
  const conformity = solveConformity({
    readings: [value],
    gauge: {
      resolution: Math.hypot(...gauges.map(({ resolution }) => resolution)),
      maxPermissibleError: Math.hypot(...gauges.map(({ maxPermissibleError }) => maxPermissibleError)),
    },
    limits: limit,
  });
  return {
    id,
    words,
    unit,
    value,
    uncertainty: conformity.expandedUncertainty,
    limit,
    verdict: conformity.verdict,
    sources,
  };
}

/** A length that was judged where it was read. */
export const judgedFigure = (
  id: string,
  words: string,
  { mean, expandedUncertainty, verdict }: ConformityOutput,
  limit: { lower?: number; upper?: number },
): ReportFact => ({
  id,
  words,
  value: mean,
  unit: 'mm',
  uncertainty: expandedUncertainty,
  limit,
  verdict,
  sources: [],
});

/** A figure that is only told: nothing judges it. */
export const plainFigure = (id: string, words: string, unit: ReportFact['unit'], value: number): ReportFact => ({
  id,
  words,
  unit,
  value,
  uncertainty: null,
  limit: null,
  verdict: null,
  sources: [],
});

/** What some findings say, one after the other: what it is and what would cure it. Empty where there is none. */
export const findingsSay = (findings: readonly ReportFinding[]): Phrase =>
  joined(findings.flatMap(({ cause, remedy }) => [cause, remedy]));

/** The fact of this id, where the report comes to it. */
export const factOf = (facts: readonly ReportFact[], id: string): ReportFact | undefined =>
  facts.find((fact) => fact.id === id);

/** Is it beyond its limit for certain? */
export const isOutside = (facts: readonly ReportFact[], id: string): boolean =>
  factOf(facts, id)?.verdict === 'outside';

/** The bare report: its points read, nothing judged yet. */
export function readPart(
  state: MeasuredJob,
  type: InstrumentType,
  group: MeasureGroup,
  part: string,
  places: readonly MeasurePlace[],
): PartReport {
  const own = places.filter((place) => place.group === group && place.part === part).map(pointOf);
  const known = new Set(own.map(pointKey));
  // Stations are the technician's to choose: what was read between those of the type counts as well.
  const between = pointsOf(state, group, part)
    .map(({ point }) => point)
    .filter((point) => !known.has(pointKey(point)));
  const points = [...own, ...between.sort((a, b) => (a.at ?? 0) - (b.at ?? 0) || a.clock - b.clock)].map((point) =>
    readPoint(state, point),
  );
  const fresh = points.flatMap((point) => point.fresh);
  return {
    group,
    part,
    state: points.some(({ stale, fresh: now }) => stale.length > 0 && now.length === 0) ? 'stale' : 'unmeasured',
    points,
    facts: [],
    says: silence,
    missing: silence,
    findings: [],
    curve: [],
    curveWords: '',
    warnings: type.body === 'wood' ? airWarnings(fresh) : [],
    evidence: fresh.map(({ entry }) => entry),
    newestSeq: Math.max(0, ...fresh.map(({ seq }) => seq)),
  };
}

/** What the figures come to where no finding speaks for them. The words follow the verdict: only what is within is called sound. */
function verdictSays(state: MeasureState, facts: readonly ReportFact[], sound: Phrase): Phrase {
  const named = (verdict: MeasureState) =>
    facts
      .filter((fact) => fact.verdict === verdict)
      .map(({ words }) => words)
      .join('; ');
  switch (state) {
    case 'within':
      return sound;
    case 'undecided':
      return phrase`Too near the limit to say: ${named('undecided')}. Read it again, or with a finer gauge.`;
    case 'outside':
      return phrase`Outside its limits: ${named('outside')}.`;
    default:
      return silence;
  }
}

/**
 * The report with its verdict: the worst of its figures.
 *
 * @param more.says what it is and what would cure it, whatever the verdict
 * @param more.sound what is said of it where all is within
 */
export function withFacts(
  report: PartReport,
  facts: ReportFact[],
  { sound = ['Within.'], says = silence, ...more }: Partial<PartReport> & { sound?: Phrase },
): PartReport {
  const state = wholeState(facts.flatMap(({ verdict }) => (verdict === null ? [] : [verdict])));
  const findings = more.findings ?? report.findings;
  const verdict = findings.length > 0 ? silence : verdictSays(state, facts, sound);
  return { ...report, state, facts, says: joined([says, verdict]), ...more };
}
