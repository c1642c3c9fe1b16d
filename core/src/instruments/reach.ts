import { clockDistance, toRadians } from '../metrology';
import type { Reach } from '../vocabulary';
import type { InstrumentType } from './instrumentType.schema';
import { rodsOf } from './spans';
import { boreAt, placeOfPart, type PartPlace } from './partNames';

/** A spot that is worked on, and how wide it is, mm. */
export interface WorkSpot extends PartPlace {
  width: number;
}

/** How wide a dent or a crack is taken to be where nobody has written it down, by severity 1 to 3, mm. */
const usualWidth = [8, 8, 15, 25] as const;
/** How far a flame at a seam warms its neighbours, mm along and round. */
const heatSpreads = 25;

/**
 * How wide a dent is taken to be where nobody has measured it, mm.
 *
 * @example usualDentWidth(2) // => 15
 */
export const usualDentWidth = (severity: number): number => usualWidth[severity] ?? usualWidth[2];

/** How far apart two spots are along the tube and round its outside, mm; parts of one section only. */
export function apart(type: InstrumentType, a: PartPlace, b: PartPlace): { along: number; round: number } {
  const section = type.sections.find(({ id }) => id === a.section);
  if (!section || a.section !== b.section) return { along: Infinity, round: Infinity };
  const radius = boreAt(section, a.at) / 2 + section.wall;
  return { along: Math.abs(a.at - b.at), round: toRadians(clockDistance(a.clock, b.clock)) * radius };
}

/** Holes, posts, joints and fittings of which some part lies within so many millimetres of a spot, along and round. */
export function partsNear(
  type: InstrumentType,
  spot: PartPlace,
  within: number,
): { holes: string[]; posts: string[]; joints: string[]; fittings: string[] } {
  const isNear = (place: PartPlace, half = 0) => {
    const { along, round } = apart(type, spot, place);
    return along - half <= within && round - half <= within;
  };
  const ids = (list: readonly (PartPlace & { id: string })[]) =>
    list.filter((each) => isNear(each)).map(({ id }) => id);
  const length = type.sections.find(({ id }) => id === spot.section)?.length ?? 0;
  return {
    holes: type.holes.filter((hole) => isNear(hole, hole.diameter / 2)).map(({ id }) => id),
    posts: ids(type.posts),
    // A joint goes all the way round: only how far along counts.
    joints: type.joints
      .filter(
        ({ upper, lower }) =>
          (upper === spot.section && length - spot.at <= within) || (lower === spot.section && spot.at <= within),
      )
      .map(({ id }) => id),
    fittings: ids(type.fittings),
  };
}

/** Is a spot within its own width of a rim, a post or a joint? What is wrong there is never only a blemish. */
export function isNearSeal(type: InstrumentType, { width, ...place }: WorkSpot): boolean {
  const { holes, posts, joints } = partsNear(type, place, width);
  return holes.length + posts.length + joints.length > 0;
}

const sectionOf = (type: InstrumentType, part: string): string | null =>
  type.sections.some(({ id }) => id === part) ? part : (placeOfPart(type, part)?.section ?? null);

/** The section with the bell: types list their sections down the tube. */
export const bellSection = (type: InstrumentType): string | null => type.sections.at(-1)?.id ?? null;

/** Everything that lies within the reach of work on a part. */
interface Within {
  sections: Set<string>;
  holes: Set<string>;
  posts: Set<string>;
  joints: Set<string>;
  fittings: Set<string>;
  keys: Set<string>;
}

const wholeSection = (type: InstrumentType, section: string | null, found: Within) => {
  if (section === null) return;
  for (const { id } of type.holes.filter((each) => each.section === section)) found.holes.add(id);
  for (const { id } of type.posts.filter((each) => each.section === section)) found.posts.add(id);
  for (const { id } of type.fittings.filter((each) => each.section === section)) found.fittings.add(id);
  for (const { id, upper, lower } of type.joints) if (upper === section || lower === section) found.joints.add(id);
  found.sections.add(section);
};

/** The keys of a part: a key itself, those of a rod, of a post's rod, of a hole's pad, both of a link. */
export function keysOfPart(type: InstrumentType, part: string): string[] {
  const link = type.links.find(({ id }) => id === part);
  if (link) return [link.driver, link.follower];
  const post = type.posts.find(({ id }) => id === part);
  const rods = new Set(post ? rodsOf(post) : [part]);
  const pads = new Set(type.pads.filter(({ hole }) => hole === part).map(({ key }) => key));
  const turnsOn = (rod: string | undefined) => rod !== undefined && rods.has(rod);
  return type.keys.filter(({ id, rod }) => id === part || turnsOn(rod) || pads.has(id)).map(({ id }) => id);
}

function within(type: InstrumentType, reach: Reach, part: string, spots: readonly WorkSpot[]): Within {
  const found: Within = {
    sections: new Set(),
    holes: new Set(type.holes.some(({ id }) => id === part) ? [part] : []),
    posts: new Set(type.posts.some(({ id }) => id === part) ? [part] : []),
    joints: new Set(type.joints.some(({ id }) => id === part) ? [part] : []),
    fittings: new Set(type.fittings.some(({ id }) => id === part) ? [part] : []),
    keys: new Set(reach === 'key' ? keysOfPart(type, part) : []),
  };
  if (reach === 'tube') wholeSection(type, sectionOf(type, part), found);
  if (reach === 'bell') wholeSection(type, bellSection(type), found);
  if (reach === 'near' || reach === 'heat') {
    const isSection = type.sections.some(({ id }) => id === part);
    const own = isSection ? null : placeOfPart(type, part);
    const places = spots.length > 0 ? spots : own ? [{ ...own, width: usualDentWidth(2) }] : [];
    // Nobody has said where on the tube it lies: then all of it may have moved.
    if (places.length === 0) wholeSection(type, sectionOf(type, part), found);
    for (const { width, ...place } of places) {
      const near = partsNear(type, place, reach === 'heat' ? heatSpreads : 2 * width);
      for (const list of ['holes', 'posts', 'joints', 'fittings'] as const)
        for (const id of near[list]) found[list].add(id);
    }
  }
  return found;
}

