import { fingeringNames, holeOfNote, type InstrumentType } from '../../instruments';
import { medianOf } from '../../metrology';
import { upperLimit } from '../../practice';
import { joined, phrase, type Phrase, type Quantity } from '../../units';
import { severityAgainst } from '../base/figureWords';
import type { MeasuredJob } from '../base/measuredJob';
import { judgeFigure, plainFigure, withFacts, type PartReport } from '../base/partReport';
import { readPoint, type PointReading } from '../base/pointReading';
import { ofMeasure, type ReportContext } from '../base/reportContext';
import type { Suggestion } from '../base/suggestion';

/** So many notes are read before their middle says how the instrument as a whole is tuned. */
const fewestForAnchor = 5;
/** The speed of sound rises with the root of the temperature: cents a degree, about 20 °C. */
const centsPerDegree = 2.95;
/** Air that differs by less moves no note that an ear would tell, °C. */
const sameAir = 2;

/** How far a note is from its name, as a figure in a sentence. */
const cents = (value: number): Quantity => ({ value, unit: 'cents' });

const pitchPoint = (part: string) => ({ group: 'pitch', part, measure: 'cents', clock: 0 }) as const;

/** How far a note was read from its name, by its id: what is still true of it. */
export const notePitch = (state: MeasuredJob, id: string): PointReading => readPoint(state, pitchPoint(id));

/** All notes that were read, taken together. */
interface WholePitch {
  /** how the instrument as a whole is tuned, cents; null before five notes were read */
  anchor: number | null;
  /** the lowest and highest temperature they were read at, °C; null where nobody wrote one down */
  air: [number, number] | null;
}

function wholePitch(state: MeasuredJob, type: InstrumentType): WholePitch {
  const read: number[] = [];
  const air: number[] = [];
  for (const id of fingeringNames(type).keys()) {
    const { mean, fresh } = notePitch(state, id);
    if (mean === null) continue;
    read.push(mean);
    for (const { temperature } of fresh) if (temperature !== null) air.push(temperature);
  }
  return {
    anchor: read.length < fewestForAnchor ? null : medianOf(read),
    air: air.length === 0 ? null : [Math.min(...air), Math.max(...air)],
  };
}

/**
 * How the instrument as a whole is tuned, cents: the middle of its notes. A player moves a slide, a mouthpiece or a head
 * by as much; holes are judged by what is left. Null before five notes were read.
 */
export const noteAnchor = (state: MeasuredJob, type: InstrumentType): number | null => wholePitch(state, type).anchor;

/** How far every note that was read stands beside the whole instrument, cents, by its fingering. */
export function notesBeside(state: MeasuredJob, type: InstrumentType): Map<string, number> {
  const anchor = noteAnchor(state, type) ?? 0;
  return new Map(
    [...fingeringNames(type).keys()].flatMap((id): [string, number][] => {
      const { mean } = notePitch(state, id);
      return mean === null ? [] : [[id, mean - anchor]];
    }),
  );
}

/** A note as it was read: from its name, and from where the whole instrument stands. */
export function pitchReport({ state, type, limits }: ReportContext, report: PartReport): PartReport {
  const [point] = ofMeasure(report, 'cents');
  const [spread] = ofMeasure(report, 'spread');
  if (!point || point.mean === null) return { ...report, missing: ['Read how many cents it is from its name.'] };
  const { anchor, air } = wholePitch(state, type);
  const limit = upperLimit('noteCents', limits);
  const own = point.mean - (anchor ?? 0);
  const name = anchor === null ? 'From its name' : 'From its name, the whole in tune';
  const fact =
    limit === null
      ? plainFigure('cents', name, 'cents', own)
      : judgeFigure('cents', name, 'cents', own, [point], { lower: -limit, upper: limit });
  const warnings =
    air && air[1] - air[0] > sameAir
      ? [
          `Notes were read at ${air[0]} to ${air[1]} °C: sound is about ${Math.round(centsPerDegree * (air[1] - air[0]))} cents sharper in the warmer.`,
        ]
      : [];
  const wavers = spread?.mean == null ? [] : [plainFigure('spread', 'It wavers by', 'cents', spread.mean)];
  const whole = anchor === null ? [] : [plainFigure('anchor', 'The instrument as a whole', 'cents', anchor)];
  return withFacts(report, [fact, ...wavers, ...whole], {
    warnings: [...report.warnings, ...warnings],
    ...(fact.verdict === 'outside' && { says: phrase`${own < 0 ? 'Flat' : 'Sharp'} by ${cents(Math.abs(own))}.` }),
  });
}

