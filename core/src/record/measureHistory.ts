import type { InstrumentType } from '../instruments';
import { partFigures, roundGroups, type ReportFact } from '../measures';
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

/** The figures of one part that a limit judges, by their ids. */
function figuresOf(state: JobState, type: InstrumentType, group: string, part: string): Map<string, ReportFact> {
  const facts = partFigures(state, type, group, part)?.facts ?? [];
  return new Map(facts.filter(({ verdict }) => verdict !== null).map((fact) => [fact.id, fact]));
}
const figure = ({ value, uncertainty }: ReportFact): RecordFigure => ({ value, uncertainty: uncertainty ?? 0 });

/** What was read round the clock comes first, in the order of the tube; then all else as it was met. */
function inOrder(read: readonly ReadOnly[], { holes }: InstrumentType): ReadOnly[] {
  const place = new Map(holes.map(({ id }, i) => [id, i]));
  const round = (group: MeasureGroup) => roundGroups.indexOf(group);
  const [rounds, others] = [true, false].map((isRound) => read.filter(({ group }) => round(group) >= 0 === isRound));
  const along = ({ group, part }: ReadOnly) => (place.get(part) ?? holes.length) * roundGroups.length + round(group);
  return [...(rounds ?? []).sort((a, b) => along(a) - along(b)), ...(others ?? [])];
}

/**
 * What everything that was measured was first and is last: pads and rims in the order of the tube, then every other
 * group, part by part. What was read and comes to no figure is told as such: nothing that was measured is passed over.
 */
export function measureHistory(state: JobState, type: InstrumentType): { rows: BeforeAfter[]; readOnly: ReadOnly[] } {
  const [first, last] = [generation(state, 'first'), generation(state, 'last')];
  const rows: BeforeAfter[] = [];
  const counts = new Map<string, ReadOnly>();
  for (const { point, readings } of state.points.values()) {
    if (readings.length === 0) continue;
    const { group, part } = point;
    const known = counts.get(`${group}:${part}`) ?? { group, part, readings: 0 };
    counts.set(`${group}:${part}`, { ...known, readings: known.readings + readings.length });
  }
  for (const { group, part } of inOrder([...counts.values()], type)) {
    const [before, after] = [figuresOf(first, type, group, part), figuresOf(last, type, group, part)];
    const stale = partFigures(state, type, group, part)?.state === 'stale';
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
