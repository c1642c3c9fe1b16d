import { silhouetteOf, type InstrumentType, type Outline, type PicturePoint } from '@holotonos/core';

/** What a stroke of the picture stands for; each drawing has its own colours for them. */
export type PictureRole =
  | 'tube'
  | 'shade'
  | 'light'
  | 'ring'
  | 'behind'
  | 'hole'
  | 'rod'
  | 'post'
  | 'hinge'
  | 'arm'
  | 'cup'
  | 'pearl'
  | 'touch';

/** One path of the picture, mm. */
export interface PictureStroke {
  role: PictureRole;
  d: string;
}

/** The picture of an instrument as paths, back to front, and where its holes are. */
export interface Picture {
  box: { x: number; y: number; width: number; height: number };
  strokes: readonly PictureStroke[];
  holes: readonly (PicturePoint & { id: string; radius: number })[];
}

/** Where light and shade lie across the tube, in shares of its half width. */
const lit = [-0.62, -0.3] as const;
const shaded = [0.5, 1] as const;
/** How far rods, and touches beyond them, stand off the tube, mm. */
const rodStands = 3.5;
const touchStands = 11;
/** The rim of a cup beyond its pad, mm. */
const cupRim = 0.8;
/** Room round the picture, mm. */
const room = 8;

const number = (value: number) => String(Math.round(value * 100) / 100);
const spot = ({ x, y }: PicturePoint) => `${number(x)} ${number(y)}`;
const lineOf = (...points: readonly PicturePoint[]) => `M${points.map(spot).join(' L')}`;
/** An outline as a path. */
export const closed = (outline: Outline) => `${lineOf(...outline)} Z`;
const disc = ({ x, y }: PicturePoint, radius: number) => {
  const [r, across] = [number(radius), number(2 * radius)];
  return `M${number(x - radius)} ${number(y)} a${r} ${r} 0 1 0 ${across} 0 a${r} ${r} 0 1 0 -${across} 0 Z`;
};
/** Fingers that rest on the cups themselves; the others have touches of their own. */
const onCups = new Set(['L1', 'L2', 'L3', 'R1', 'R2', 'R3']);

type Key = InstrumentType['keys'][number];

/** A type as the eye knows it: tube, rods and posts, keys with arms, cups and touches. */
export function pictureOf(type: InstrumentType): Picture {
  const { sections, place, isBehind, box } = silhouetteOf(type);
  const pads = new Map(type.pads.map((pad) => [pad.hole, pad]));
  const rods = new Map(type.rods.map((rod) => [rod.id, rod]));
  const holes = new Map(type.holes.map((hole) => [hole.id, hole]));

  const tube = sections.flatMap(({ between }): PictureStroke[] => {
    const outline = between(-1, 1);
    const half = outline.length / 2;
    const middle = between(0, 0);
    const [start, end] = [middle[0], middle[half - 1]];
    // Light falls from above: on a tube that comes back the lower side is its other one.
    const side = start && end && end.x < start.x - 1 ? -1 : 1;
    const band = ([from, to]: readonly [number, number]) => closed(between(side * from, side * to));
    const ends = [
      [outline[0], outline.at(-1)],
      [outline[half - 1], outline[half]],
    ].flatMap(([a, b]) => (a && b ? [{ role: 'ring', d: lineOf(a, b) } as const] : []));
    return [
      { role: 'tube', d: closed(outline) },
      { role: 'shade', d: band(shaded) },
      { role: 'light', d: band(lit) },
      ...ends,
    ];
  });
  const openHoles = type.holes
    .filter(({ id }) => !pads.has(id))
    .map((hole): PictureStroke => ({
      role: isBehind(hole) ? 'behind' : 'hole',
      d: disc(place(hole), hole.diameter / 2),
    }));

  const onRod = (rod: InstrumentType['rods'][number], at: number, out = rodStands): PicturePoint =>
    place({ section: rod.section, at, clock: rod.clock }, out);
  const lines = type.rods.map((rod): PictureStroke => ({
    role: 'rod',
    d: lineOf(onRod(rod, rod.from), onRod(rod, rod.to)),
  }));
  const posts = type.posts.map((post): PictureStroke => ({ role: 'post', d: disc(place(post, rodStands), 1.7) }));

  const cupsOf = ({ id }: Key) =>
    type.pads.flatMap((pad) => {
      const hole = holes.get(pad.hole);
      return pad.key === id && hole ? [{ hole, radius: pad.diameter / 2 + cupRim }] : [];
    });
  const keys = type.keys.flatMap((key): PictureStroke[] => {
    const cups = cupsOf(key);
    const [first] = cups;
    const covers = cups.map(({ hole, radius }): PictureStroke => ({
      role: isBehind(hole) ? 'behind' : 'cup',
      d: disc(place(hole), radius),
    }));
    const pressed = key.touches ?? [];
    const pearl = key.rest === 'open' && pressed.some(({ finger }) => onCups.has(finger)) ? first : undefined;
    const pearls: PictureStroke[] = pearl ? [{ role: 'pearl', d: disc(place(pearl.hole), pearl.radius * 0.45) }] : [];
    const rod = rods.get(key.rod ?? '');
    if (!rod) return [...covers, ...pearls];
    const { from = rod.from, to = rod.to } = key;
    const middle = (from + to) / 2;
    const arms = cups.map(({ hole }): PictureStroke => {
      const at = hole.section === rod.section ? Math.max(from, Math.min(to, hole.at)) : middle;
      return { role: 'arm', d: lineOf(onRod(rod, at), place(hole)) };
    });
    const hinge: PictureStroke = { role: 'hinge', d: lineOf(onRod(rod, from + 0.5), onRod(rod, to - 0.5)) };
    if (pressed.length === 0 || pearl) return [...arms, hinge, ...covers, ...pearls];
    // It is pressed beyond its hinge, at the end away from its cup.
    const nearFrom =
      first?.hole.section === rod.section && Math.abs(first.hole.at - from) < Math.abs(first.hole.at - to);
    const at = first ? (nearFrom ? to : from) : middle;
    return [...arms, hinge, ...covers, { role: 'touch', d: disc(onRod(rod, at, touchStands), 4) }];
  });

  const strokes = [...tube, ...openHoles, ...lines, ...keys, ...posts];
  return {
    box: { x: box.x - room, y: box.y - room, width: box.width + 2 * room, height: box.height + 2 * room },
    strokes,
    holes: type.holes.map((hole) => ({
      id: hole.id,
      ...place(hole),
      radius: (pads.get(hole.id)?.diameter ?? hole.diameter) / 2,
    })),
  };
}
