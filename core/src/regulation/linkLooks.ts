import type { InstrumentType } from '../instruments';
import { coarsestGauge, readPoint } from '../measures';
import type { JobState } from '../job';
import { solveConformity } from '../metrology';
import { pointsOf, tickWords, type ReadingState, type Staleness, type TickState } from '../readings';
import { usualFilm } from '../stock';
import { landingOf, landingWords } from '../survey';
import { length, phrase, type Phrase } from '../units';
import { adjustmentOf } from './adjustment.kind';

/** All that the regulation of a job is worked out from. */
export type RegulatedJob = Pick<
  JobState,
  | 'points'
  | 'ticks'
  | 'passes'
  | 'tolerances'
  | 'practice'
  | 'observations'
  | 'adjustments'
  | 'operations'
  | 'ruleChanges'
>;

type Link = InstrumentType['links'][number];

/**
 * What a look at a link shows: how late the follower is, mm under its pad; less than nothing where its driver is the late
 * one. Words and pulls are intervals: no more is made of them than they say.
 */
export interface LinkLook {
  link: string;
  /** keys that were held down meanwhile */
  held: readonly string[];
  low: number;
  high: number;
  /** what was said or read */
  words: Phrase;
  entry: string;
  seq: number;
  /** turned since: the look is moved by what the turn should have done, and waits to be taken again */
  turnedSince: boolean;
  /** with keys held: what each link was turned by since, mm; the look tells of the time before */
  turns: ReadonlyMap<string, number>;
}

/** “Together”, seen by light alone, is no finer than this, mm. */
const byEye = 0.03;

/** What each word or pull amounts to, by the thickness of the film. */
const intervals: Record<string, (film: number) => readonly [number, number]> = {
  'evenly-tight': (film) => [-film / 2, film / 2],
  'follower-drags': (film) => [film * 0.3, film],
  'driver-drags': (film) => [-film, -film * 0.3],
  'follower-free': (film) => [film * 0.8, Infinity],
  'driver-free': (film) => [-Infinity, -film * 0.8],
  'lands-together': () => [-byEye, byEye],
  'driver-first': () => [byEye, Infinity],
  'follower-first': () => [-Infinity, -byEye],
};
const ofLanding = { driver: 'driver-first', together: 'lands-together', follower: 'follower-first' } as const;

/** What a word or a pull at a link amounts to, mm late; null for what is not said of links. */
export const intervalOf = (says: string, film = usualFilm): readonly [low: number, high: number] | null =>
  intervals[says]?.(film) ?? null;

/** What each link was turned by after an entry, mm; later is positive. Entries are counted from 1. */
export function turnsSince({ adjustments }: Pick<RegulatedJob, 'adjustments'>, seq: number): Map<string, number> {
  const turns = new Map<string, number>();
  for (const { link, change, seq: at } of adjustments) if (at > seq) turns.set(link, (turns.get(link) ?? 0) + change);
  return turns;
}

/** Does a look that went stale still say something? Only where nothing but turns of adjusters came between. */
const onlyTurned = (link: string, stale: Staleness | null | undefined, workedSince: boolean) =>
  !stale || (stale.operation === adjustmentOf(link) && !workedSince);

/**
 * Every look at one link that still says something, newest last: figures, pulls and words, alone and with other keys
 * held. A turn of the link’s own adjuster moves what was seen before it alone; with keys held it hangs on all that closes
 * the same pad, and the look is kept as what was seen at its time.
 */
export function looksAt(state: RegulatedJob, type: InstrumentType, link: Link): LinkLook[] {
  const looks: LinkLook[] = [];
  const workedSince = (seq: number) =>
    [...state.operations.values()].some((operation) => operation.status === 'done' && operation.seq > seq);
  const company = type.links.filter(({ follower }) => follower === link.follower).map(({ id }) => id);
  const take = (look: Omit<LinkLook, 'link' | 'turnedSince' | 'turns'>) => {
    const turns = turnsSince(state, look.seq);
    const alone = look.held.length === 0;
    const by = alone ? (turns.get(link.id) ?? 0) : 0;
    const turnedSince = alone ? turns.has(link.id) : company.some((id) => turns.has(id));
    looks.push({ ...look, link: link.id, low: look.low + by, high: look.high + by, turnedSince, turns });
  };
  const figure = (held: readonly string[], value: number, told: readonly ReadingState[], last: ReadingState) => {
    const { expandedUncertainty: doubt } = solveConformity({
      readings: [value],
      gauge: coarsestGauge(told),
      limits: {},
    });
    const words = phrase`${length(value)} late`;
    take({ held, low: value - doubt, high: value + doubt, words, entry: last.entry, seq: last.seq });
  };
  const tells = ({ stale, seq }: Pick<TickState, 'stale' | 'seq'>) => onlyTurned(link.id, stale, workedSince(seq));
  for (const { point, readings } of pointsOf(state, 'link', link.id)) {
    if (point.measure !== 'lateness') continue;
    if (point.held !== undefined) {
      for (const reading of readings.filter(tells)) figure(point.held, reading.value, [reading], reading);
      continue;
    }
    const { fresh, stale, mean } = readPoint(state, point);
    const told = fresh.length > 0 ? fresh : stale.slice(-1).filter(tells);
    const last = told.at(-1);
    if (last) figure([], fresh.length > 0 ? (mean ?? last.value) : last.value, told, last);
  }
  for (const newest of state.ticks.values()) {
    if (newest.group !== 'link' || newest.part !== link.id) continue;
    for (const tick of [...(newest.earlier ?? []), newest].filter(tells)) {
      const interval = intervalOf(tick.says, tick.film);
      if (!interval) continue;
      const { held = [], entry, seq } = tick;
      take({ held, low: interval[0], high: interval[1], words: tickWords(tick), entry, seq });
    }
  }
  for (const observation of state.observations.values()) {
    // What the survey saw says nothing of what has been worked on since.
    if (observation.about !== 'landing' || workedSince(observation.seq)) continue;
    const seen = landingOf(type, observation);
    if (seen?.link.id !== link.id) continue;
    const interval = intervalOf(ofLanding[seen.lands]);
    if (!interval) continue;
    const words = phrase`${landingWords(type, link)[seen.lands]}`;
    take({ held: [], low: interval[0], high: interval[1], words, entry: observation.entry, seq: observation.seq });
  }
  return looks.sort((a, b) => a.seq - b.seq);
}
