import type { InstrumentType } from '../../instruments';
import type { MeasuredJob } from './measuredJob';
import type { LimitSource } from '../../practice';
import type { Sizes } from '../../stock';
import type { GroupAnswers } from './groupAnswers';
import type { PartReport } from './partReport';
import type { PointReading } from './pointReading';

/** All that a report is made from besides its own readings. */
export interface ReportContext {
  state: MeasuredJob;
  type: InstrumentType;
  limits: LimitSource;
  answers: GroupAnswers;
  /** what there is in the shop */
  sizes: Sizes;
}

/** Means of the points that have fresh readings, by what they are taken at. */
export const taken = (points: readonly PointReading[]) =>
  points.flatMap(({ point, mean }) => (mean === null ? [] : [{ ...point, at: point.at ?? 0, mean }]));

export function byStation<T extends { at: number }>(samples: readonly T[]): [number, T[]][] {
  const stations = new Map<number, T[]>();
  for (const sample of samples) stations.set(sample.at, [...(stations.get(sample.at) ?? []), sample]);
  return [...stations].sort(([a], [b]) => a - b);
}

/** The points of one measure. */
export const ofMeasure = ({ points }: PartReport, ...measures: string[]): PointReading[] =>
  points.filter(({ point }) => measures.includes(point.measure));

/** The coarsest witness of several points, as one point. */
export function worstOf(points: readonly PointReading[]): PointReading[] {
  const read = points.filter(({ fresh }) => fresh.length > 0);
  const first = read[0];
  return first ? [{ point: first.point, fresh: read.flatMap(({ fresh }) => fresh), stale: [], mean: null }] : [];
}
