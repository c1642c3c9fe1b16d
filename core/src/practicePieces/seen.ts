import type { JobState } from '../job';
import { choicesOf, type TickGroup } from '../measures';
import { intervalOf, latenessNow, type LinkStop } from '../regulation';
import { chanceFrom, type Chance } from '../simulation';
import { hiddenMechanism, type LaidOut } from './hiddenMechanism';
import type { PieceFault } from './piece.schema';

/** What is done to see something: at a link, at the pad of a key, at the hinge of a key. */
export type PieceLook =
  | (LinkStop & { at: 'link'; by: 'light' | 'feeler' })
  | (LinkStop & { at: 'link'; by: 'film'; film: number })
  | { at: 'pad'; hole: string }
  | { at: 'hinge'; key: string };

/** What was seen, as a job writes it down: an answer without a figure, or how late a follower is by a feeler, mm. */
export type PieceSeen =
  | { tick: { group: TickGroup; part: string; says: string; film?: number; toward?: number; held?: string[] } }
  | { lateness: number; link: string; held?: string[] };

/** By how much a steady hand reads the same look differently, mm. */
const hand = 0.002;
/** What a feeler of films is read to, mm. */
const feelerStep = 0.01;
/** Light under a pad, play in a hinge: from here on a hair, from there on plain, mm. */
const pad = { hair: 0.012 };
const hinge = { hair: 0.02, plain: 0.05 };

const faultAt = <K extends PieceFault['kind']>(faults: readonly PieceFault[], kind: K) =>
  faults.filter((fault): fault is Extract<PieceFault, { kind: K }> => fault.kind === kind);

/** The answer of this means whose interval holds what is there: what is good before what is not. */
function saysOf(late: number, means: 'film' | 'light', film?: number): string {
  const answers = choicesOf('link').filter((choice) => choice.means === means);
  const fits = answers.find(({ id }) => {
    const [low, high] = intervalOf(id, film) ?? [0, 0];
    return late >= low && late <= high;
  });
  return (fits ?? answers[0])?.id ?? '';
}

/** By how much a loose hinge at either end of a link lets its pads land elsewhere this time, mm. */
function wandered({ piece, type }: LaidOut, link: string, chance: Chance): number {
  const ends = type.links.find(({ id }) => id === link);
  return faultAt(piece.faults, 'hinge')
    .filter(({ key }) => key === ends?.driver || key === ends?.follower)
    .reduce((sum, { play }) => sum + play * (2 * chance.uniform() - 1), 0);
}

/**
 * What a look at a piece shows. The same look at the same moment of the same piece shows the same; looked at again, it
 * shows what a hand would see the second time.
 *
 * @param state the job that is kept of the piece: what was turned in it counts, and how much was seen before
 */
export function seenAt(
  laid: LaidOut,
  { adjustments, seq }: Pick<JobState, 'adjustments' | 'seq'>,
  look: PieceLook,
): PieceSeen {
  const { piece, type, sound } = laid;
  const chance = chanceFrom(piece.seed * 1000 + (seq % 1000));
  if (look.at === 'pad') {
    const fault = faultAt(piece.faults, 'pad').find(({ hole }) => hole === look.hole);
    const open = (fault?.unevenness ?? 0) + hand * chance.normal();
    const says = fault && open > pad.hair ? { says: 'light', toward: fault.toward } : { says: 'no-light' };
    return { tick: { group: 'pad', part: look.hole, ...says } };
  }
  if (look.at === 'hinge') {
    const fault = faultAt(piece.faults, 'hinge').find(({ key }) => key === look.key);
    const play = (fault?.play ?? 0) + hand * Math.abs(chance.normal());
    const says = play < hinge.hair ? 'no-wiggle' : play < hinge.plain ? 'hinge-hair' : 'rocks';
    return { tick: { group: 'hinge', part: look.key, says } };
  }
  const hidden = hiddenMechanism(sound.mechanism, piece.faults, adjustments);
  const { link, held } = look;
  const there = latenessNow(hidden, sound.mechanism, type, look, sound.touch) ?? 0;
  const late = there + hand * chance.normal() + wandered(laid, link, chance);
  const company = held.length > 0 ? { held: [...held] } : {};
  if (look.by === 'feeler') {
    const read = Math.round(late / feelerStep) * feelerStep;
    return { lateness: Number(read.toFixed(2)), link, ...company };
  }
  const film = look.by === 'film' ? look.film : undefined;
  const pulled = film === undefined ? {} : { film };
  return { tick: { group: 'link', part: link, says: saysOf(late, look.by, film), ...pulled, ...company } };
}
