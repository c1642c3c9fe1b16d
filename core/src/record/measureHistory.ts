import type { InstrumentType } from '../instruments';
import { padReport, rimReport } from '../judgement';
import type { JobState } from '../job';
import type { PointState } from '../readings';

/** A figure as the record shows it: value ± expanded uncertainty, mm. */
export interface RecordFigure {
  value: number;
  uncertainty: number;
}

export interface BeforeAfter {
  group: 'pad' | 'rim';
  part: string;
  /** what the figure is, in words */
  what: string;
  limit: number;
  before: RecordFigure | null;
  after: RecordFigure | null;
  /** true when the last reading was disturbed after it was taken */
  stale: boolean;
}

/**
 * The job as it would look if only one generation of readings had ever been taken: the first, the last, or the last one
 * that some work has spoilt since.
 */
export function generation(state: JobState, which: 'first' | 'last' | 'spoilt'): JobState {
  const points = new Map<string, PointState>();
  for (const [key, point] of state.points) {
    const ends =
      which === 'first'
        ? point.readings[0]
        : which === 'last'
          ? point.readings.at(-1)
          : point.readings.findLast(({ stale }) => stale !== null);
    if (!ends) continue;
    const of = ends.stale?.entry ?? null;
    const readings = point.readings
      .filter(({ stale }) => (stale?.entry ?? null) === of)
      .map((reading) => ({ ...reading, stale: null }));
    points.set(key, { ...point, readings });
  }
  return { ...state, points };
}

export function padFigure(state: JobState, type: InstrumentType, part: string): RecordFigure | null {
  const points =
    padReport(state, type, part)?.points.flatMap(({ conformity }) => (conformity ? [conformity] : [])) ?? [];
  const widest = points.reduce<(typeof points)[number] | null>(
    (most, c) => (most && most.mean >= c.mean ? most : c),
    null,
  );
  return widest && { value: widest.mean, uncertainty: widest.expandedUncertainty };
}

export function rimFigure(state: JobState, type: InstrumentType, part: string): RecordFigure | null {
  const flatness = rimReport(state, type, part)?.flatness;
  return flatness ? { value: flatness.mean, uncertainty: flatness.expandedUncertainty } : null;
}

const differs = (a: RecordFigure | null, b: RecordFigure | null) => a?.value !== b?.value;

/** What each measured pad and rim was first and is last, in the order of the tube. */
export function measureHistory(state: JobState, type: InstrumentType): BeforeAfter[] {
  const first = generation(state, 'first');
  const last = generation(state, 'last');
  const rows: BeforeAfter[] = [];
  for (const { id } of type.holes) {
    const rim = rimReport(state, type, id);
    const rimAfter = rimFigure(last, type, id);
    if (rim && rimAfter) {
      const before = rimFigure(first, type, id);
      const stale = rim.state === 'stale';
      rows.push({
        group: 'rim',
        part: id,
        what: 'flatness',
        limit: rim.limits.flatness,
        before: differs(before, rimAfter) ? before : null,
        after: rimAfter,
        stale,
      });
    }
    const pad = padReport(state, type, id);
    const padAfter = padFigure(last, type, id);
    if (pad && padAfter) {
      const before = padFigure(first, type, id);
      const stale = pad.state === 'stale';
      rows.push({
        group: 'pad',
        part: id,
        what: 'widest gap',
        limit: pad.limit,
        before: differs(before, padAfter) ? before : null,
        after: padAfter,
        stale,
      });
    }
  }
  return rows;
}
