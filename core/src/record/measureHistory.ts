import type { InstrumentType } from '../instruments';
import { padReport, partReport, rimReport, type ReportFact } from '../judgement';
import type { JobState } from '../job';
import type { PointState } from '../readings';
import type { KeptUnit } from '../units';
import type { MeasureGroup } from '../vocabulary';

/** A figure as the record shows it: value ± expanded uncertainty, in the unit of its row. */
export interface RecordFigure {
  value: number;
  uncertainty: number;
}

export interface BeforeAfter {
  group: MeasureGroup;
  part: string;
  /** the fact it is, see `ReportFact`; a group and a part have at most one of each */
  id: string;
  /** what the figure is, in words */
  what: string;
  unit: KeptUnit;
  limit: { lower?: number; upper?: number };
  before: RecordFigure | null;
  after: RecordFigure;
  /** true when the last reading was disturbed after it was taken */
  stale: boolean;
}

/** Readings of a part that do not come to a figure yet. */
export interface ReadOnly {
  group: MeasureGroup;
  part: string;
  readings: number;
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

/** The figures of one part that a limit judges, by their ids. */
function figuresOf(state: JobState, type: InstrumentType, group: string, part: string): Map<string, ReportFact> {
  const facts = partReport(state, type, group, part)?.facts ?? [];
  return new Map(facts.filter(({ verdict }) => verdict !== null).map((fact) => [fact.id, fact]));
}
const figure = ({ value, uncertainty }: ReportFact): RecordFigure => ({ value, uncertainty: uncertainty ?? 0 });

/** What a pad or a rim comes to, told like any other figure. */
function rounds(state: JobState, type: InstrumentType, first: JobState, last: JobState): BeforeAfter[] {
  const rows: BeforeAfter[] = [];
  const add = (
    row: Omit<BeforeAfter, 'unit' | 'before' | 'after'>,
    before: RecordFigure | null,
    after: RecordFigure | null,
  ) => after && rows.push({ ...row, unit: 'mm', before: differs(before, after) ? before : null, after });
  for (const { id: part } of type.holes) {
    const rim = rimReport(state, type, part);
    if (rim)
      add(
        {
          group: 'rim',
          part,
          id: 'flatness',
          what: 'flatness',
          limit: { upper: rim.limits.flatness },
          stale: rim.state === 'stale',
        },
        rimFigure(first, type, part),
        rimFigure(last, type, part),
      );
    const pad = padReport(state, type, part);
    if (pad)
      add(
        {
          group: 'pad',
          part,
          id: 'widest-gap',
          what: 'widest gap',
          limit: { upper: pad.limit },
          stale: pad.state === 'stale',
        },
        padFigure(first, type, part),
        padFigure(last, type, part),
      );
  }
  return rows;
}

/**
 * What everything that was measured was first and is last: pads and rims in the order of the tube, then every other
 * group, part by part. What was read and comes to no figure is told as such: nothing that was measured is passed over.
 */
export function measureHistory(state: JobState, type: InstrumentType): { rows: BeforeAfter[]; readOnly: ReadOnly[] } {
  const [first, last] = [generation(state, 'first'), generation(state, 'last')];
  const rows = rounds(state, type, first, last);
  const counts = new Map<string, ReadOnly>();
  for (const { point, readings } of state.points.values()) {
    if (readings.length === 0) continue;
    const { group, part } = point;
    const known = counts.get(`${group}:${part}`) ?? { group, part, readings: 0 };
    counts.set(`${group}:${part}`, { ...known, readings: known.readings + readings.length });
  }
  for (const { group, part } of counts.values()) {
    if (group === 'pad' || group === 'rim') continue;
    const [before, after] = [figuresOf(first, type, group, part), figuresOf(last, type, group, part)];
    const stale = partReport(state, type, group, part)?.state === 'stale';
    for (const fact of after.values()) {
      const was = before.get(fact.id);
      rows.push({
        group,
        part,
        id: fact.id,
        what: fact.words.charAt(0).toLowerCase() + fact.words.slice(1),
        unit: fact.unit,
        limit: fact.limit ?? {},
        before: was && was.value !== fact.value ? figure(was) : null,
        after: figure(fact),
        stale,
      });
    }
  }
  const told = new Set(rows.map(({ group, part }) => `${group}:${part}`));
  return { rows, readOnly: [...counts].flatMap(([key, read]) => (told.has(key) ? [] : [read])) };
}
