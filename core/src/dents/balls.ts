import { boreAt, type InstrumentType, type PartPlace } from '../instruments';

/** A ball is a little smaller than the bore it works in, or it does not turn, mm: a workshop default. */
const play = 0.4;
/** Two smaller ones are enough to go on with. */
const smaller = 2;

/** The narrowest bore from a place to an end of its section, both of them counted in. */
function narrowest(section: InstrumentType['sections'][number], at: number, end: number): number {
  const [from, to] = [Math.min(at, end), Math.max(at, end)];
  const between = section.bore.filter((point) => point.at >= from && point.at <= to).map(({ diameter }) => diameter);
  return Math.min(boreAt(section, at), boreAt(section, end), ...between);
}

/** The largest ball that gets to a place and fits there, with what could follow it. */
export interface BallChoice {
  /** bore at the place, mm */
  bore: number;
  /** diameters of the shop, largest first: the first to begin with; empty where none gets there */
  balls: readonly number[];
}

/**
 * Which balls of the shop get to a dent: begin with the largest that passes the bore on the way from the nearer wide end
 * and turns at the place. A smaller one is more pointed and shows more.
 *
 * @param sizes diameters there are, mm
 * @returns null where the place is on no section of this instrument
 */
export function ballsFor(type: InstrumentType, place: PartPlace, sizes: readonly number[]): BallChoice | null {
  const section = type.sections.find(({ id }) => id === place.section);
  if (!section) return null;
  const bore = boreAt(section, place.at);
  // In by whichever end leaves more room.
  const way = Math.max(narrowest(section, place.at, 0), narrowest(section, place.at, section.length));
  const most = way - play;
  const passing = [...sizes].filter((size) => size <= most).sort((a, b) => b - a);
  return { bore, balls: passing.slice(0, 1 + smaller) };
}
