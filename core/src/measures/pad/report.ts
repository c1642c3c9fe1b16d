import type { InstrumentType } from '../../instruments';
import type { MeasuredJob } from '../base/measuredJob';
import type { MeasuringPoint } from '../../readings';
import { solveConformity, type ConformityOutput } from '../../metrology';
import type { SeatInput } from '../../pads';
import { padGapLimit } from '../../practice';
import { usualSizes } from '../../stock';
import { eighths } from '../definition';
import { limitsOf } from '../base/limitsOf';
import { wholeState, type MeasureState } from '../base/measureState';
import { judgedFigure, type PartFigures } from '../base/partReport';
import { coarsestGauge, readPoint, type PointReading } from '../base/pointReading';
import type { RimReport } from '../rim/report';

/** Clock positions a pad is read at: where the light shows and a strip of film can be pulled. */
export const padClocks = eighths;

export interface JudgedPoint extends PointReading {
  state: MeasureState;
  conformity: ConformityOutput | null;
}

export interface PadReport {
  part: string;
  state: MeasureState;
  /** mm */
  limit: number;
  points: JudgedPoint[];
  /** what the `seat` solver is to be asked, once every position has a fresh reading */
  seatInput: SeatInput | null;
  /** entry ids of the fresh readings */
  evidence: string[];
  /** highest sequence number among the fresh readings; 0 when there is none */
  newestSeq: number;
}

export const padPoint = (part: string, clock: number): MeasuringPoint => ({
  group: 'pad',
  part,
  measure: 'gap',
  clock,
});

/** The gaps of a pad as far as they were read and stand, mm, by their clock. */
export const gapsRead = (state: MeasuredJob, hole: string): { clock: number; gap: number }[] =>
  padClocks.flatMap((clock) => {
    const { mean } = readPoint(state, padPoint(hole, clock));
    return mean === null ? [] : [{ clock, gap: mean }];
  });

function judge(reading: PointReading, limit: number): JudgedPoint {
  if (reading.fresh.length === 0) {
    return { ...reading, state: reading.stale.length > 0 ? 'stale' : 'unmeasured', conformity: null };
  }
  const conformity = solveConformity({
    readings: reading.fresh.map(({ value }) => value),
    gauge: coarsestGauge(reading.fresh),
    limits: { upper: limit },
  });
  return { ...reading, state: conformity.verdict, conformity };
}

/**
 * A pad as its readings show it now: each position with its verdict, and the question for the `seat` solver.
 *
 * @param rim what is known of the rim it closes on
 * @param shims thicknesses there are, mm
 */
export function padReport(
  state: MeasuredJob,
  type: InstrumentType,
  part: string,
  rim: RimReport | null = null,
  shims: readonly number[] = usualSizes.shims,
): PadReport | null {
  const pad = type.pads.find(({ hole }) => hole === part);
  if (!pad) return null;
  const limit = padGapLimit(limitsOf(state, type));
  const points = padClocks.map((clock) => judge(readPoint(state, padPoint(part, clock)), limit));
  const fresh = points.flatMap((point) => point.fresh);
  const complete = points.every(({ mean }) => mean !== null);
  const residuals = complete ? rim?.residualsAt(padClocks) : null;
  return {
    part,
    state: wholeState(points.map((point) => point.state)),
    limit,
    points,
    seatInput: complete
      ? {
          gaps: points.map(({ point, mean }) => ({ clock: point.clock, gap: Math.max(0, mean ?? 0) })),
          padDiameter: pad.diameter,
          axisDistance: pad.axisDistance,
          limits: { gap: limit },
          shims: [...shims],
          ...(residuals && { rimResiduals: residuals }),
        }
      : null,
    evidence: fresh.map(({ entry }) => entry),
    newestSeq: Math.max(0, ...fresh.map(({ seq }) => seq)),
  };
}

/** A pad as one figure: its widest gap, where one was read. */
export function padFigures(state: MeasuredJob, type: InstrumentType, part: string): PartFigures | null {
  const report = padReport(state, type, part);
  if (!report) return null;
  const judged = report.points.flatMap(({ conformity }) => (conformity ? [conformity] : []));
  const widest = judged.reduce<ConformityOutput | null>((most, c) => (most && most.mean >= c.mean ? most : c), null);
  const fact = widest && judgedFigure('widest-gap', 'Widest gap', widest, { upper: report.limit });
  return { state: report.state, facts: fact ? [fact] : [] };
}