/** Which measures such work moves, by how far it reaches. */
const movedBy: Record<Reach, (type: InstrumentType, part: string, found: Within) => string[]> = {
  tube: (type, _part, { sections, holes, posts, joints }) => {
    const rods = new Set(type.rods.filter(({ section }) => sections.has(section)).map(({ id }) => id));
    return [
      ...[...sections].flatMap((id) => [`body-line:${id}`, `bore:${id}`]),
      ...[...joints].map((id) => `joint:${id}`),
      ...[...posts].map((id) => `post:${id}`),
      ...[...holes].map((id) => `rim:${id}`),
      ...type.keys.filter(({ rod }) => rod !== undefined && rods.has(rod)).map(({ id }) => `hinge:${id}`),
      ...[...holes].map((id) => `pad:${id}`),
      'link:*',
      'pitch:*',
    ];
  },
  bell: (type, _part, { sections, holes, posts, joints }) => {
    const pads = type.pads.filter(({ hole }) => holes.has(hole));
    return [
      ...[...sections].map((id) => `body-line:${id}`),
      ...[...joints].map((id) => `joint:${id}`),
      ...[...posts].map((id) => `post:${id}`),
      ...[...holes].map((id) => `rim:${id}`),
      ...[...new Set(pads.map(({ key }) => key))].map((id) => `hinge:${id}`),
      ...pads.map(({ hole }) => `pad:${hole}`),
      'link:*',
      'pitch:*',
    ];
  },
  near: (type, part, { holes, posts, joints }) => {
    const section = sectionOf(type, part);
    return [
      ...(section === null ? [] : [`bore:${section}`, `body-line:${section}`]),
      ...[...joints].map((id) => `joint:${id}`),
      ...[...posts].map((id) => `post:${id}`),
      ...[...holes].flatMap((id) => [`rim:${id}`, `hole:${id}`, `pad:${id}`]),
    ];
  },
  heat: (type, _part, { holes, posts }) => {
    // A drawn rim is of one piece with its tube; what is soldered on may let go.
    const soldered = new Set(type.holes.filter(({ rim }) => rim === 'soldered').map(({ id }) => id));
    return [
      ...(type.body === 'metal' ? [...posts].map((id) => `post:${id}`) : []),
      ...[...holes].flatMap((id) => [...(soldered.has(id) ? [`rim:${id}`, `hole:${id}`] : []), `pad:${id}`]),
    ];
  },
  key: (type, _part, { keys }) => [
    ...[...keys].map((id) => `hinge:${id}`),
    ...type.pads.filter(({ key }) => keys.has(key)).map(({ hole }) => `pad:${hole}`),
    'link:*',
  ],
};

/**
 * What work on a part moves on this instrument, as measures `group:part`: only what is there and within its reach.
 *
 * @param spots where on the tube it is done; without any, where the part lies, or all of its tube where that is a section
 * @example reachedBy(alto, 'near', 'body', [{ section: 'body', at: 120, clock: 0, width: 8 }])
 */
export const reachedBy = (
  type: InstrumentType,
  reach: Reach,
  part: string,
  spots: readonly WorkSpot[] = [],
): string[] => movedBy[reach](type, part, within(type, reach, part, spots));

/**
 * The keys that have to come off for work on a part, in the order of the type: those whose pads, rods and posts lie
 * where hands and tools must get in, those that pass over them, and all that share a rod with one of them.
 */
export function keysInTheWay(
  type: InstrumentType,
  reach: Reach,
  part: string,
  spots: readonly WorkSpot[] = [],
): string[] {
  const found = within(type, reach, part, spots);
  const off = new Set(found.keys);
  const rods = new Set<string>();
  for (const { hole, key } of type.pads) if (found.holes.has(hole)) off.add(key);
  for (const post of type.posts) if (found.posts.has(post.id)) for (const rod of rodsOf(post)) rods.add(rod);
  for (const { id, section } of type.rods) if (found.sections.has(section)) rods.add(id);
  for (const { id, rod } of type.keys) if (rod !== undefined && rods.has(rod)) off.add(id);
  // What lies on top comes off first, and whoever draws a rod draws it for every key on it. A set hands out what is
  // added to it while it is walked.
  for (const id of off) {
    const key = type.keys.find((each) => each.id === id);
    for (const other of type.keys) {
      const sharesRod = key?.rod !== undefined && other.rod === key.rod;
      if (sharesRod || other.over?.includes(id)) off.add(other.id);
    }
  }
  return type.keys.filter(({ id }) => off.has(id)).map(({ id }) => id);
}

/** Guards, plates and other fittings that lie over these keys or holes, and come off with them. */
export const fittingsOver = (type: InstrumentType, parts: ReadonlySet<string>): string[] =>
  type.fittings.filter(({ over }) => over?.some((id) => parts.has(id))).map(({ id }) => id);
