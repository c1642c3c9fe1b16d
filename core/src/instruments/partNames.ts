import type { InstrumentType } from './instrumentType.schema';
import { oncePerType } from './oncePerType';

/** What a technician calls each part of the instrument, by id. `instrument` is the whole of it. */
export const partNames = oncePerType((type): ReadonlyMap<string, string> => {
  const keyNames = new Map(type.keys.map(({ id, name }) => [id, name]));
  const lists = [type.keys, type.posts, type.rods, type.holes, type.fittings, type.joints, type.sections];
  return new Map([
    ['instrument', 'whole instrument'],
    ...type.links.map(
      ({ id, driver, follower }) =>
        [id, `${keyNames.get(driver) ?? driver} to ${keyNames.get(follower) ?? follower}`] as const,
    ),
    ...lists.flatMap((list) => list.map(({ id, name }) => [id, name] as const)),
  ]);
});

/** Where each section starts on one line from the upper end down, with a gap between sections, mm. */
export function sectionStarts(type: InstrumentType, gap: number): ReadonlyMap<string, number> {
  const starts = new Map<string, number>();
  let at = 0;
  for (const section of type.sections) {
    starts.set(section.id, at);
    at += section.length + gap;
  }
  return starts;
}

/** Where a part sits on the tube: its section, mm along it, clock. A key sits where its pad does, or on its rod. */
export interface PartPlace {
  section: string;
  at: number;
  clock: number;
}

const middle = (a: number, b: number) => (a + b) / 2;

/** Places that were asked for: lists are put in order down the tube at every reading. */
const places = oncePerType(() => new Map<string, PartPlace | null>());

/** The place of a part, or null for the whole instrument and for keys nobody has placed yet. */
export function placeOfPart(type: InstrumentType, part: string): PartPlace | null {
  const kept = places(type);
  const known = kept.get(part);
  if (known !== undefined) return known;
  const place = findPlace(type, part);
  kept.set(part, place);
  return place;
}

function findPlace(type: InstrumentType, part: string): PartPlace | null {
  const at = [type.holes, type.posts, type.fittings].flat().find(({ id }) => id === part);
  if (at) return { section: at.section, at: at.at, clock: at.clock };
  const rod = type.rods.find(({ id }) => id === part);
  if (rod) return { section: rod.section, at: middle(rod.from, rod.to), clock: rod.clock };
  const key = type.keys.find(({ id }) => id === part);
  if (key) {
    const on = type.rods.find(({ id }) => id === key.rod);
    const tube = key.from !== undefined && key.to !== undefined ? middle(key.from, key.to) : null;
    if (on) return { section: on.section, at: tube ?? middle(on.from, on.to), clock: on.clock };
    const pad = type.pads.find((each) => each.key === part);
    return pad ? placeOfPart(type, pad.hole) : null;
  }
  const link = type.links.find(({ id }) => id === part);
  if (link) return placeOfPart(type, link.follower) ?? placeOfPart(type, link.driver);
  const section = type.sections.find(({ id }) => id === part);
  if (section) return { section: part, at: section.length / 2, clock: 0 };
  const joint = type.joints.find(({ id }) => id === part);
  const upper = joint && type.sections.find(({ id }) => id === joint.upper);
  return upper ? { section: upper.id, at: upper.length, clock: 0 } : null;
}

/** Parts in the order of the tube, those without a place last. Keeps the order of parts at one place. */
export function downTheTube(type: InstrumentType, parts: readonly string[]): string[] {
  const starts = sectionStarts(type, 0);
  const distance = new Map(
    parts.map((part) => {
      const place = placeOfPart(type, part);
      return [part, place ? (starts.get(place.section) ?? 0) + place.at : Infinity];
    }),
  );
  return [...parts].sort((a, b) => {
    const [x, y] = [distance.get(a) ?? 0, distance.get(b) ?? 0];
    return x === y ? 0 : x - y;
  });
}

/** The pads of a type in the order in which it lists their holes: down the tube. */
export function padsDownTheTube(type: InstrumentType): InstrumentType['pads'] {
  const order = new Map(type.holes.map(({ id }, i) => [id, i]));
  return [...type.pads].sort((a, b) => (order.get(a.hole) ?? 0) - (order.get(b.hole) ?? 0));
}

/** Bore diameter at a place along a section, linear between the points of the type, mm. */
export function boreAt(section: InstrumentType['sections'][number], at: number): number {
  const after = section.bore.findIndex((point) => point.at >= at);
  const b = section.bore[after];
  const a = section.bore[after - 1];
  if (!b) return section.bore.at(-1)?.diameter ?? 0;
  if (!a) return b.diameter;
  return a.diameter + ((b.diameter - a.diameter) * (at - a.at)) / (b.at - a.at);
}
