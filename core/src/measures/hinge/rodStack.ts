import { reachOf, spansOf, type InstrumentType } from '../../instruments';
import type { MeasuredJob } from '../base/measuredJob';
import { partReport } from '../reports';
import type { MeasureState } from '../base/measureState';
import { length, phrase, silence, type Phrase } from '../../units';
import { judgeFigure, type PartReport, type ReportFact } from '../base/partReport';
import { readPoint, type PointReading } from '../base/pointReading';
import { spanPlay } from './spanPlay';

export interface RodKey {
  key: string;
  name: string;
  /** mm along the rod, from its upper end */
  from: number;
  to: number;
  /** the key whose tube it runs inside; such a tube takes no length of its own */
  nestsIn: string | null;
  length: PointReading;
  state: MeasureState;
  report: PartReport | null;
}

/** Two neighbouring posts and the tubes that have to fit between them. */
export interface RodSpan {
  upper: string;
  lower: string;
  from: number;
  to: number;
  keys: RodKey[];
  gap: PointReading;
  /** what is left between the posts: gap less the sum of the tubes, with its doubt; null until all is read */
  play: ReportFact | null;
  says: Phrase;
}

export interface RodStack {
  rod: string;
  name: string;
  spans: RodSpan[];
  /** the whole rod, when every span has been read */
  play: ReportFact | null;
}

/** What a span comes to, and what to do about it. */
function spanWords(keys: readonly RodKey[], gap: PointReading, play: ReportFact | null, middle: number): Phrase {
  const missing = [
    ...keys
      .filter(({ nestsIn, length }) => nestsIn === null && length.mean === null)
      .map(({ name }) => `the tube of ${name}`),
    ...(gap.mean === null ? ['the gap between its posts'] : []),
  ];
  if (missing.length > 0) return phrase`Still to be read: ${missing.join(', ')}.`;
  if (!play) return silence;
  const off = play.value - middle;
  if (play.verdict === 'within') return ['The tubes fill the gap as they should.'];
  if (play.verdict === 'undecided') return ['The sum of these readings is too near the limit to say.'];
  const share = Math.abs(off) / Math.max(1, keys.filter(({ nestsIn }) => nestsIn === null).length);
  return off > 0
    ? phrase`${length(off)} too much room: lengthen the tubes by ${length(share)} each, the loosest first, or move a post that leans.`
    : phrase`${length(Math.abs(off))} too little room: face ${length(share)} from each tube, the longest first.`;
}

/**
 * One rod with its keys in a row between their posts: the sum of the tubes must fit each gap, see `spanPlay`.
 *
 * @param known reports that are there already, by `group:part`; the rest are worked out here
 */
export function rodStack(
  state: MeasuredJob,
  type: InstrumentType,
  rodId: string,
  known: ReadonlyMap<string, PartReport> = new Map(),
): RodStack | null {
  const rod = type.rods.find(({ id }) => id === rodId);
  if (!rod) return null;
  const spans = spansOf(type, rodId).map((span): RodSpan => {
    const { gap, play, middle } = spanPlay(state, type, span);
    const keys = span.keys.map((key): RodKey => {
      const report = known.get(`hinge:${key.id}`) ?? partReport(state, type, 'hinge', key.id);
      return {
        key: key.id,
        name: key.name,
        ...reachOf(key, rod),
        nestsIn: key.nestsIn ?? null,
        length: readPoint(state, { group: 'hinge', part: key.id, measure: 'tube-length', clock: 0 }),
        state: report?.state ?? 'unmeasured',
        report,
      };
    });
    return {
      upper: span.upper.id,
      lower: span.lower.id,
      from: span.upper.at,
      to: span.lower.at,
      keys,
      gap,
      play,
      says: spanWords(keys, gap, play, middle),
    };
  });
  const plays = spans.flatMap(({ play }) => play ?? []);
  const whole =
    spans.length > 1 && plays.length === spans.length
      ? judgeFigure(
          'room-left-along',
          'Room left along the rod',
          'mm',
          plays.reduce((sum, { value }) => sum + value, 0),
          spans.flatMap(({ gap, keys: on }) => [
            gap,
            ...on.filter(({ nestsIn }) => nestsIn === null).map(({ length }) => length),
          ]),
          {
            lower: plays.reduce((sum, { limit }) => sum + (limit?.lower ?? 0), 0),
            upper: plays.reduce((sum, { limit }) => sum + (limit?.upper ?? 0), 0),
          },
        )
      : null;
  return { rod: rodId, name: rod.name, spans, play: whole };
}
