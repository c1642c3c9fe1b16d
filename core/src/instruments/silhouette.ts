import type { InstrumentType } from './instrumentType.schema';
import { boreAt, type PartPlace } from './partNames';

/** A point of a picture, mm: x to the right, y downward. */
export interface PicturePoint {
  x: number;
  y: number;
}
/** A stretch of tube between two lines along it, as a closed outline. */
export type Outline = readonly PicturePoint[];

/** One section as it stands in the picture. */
export interface SectionPicture {
  id: string;
  /** what lies between two lines along it, each a fraction of its half width: −1 the far edge, 0 the middle, 1 the near edge */
  between: (from: number, to: number) => Outline;
}

/** An instrument as the eye knows it: taper, bends and bell, its front towards whoever looks. */
export interface Silhouette {
  sections: readonly SectionPicture[];
  /** where a spot of the tube lies; `out` mm farther from the middle of the tube than its outside */
  place: (spot: PartPlace, out?: number) => PicturePoint;
  /** is the spot on the side that is turned away */
  isBehind: (spot: PartPlace) => boolean;
  box: { x: number; y: number; width: number; height: number };
}

const radians = (degrees: number) => (degrees * Math.PI) / 180;
/** No piece of a bend that is drawn straight turns by more than this, radians. */
const finest = radians(6);

/**
 * Where a point lies that has gone `s` along a tube which turns evenly by `turn` radians over `length`: an arc of a circle,
 * a straight line where nothing turns. The front of the tube is upward where it runs to the right.
 */
function along(from: PicturePoint, heading: number, turn: number, length: number, s: number) {
  const now = heading - (turn * s) / length;
  if (Math.abs(turn) < 1e-9)
    return { x: from.x + s * Math.cos(heading), y: from.y + s * Math.sin(heading), heading: now };
  const radius = length / turn;
  return {
    x: from.x + radius * (Math.sin(heading) - Math.sin(now)),
    y: from.y + radius * (Math.cos(now) - Math.cos(heading)),
    heading: now,
  };
}

/**
 * The picture of an instrument in true millimetres: its sections joined, each turning evenly by its `turns`, the longest one
 * lying from left to right. Spots are seen from the front: what lies to the right of the player is drawn below the middle.
 *
 * @param straight the bends taken out: all sections on one line, as on a map
 */
export function silhouetteOf(type: InstrumentType, { straight = false } = {}): Silhouette {
  const turnOf = (section: InstrumentType['sections'][number]) => (straight ? 0 : radians(section.turns ?? 0));
  const longest = type.sections.reduce((most, section) => (section.length > most.length ? section : most));
  const before = type.sections.slice(0, type.sections.indexOf(longest));
  let from = { x: 0, y: 0 };
  let heading = before.reduce((sum, section) => sum + turnOf(section), 0);
  const stand = new Map(
    type.sections.map((section) => {
      const at = { section, from, heading };
      const end = along(from, heading, turnOf(section), section.length, section.length);
      from = { x: end.x, y: end.y };
      heading = end.heading;
      return [section.id, at] as const;
    }),
  );
  const halfAt = (section: InstrumentType['sections'][number], at: number) => boreAt(section, at) / 2 + section.wall;
  /** The spot so far from the middle line, mm; downward where the tube runs to the right. */
  const beside = (id: string, at: number, across: number): PicturePoint => {
    const { section, from: start, heading: begins } = stand.get(id) as NonNullable<ReturnType<typeof stand.get>>;
    const on = along(start, begins, turnOf(section), section.length, at);
    return { x: on.x - across * Math.sin(on.heading), y: on.y + across * Math.cos(on.heading) };
  };
  const placesOf = (section: InstrumentType['sections'][number]) => {
    const pieces = Math.max(1, Math.ceil(Math.abs(turnOf(section)) / finest));
    const even = Array.from({ length: pieces + 1 }, (_, i) => (section.length * i) / pieces);
    const all = new Set([...even, ...section.bore.map(({ at }) => Math.min(at, section.length))]);
    return [...all].sort((a, b) => a - b);
  };
  const sections = type.sections.map((section): SectionPicture => {
    const places = placesOf(section);
    const line = (share: number) => places.map((at) => beside(section.id, at, share * halfAt(section, at)));
    return { id: section.id, between: (low, high) => [...line(low), ...line(high).reverse()] };
  });
  const edges = sections.flatMap(({ between }) => between(-1, 1));
  const [left, top] = [Math.min(...edges.map(({ x }) => x)), Math.min(...edges.map(({ y }) => y))];
  return {
    sections,
    place: ({ section: id, at, clock }, out = 0) => {
      const { section } = stand.get(id) ?? { section: type.sections[0] ?? longest };
      return beside(section.id, at, (halfAt(section, at) + out) * Math.sin(radians(clock)));
    },
    isBehind: ({ clock }) => Math.cos(radians(clock)) < -1e-9,
    box: {
      x: left,
      y: top,
      width: Math.max(...edges.map(({ x }) => x)) - left,
      height: Math.max(...edges.map(({ y }) => y)) - top,
    },
  };
}
