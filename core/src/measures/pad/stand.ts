import type { InstrumentType } from '../../instruments';
import type { MeasuredJob } from '../base/measuredJob';
import { meanOf } from '../../metrology';
import { upperLimit } from '../../practice';
import { length, phrase } from '../../units';
import { severityAgainst } from '../base/figureWords';
import { limitsOf } from '../base/limitsOf';
import { isOutside, judgeFigure, type ReportFact } from '../base/partReport';
import { readPoint, type PointReading } from '../base/pointReading';
import type { Suggestion } from '../base/suggestion';

const standAt = (state: MeasuredJob, hole: string): PointReading =>
  readPoint(state, { group: 'pad', part: hole, measure: 'stand', clock: 0 });

/** The pads of one stack whose stand is known, lowest first. */
const standsOf = (state: MeasuredJob, type: InstrumentType, stack: string): PointReading[] =>
  type.pads
    .filter((pad) => pad.stack === stack)
    .map(({ hole }) => standAt(state, hole))
    .filter(({ mean }) => mean !== null)
    .sort((a, b) => (a.mean ?? 0) - (b.mean ?? 0));

function spreadOf(read: readonly PointReading[], limit: number): ReportFact | null {
  const [least, most] = [read[0], read.at(-1)];
  if (!least || !most || read.length < 2) return null;
  return judgeFigure(
    'stand-spread',
    'Spread of pad stand in the stack',
    'mm',
    (most.mean ?? 0) - (least.mean ?? 0),
    [least, most],
    { upper: limit },
  );
}

/**
 * What is known of how a pad stands: how far the pads of its stack are spread, as far as they have been read, and how
 * the new pad stands against the one that was pulled.
 */
export function padStandFacts(state: MeasuredJob, type: InstrumentType, part: string): ReportFact[] {
  const stack = type.pads.find(({ hole }) => hole === part)?.stack;
  const limit = upperLimit('padStandSpread', limitsOf(state, type));
  if (limit === null) return [];
  const facts: ReportFact[] = [];
  const now = standAt(state, part);
  const before = now.stale.at(-1);
  if (now.mean !== null && before)
    facts.push(
      judgeFigure(
        'stand-change',
        'Stand against what it was before',
        'mm',
        now.mean - before.value,
        [now, { ...now, fresh: [before] }],
        { lower: -limit, upper: limit },
      ),
    );
  const spread = stack === undefined ? null : spreadOf(standsOf(state, type, stack), limit);
  return spread ? [...facts, spread] : facts;
}

/** What the stand of pads speaks for: the one that stands farthest from the others of its stack, or from what it was before. */
export function suggestFromStands(
  state: MeasuredJob,
  type: InstrumentType,
  names: ReadonlyMap<string, string>,
): Suggestion[] {
  const limit = upperLimit('padStandSpread', limitsOf(state, type));
  if (limit === null) return [];
  const name = (part: string) => names.get(part) ?? part;
  const suggest = (of: PointReading, against: readonly PointReading[], off: number, cause: Suggestion['cause']) => ({
    key: `pad-worn:${of.point.part}`,
    kind: 'pad-worn' as const,
    part: of.point.part,
    severity: severityAgainst(Math.abs(off), limit),
    cause,
    remedy: [
      off > 0
        ? 'A thinner pad, or less behind it: bend no cup to make up for a pad that stands too high.'
        : 'A thicker pad, or more behind it: bend no cup to make up for a pad that stands too low.',
    ],
    why: phrase`${length(Math.abs(off))} off, limit ${length(limit)}.`,
    evidence: [of, ...against].flatMap(({ fresh }) => fresh.map(({ entry }) => entry)),
    newestSeq: Math.max(0, ...[of, ...against].flatMap(({ fresh }) => fresh.map(({ seq }) => seq))),
  });
  const stacks = [...new Set(type.pads.flatMap(({ stack }) => stack ?? []))];
  const apart = stacks.flatMap((stack): Suggestion[] => {
    const read = standsOf(state, type, stack);
    const spread = spreadOf(read, limit);
    const [least, most] = [read[0], read.at(-1)];
    if (spread?.verdict !== 'outside' || !least || !most) return [];
    // With two pads either may be the odd one: the higher is named, since it is the easier to make lower.
    const middle = meanOf(read.map(({ mean }) => mean ?? 0));
    const odd = (most.mean ?? 0) - middle >= middle - (least.mean ?? 0) ? most : least;
    const others = read.filter((each) => each !== odd);
    const off = (odd.mean ?? 0) - meanOf(others.map(({ mean }) => mean ?? 0));
    return [
      suggest(
        odd,
        others,
        off,
        phrase`The pads of one stack stand ${length(spread.value)} apart: ${name(most.point.part)} highest, ${name(least.point.part)} lowest. ${name(odd.point.part)} stands out.`,
      ),
    ];
  });
  const changed = type.pads.flatMap(({ hole }): Suggestion[] => {
    const facts = padStandFacts(state, type, hole);
    const change = facts.find(({ id }) => id === 'stand-change');
    if (!change || !isOutside(facts, 'stand-change')) return [];
    return [
      suggest(
        standAt(state, hole),
        [],
        change.value,
        phrase`The pad stands ${length(Math.abs(change.value))} ${change.value > 0 ? 'higher' : 'lower'} than it did before.`,
      ),
    ];
  });
  return [...apart, ...changed];
}