/** Notes that come out of one hole, as far as they were read, from where the whole instrument stands. */
export interface SharedHole {
  hole: string;
  notes: { id: string; name: string; cents: number; outside: boolean; entries: readonly string[]; seq: number }[];
}

/** Every hole with the notes that come out of it: they move together when it is altered. */
export function sharedHoles(
  state: MeasuredJob,
  type: InstrumentType,
  reports: ReadonlyMap<string, PartReport>,
): SharedHole[] {
  const names = fingeringNames(type);
  const beside = notesBeside(state, type);
  const byHole = new Map<string, SharedHole['notes']>();
  for (const [id, hole] of holeOfNote(type)) {
    const off = beside.get(id);
    if (off === undefined) continue;
    const { fresh } = notePitch(state, id);
    byHole.set(hole, [
      ...(byHole.get(hole) ?? []),
      {
        id,
        name: names.get(id) ?? id,
        cents: off,
        outside: reports.get(`pitch:${id}`)?.state === 'outside',
        entries: fresh.map(({ entry }) => entry),
        seq: Math.max(0, ...fresh.map(({ seq }) => seq)),
      },
    ]);
  }
  return type.holes.flatMap(({ id }) => {
    const notes = byHole.get(id);
    return notes ? [{ hole: id, notes }] : [];
  });
}

/** How the notes of one hole lean: the same way, as far as they are out, or one against the other. */
export type Lean = 'within' | 'flat' | 'sharp' | 'disagree';

/** @param limit how far a note may be off, cents */
export function leanOf({ notes }: SharedHole, limit: number): Lean {
  const [first] = notes.filter(({ outside }) => outside);
  if (!first) return 'within';
  const side = Math.sign(first.cents);
  // A note that stands the other way by more than half its room would leave its band before the first is mended.
  if (notes.some(({ cents: off }) => Math.sign(off) !== side && Math.abs(off) > limit / 2)) return 'disagree';
  return side < 0 ? 'flat' : 'sharp';
}

const told = (notes: SharedHole['notes']): Phrase =>
  joined(
    notes.map(({ name, cents: off }) => phrase`${name} ${cents(off)}`),
    ', ',
  );

/**
 * What notes out of tune speak for: the hole they come out of, where all that was read of it leans the same way. Where
 * they disagree nothing is proposed, for whatever is cut for one spoils another.
 */
export function suggestFromPitch(
  state: MeasuredJob,
  type: InstrumentType,
  reports: ReadonlyMap<string, PartReport>,
  limit: number | null,
): Suggestion[] {
  if (limit === null || noteAnchor(state, type) === null) return [];
  return sharedHoles(state, type, reports).flatMap((shared): Suggestion[] => {
    const { hole, notes } = shared;
    const lean = leanOf(shared, limit);
    if (lean === 'within' || lean === 'disagree') return [];
    const out = notes.filter(({ outside }) => outside);
    const side = lean === 'flat' ? -1 : 1;
    const worst = Math.max(...out.map(({ cents: off }) => Math.abs(off)));
    return [
      {
        key: `tuning-${side < 0 ? 'low' : 'high'}:${hole}`,
        kind: side < 0 ? 'tuning-low' : 'tuning-high',
        part: hole,
        severity: severityAgainst(worst, limit),
        cause: phrase`${out.length === 1 ? 'Its note is' : 'Its notes are'} ${side < 0 ? 'flat' : 'sharp'}: ${told(out)}.`,
        remedy: ['Leaks and venting first. Then see at Tuning what else moves with this hole, before anything is cut.'],
        why: phrase`Read: ${told(notes)}; the limit is ${cents(limit)} either way, the whole in tune.`,
        evidence: notes.flatMap(({ entries }) => entries),
        newestSeq: Math.max(...notes.map(({ seq }) => seq)),
      },
    ];
  });
}
