import { heldKey, matchesMeasure, pointKey, type MeasuringPoint } from './point';
import type { PointState, ReadingState, Staleness } from './readingState';
import type { TickState } from './tick.kind';
import { groupNamed } from '../measures/registry';

/** What a batch may write to: the points of a job that is being folded. */
interface OpenPoints {
  points: Map<string, PointState>;
  /** newest look at each part, by `group:part` and the keys that were held */
  ticks: Map<string, TickState>;
  /** newest play of each note */
  played: Map<string, { stale: Staleness | null }>;
  /** lines of the play test */
  tested: Map<string, { stale: Staleness | null }>;
}

interface Ledger {
  /** points whose lists were made in this batch and may be written in place: copying at every entry would be O(n²) */
  own: Map<string, PointState>;
  /** keys of points with a fresh reading, by measure and part; made when work first asks what it makes stale */
  fresh: Map<string, Set<string>> | null;
}

/** One for each batch, gone with it. */
const ledgers = new WeakMap<OpenPoints, Ledger>();
function ledgerOf(draft: OpenPoints): Ledger {
  const known = ledgers.get(draft) ?? { own: new Map(), fresh: null };
  ledgers.set(draft, known);
  return known;
}

function noteFresh(fresh: Map<string, Set<string>>, key: string, { group, part }: MeasuringPoint): void {
  const place = `${group}:${part}`;
  const known = fresh.get(place);
  if (known) known.add(key);
  else fresh.set(place, new Set([key]));
}

function freshPoints({ points }: OpenPoints): Map<string, Set<string>> {
  const fresh = new Map<string, Set<string>>();
  for (const [key, { point, readings }] of points) if (readings.at(-1)?.stale === null) noteFresh(fresh, key, point);
  return fresh;
}

/** The point's readings as a list that this batch may write to. */
function ownPoint(draft: OpenPoints, { own }: Ledger, key: string, point: MeasuringPoint): PointState {
  const owned = own.get(key);
  if (owned) return owned;
  const fresh = { point, readings: [...(draft.points.get(key)?.readings ?? [])] };
  own.set(key, fresh);
  draft.points.set(key, fresh);
  return fresh;
}

/** A reading comes to its point. */
export function addReading(draft: OpenPoints, point: MeasuringPoint, reading: ReadingState): void {
  const ledger = ledgerOf(draft);
  const key = pointKey(point);
  ownPoint(draft, ledger, key, point).readings.push(reading);
  if (ledger.fresh) noteFresh(ledger.fresh, key, point);
}

/** So many earlier looks with the same keys held are kept: what they showed before a turn still tells how far a rod twists. */
const mostEarlier = 8;

/** A look comes to its part, in place of the one before with the same keys held. */
export function addTick(draft: Pick<OpenPoints, 'ticks'>, tick: TickState): void {
  const key = `${tick.group}:${tick.part}${heldKey(tick.held)}`;
  const before = draft.ticks.get(key);
  if (!before || tick.held === undefined) return void draft.ticks.set(key, tick);
  const { earlier = [], ...last } = before;
  draft.ticks.set(key, { ...tick, earlier: [...earlier, last].slice(-mostEarlier) });
}

/** The one place where work makes readings and looks stale: a done operation, or one pass of a correction. */
export function disturb(draft: OpenPoints, moved: readonly string[], stale: Staleness): void {
  if (moved.length === 0) return;
  const disturbs = moved.some((pattern) => groupNamed(pattern.split(':')[0] ?? '')?.inTheAir)
    ? [...moved, 'pitch:*']
    : moved;
  for (const [id, note] of draft.played)
    if (note.stale === null && disturbs.some((pattern) => matchesMeasure(pattern, 'pitch', id)))
      draft.played.set(id, { ...note, stale });
  // A line is played on the whole instrument: whatever is worked on, it is gone through again.
  for (const [id, line] of draft.tested) if (line.stale === null) draft.tested.set(id, { ...line, stale });
  for (const [key, tick] of draft.ticks)
    if (tick.stale === null && disturbs.some((pattern) => matchesMeasure(pattern, tick.group, tick.part)))
      draft.ticks.set(key, { ...tick, stale });
  const ledger = ledgerOf(draft);
  const fresh = (ledger.fresh ??= freshPoints(draft));
  // Only what is fresh is looked at: work after work on points that are stale already costs nothing.
  for (const [place, keys] of fresh) {
    const [group = '', part = ''] = place.split(':');
    if (!disturbs.some((pattern) => matchesMeasure(pattern, group, part))) continue;
    for (const key of keys) makeStale(draft, ledger, key, stale);
    fresh.delete(place);
  }
}

function makeStale(draft: OpenPoints, ledger: Ledger, key: string, stale: Staleness): void {
  const state = draft.points.get(key);
  if (!state) return;
  const { readings } = ownPoint(draft, ledger, key, state.point);
  // What is fresh stands at the end: everything before it was made stale by an earlier step.
  for (let i = readings.length - 1; i >= 0; i -= 1) {
    const reading = readings[i] as ReadingState;
    if (reading.stale) break;
    readings[i] = { ...reading, stale };
  }
}
