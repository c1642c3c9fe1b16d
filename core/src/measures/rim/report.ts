import type { InstrumentType } from '../../instruments';
import type { MeasuredJob } from '../base/measuredJob';
import type { MeasuringPoint } from '../../readings';
import { solveConformity, type ConformityOutput, type Gauge } from '../../metrology';
import { rimLimits, workLimit } from '../../practice';
import { solveRim, type RimInput, type RimOutput } from '../../rims';
import { eighths } from '../definition';
import { limitsOf } from '../base/limitsOf';
import { wholeState, type MeasureState } from '../base/measureState';
import { judgedFigure, type PartFigures } from '../base/partReport';
import { coarsestGauge, readPoint, type PointReading } from '../base/pointReading';

/** Clock positions a rim is read at. Eight shows a saddle and a chip; the diameters four ways show an oval hole. */
export const rimClocks = eighths;
export const diameterClocks = [0, 45, 90, 135] as const;
const fewestHeights = 6;
const fewestDiameters = 3;

export interface RimPoint extends PointReading {
  state: MeasureState;
}

export interface RimReport {
  part: string;
  state: MeasureState;
  limits: ReturnType<typeof rimLimits>;
  heights: RimPoint[];
  diameters: RimPoint[];
  /** what the `rim` solver is to be asked, once six heights are fresh */
  rimInput: RimInput | null;
  /** its answer; null while it is being worked out */
  rim: RimOutput | null;
  /** the flatness as a measured quantity, with the doubt of the gauge */
  flatness: ConformityOutput | null;
  evidence: string[];
  newestSeq: number;
  /** the unevenness of the rim at these clocks, or null where no reading stands at one of them */
  residualsAt: (clocks: readonly number[]) => { clock: number; residual: number }[] | null;
}

export const heightPoint = (part: string, clock: number): MeasuringPoint => ({
  group: 'rim',
  part,
  measure: 'height',
  clock,
});
export const diameterPoint = (part: string, clock: number): MeasuringPoint => ({
  group: 'rim',
  part,
  measure: 'diameter',
  clock,
});

/** A flatness is the difference of two readings of one gauge: each doubt counts twice, in quadrature. */
const differenceGauge = (gauge: Gauge): Gauge => ({
  resolution: gauge.resolution * Math.SQRT2,
  maxPermissibleError: gauge.maxPermissibleError * Math.SQRT2,
});

const samplesOf = (points: readonly PointReading[]) =>
  points.flatMap(({ point, mean }) => (mean === null ? [] : [{ clock: point.clock, mean }]));

const freshness = (reading: PointReading): MeasureState => {
  if (reading.fresh.length > 0) return 'within';
  return reading.stale.length > 0 ? 'stale' : 'unmeasured';
};

/** Answers the `rim` question, or null when the answer is still on its way. */
export type RimAnswers = (input: RimInput) => RimOutput | null;

/** A rim as its readings show it now, or null when the instrument has no such hole. */
export function rimReport(
  state: MeasuredJob,
  type: InstrumentType,
  part: string,
  rimOf: RimAnswers = solveRim,
): RimReport | null {
  const hole = type.holes.find(({ id }) => id === part);
  if (!hole) return null;
  const source = limitsOf(state, type);
  const limits = rimLimits(source, hole.diameter);
  const points = (clocks: readonly number[], at: typeof heightPoint): RimPoint[] =>
    clocks.map((clock) => {
      const reading = readPoint(state, at(part, clock));
      return { ...reading, state: freshness(reading) };
    });
  const heights = points(rimClocks, heightPoint);
  const diameters = points(diameterClocks, diameterPoint);
  const heightSamples = samplesOf(heights);
  const diameterSamples = samplesOf(diameters);

  const rimInput: RimInput | null =
    heightSamples.length >= fewestHeights
      ? {
          heights: heightSamples.map(({ clock, mean }) => ({ clock, height: mean })),
          ...(diameterSamples.length >= fewestDiameters && {
            diameters: diameterSamples.map(({ clock, mean }) => ({ clock, diameter: mean })),
          }),
          limits,
          stock: { maxRemoval: workLimit('rimRemoval', source) },
        }
      : null;
  const rim = rimInput && rimOf(rimInput);
  const freshHeights = heights.flatMap(({ fresh }) => fresh);
  const flatness =
    rim &&
    solveConformity({
      readings: [rim.flatness],
      gauge: differenceGauge(coarsestGauge(freshHeights)),
      limits: { upper: limits.flatness },
    });

  const fresh = [...freshHeights, ...diameters.flatMap((point) => point.fresh)];
  const faults = rim ? [rim.verdicts.tilt, rim.verdicts.ovality].filter((verdict) => verdict === 'outside') : [];
  const missing = heights.map((point) => point.state).filter((pointState) => pointState !== 'within');
  return {
    part,
    state: wholeState([...(flatness ? [flatness.verdict] : []), ...faults.map(() => 'outside' as const), ...missing]),
    limits,
    heights,
    diameters,
    rimInput,
    rim,
    flatness,
    evidence: fresh.map(({ entry }) => entry),
    newestSeq: Math.max(0, ...fresh.map(({ seq }) => seq)),
    residualsAt: (clocks) => {
      const found = clocks.map((clock) => rim?.residuals.find((sample) => sample.clock === clock));
      return found.every((sample) => sample !== undefined) ? found : null;
    },
  };
}

/** A rim as one figure: its flatness, where enough of it was read. */
export function rimFigures(state: MeasuredJob, type: InstrumentType, part: string): PartFigures | null {
  const report = rimReport(state, type, part);
  if (!report) return null;
  const { flatness, limits } = report;
  const fact = flatness && judgedFigure('flatness', 'Flatness', flatness, { upper: limits.flatness });
  return { state: report.state, facts: fact ? [fact] : [] };
}
