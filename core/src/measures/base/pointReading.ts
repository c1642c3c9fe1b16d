import { meanOf } from '../../metrology';
import type { MeasuredJob } from './measuredJob';
import { pointKey, type MeasuringPoint, type ReadingState } from '../../readings';

export interface PointReading {
  point: MeasuringPoint;
  /** readings that are still true, oldest first */
  fresh: readonly ReadingState[];
  /** readings that something has disturbed since */
  stale: readonly ReadingState[];
  /** mean of the fresh readings, mm; null when there is none */
  mean: number | null;
}

/** What is known of one measuring point now. */
export function readPoint(state: MeasuredJob, point: MeasuringPoint): PointReading {
  const readings = state.points.get(pointKey(point))?.readings ?? [];
  const fresh = readings.filter((reading) => !reading.stale);
  const stale = readings.filter((reading) => reading.stale);
  const mean = fresh.length > 0 ? meanOf(fresh.map(({ value }) => value)) : null;
  return { point, fresh, stale, mean };
}

/** The coarsest of the gauges that took these readings: a mean is no better than its worst witness. */
export function coarsestGauge(readings: readonly ReadingState[]): { resolution: number; maxPermissibleError: number } {
  return {
    resolution: Math.max(0, ...readings.map(({ gauge }) => gauge.resolution)),
    maxPermissibleError: Math.max(0, ...readings.map(({ gauge }) => gauge.maxPermissibleError)),
  };
}
