import type { InstrumentType } from '../instruments';
import { coarsestGauge, readPoint } from '../judgement';
import type { JobState } from '../job';
import { solveConformity } from '../metrology';
import { pointsOf, tickWords, type Staleness } from '../readings';
import { usualFilm } from '../stock';
import { landingOf, landingWords } from '../survey';
import { length, phrase, type Phrase } from '../units';
import { adjustmentOf } from './adjustment.kind';

/** All that the regulation of a job is worked out from. */
export type RegulatedJob = Pick<
  JobState,
  'points' | 'ticks' | 'passes' | 'tolerances' | 'practice' | 'observations' | 'adjustments' | 'operations'
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

const intervalOf = (says: string, film = usualFilm) => intervals[says]?.(film) ?? null;

/** How a turn of its adjuster since has moved what was seen at a link, mm; later is positive. */
function turnedSince({ adjustments }: RegulatedJob, link: string, seq: number): { by: number; any: boolean } {
  const since = adjustments.filter((each) => each.link === link && each.seq > seq);
  return { by: since.reduce((sum, { change }) => sum + change, 0), any: since.length > 0 };
}

/** Does a look that went stale still say something? Only where nothing but turns of adjusters came between. */
const onlyTurned = (link: string, stale: Staleness | null | undefined, workedSince: boolean) =>
  !stale || (stale.operation === adjustmentOf(link) && !workedSince);

/**
 * Every look at one link that still says something, newest last: figures, pulls and words, alone and with other keys
 * held. A turn of the link's own adjuster moves what was seen before it.
 */
export function looksAt(state: RegulatedJob, type: InstrumentType, link: Link): LinkLook[] {
  const looks: LinkLook[] = [];
  const workedSince = (seq: number) =>
    [...state.operations.values()].some((operation) => operation.status === 'done' && operation.seq > seq);
  const company = type.links.filter(({ follower }) => follower === link.follower).map(({ id }) => id);
  const take = (look: Omit<LinkLook, 'link' | 'turnedSince'>) => {
    const { by, any } = turnedSince(state, link.id, look.seq);
    // With neighbours down it hangs on every link that closes the same pad: one of them turned, and it says nothing.
    const hangsOn = state.adjustments.some((each) => company.includes(each.link) && each.seq > look.seq);
    if (look.held.length > 0 && hangsOn) return;
    looks.push({ ...look, link: link.id, low: look.low + by, high: look.high + by, turnedSince: any });
  };
  for (const { point } of pointsOf(state, 'link', link.id)) {
    if (point.measure !== 'lateness') continue;
    const { fresh, stale, mean } = readPoint(state, point);
    const told =
      fresh.length > 0
        ? fresh
        : onlyTurned(link.id, stale.at(-1)?.stale, workedSince(stale.at(-1)?.seq ?? 0))
          ? stale.slice(-1)
          : [];
    const last = told.at(-1);
    if (!last) continue;
    const value = fresh.length > 0 ? (mean ?? last.value) : last.value;
    const { expandedUncertainty: doubt } = solveConformity({
      readings: [value],
      gauge: coarsestGauge(told),
      limits: {},
    });
    const { held = [] } = point;
    take({
      held,
      low: value - doubt,
      high: value + doubt,
      words: phrase`${length(value)} late`,
      entry: last.entry,
      seq: last.seq,
    });
  }
  for (const tick of state.ticks.values()) {
    if (tick.group !== 'link' || tick.part !== link.id || !onlyTurned(link.id, tick.stale, workedSince(tick.seq)))
      continue;
    const interval = intervalOf(tick.says, tick.film);
    if (!interval) continue;
    const { held = [], entry, seq } = tick;
    take({ held, low: interval[0], high: interval[1], words: tickWords(tick), entry, seq });
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
