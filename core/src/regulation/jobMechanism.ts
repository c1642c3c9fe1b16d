import { isPair, movedKeys, type InstrumentType } from '../instruments';
import { gapsRead, readPoint } from '../measures';
import { bandOf, upperLimit, type LimitSource } from '../practice';
import { lightDirection } from '../survey';
import type { RegulatedJob } from './linkLooks';
import type { MechanismInput } from './mechanism';
import { adjusterStep, mechanismFigures, type AdjusterStep, type MechanismFigures } from './mechanismFigures';

type Link = InstrumentType['links'][number];
type Pad = InstrumentType['pads'][number];
type KeyInput = MechanismInput['keys'][number];
type LinkInput = NonNullable<MechanismInput['links']>[number];
type FlexRow = NonNullable<MechanismInput['flex']>[number];

/** What nobody has read of a key or a link, so that a figure of the family stands in for it. */
export type Assumed = 'opening' | 'spring' | 'pad' | 'gap';

/** The mechanism of one instrument as the solvers of regulation take it, with what is only assumed of it. */
export interface JobMechanism {
  keys: KeyInput[];
  /** with what their adjusters can do; null where there is nothing to set */
  links: (LinkInput & { adjusts: AdjusterStep | null })[];
  /** what its keys were seen to do to each other; nothing until somebody saw it */
  flex: FlexRow[];
  /** how keys on one rod usually do it, where they do */
  twist: FlexRow[];
  /** by the hole of a pad, what the model calls the key that carries it */
  keyOfPad: ReadonlyMap<string, string>;
  /** by the hole of a pad, the clock of the side it leaves open when it is not level; only of pads where that was seen */
  openSides: ReadonlyMap<string, number>;
  /** by key or link */
  assumed: ReadonlyMap<string, readonly Assumed[]>;
}

/** Takes what was read, or what stands in for it and is noted as assumed. */
type Assume = (of: string, what: Assumed, read: number | null, otherwise: number) => number;

/** How far a lever without a pad goes until what it moves has landed or opened, mm at its end. */
const leverStroke = 3;
/** It can go on beyond that, mm: its own cork stops it, never the pad at its end. */
const leverReach = 1.5;
/** Of a link where nobody says otherwise, N/mm: as the solvers have it. */
const linkStiffness = 60;
/** A hair more than nothing, mm: what just holds does hold. */
const justPressing = 0.002;
/** Nothing lighter returns a key, N. */
const lightestSpring = 0.03;
/** How much of what a key gives back comes from one helper it carries. */
const helperShare = 0.2;

/**
 * A cup with a light spring of its own that wants to open, held shut by a stronger lever until that is pressed, and by
 * another key meanwhile. Types write it as a key that is closed at rest, carried by one and held shut by another.
 */
function isArticulated(type: InstrumentType, { id, rest, touches = [] }: InstrumentType['keys'][number]): boolean {
  const of = type.links.filter(({ follower }) => follower === id);
  return (
    rest === 'closed' &&
    touches.length === 0 &&
    of.some(({ acts }) => acts === 'carries') &&
    of.some(({ acts }) => acts !== 'carries')
  );
}

const headOf = (type: InstrumentType, key: string): Pad | undefined => type.pads.find((pad) => pad.key === key);

/**
 * How much a follower moves for a millimetre at its driver: on one rod as their cups reach out from it, else so that both
 * come to the end of their way together.
 */
function ratioOf(type: InstrumentType, { driver, follower }: Link, travels: ReadonlyMap<string, number>): number {
  const rod = (key: string) => type.keys.find(({ id }) => id === key)?.rod;
  const [from, to] = [headOf(type, driver), headOf(type, follower)];
  if (from && to && rod(driver) !== undefined && rod(driver) === rod(follower))
    return to.axisDistance / from.axisDistance;
  const way = (key: string) => (headOf(type, key) ? (travels.get(key) ?? leverStroke) : leverStroke);
  return way(follower) / way(driver);
}

/** What was read of a pad: its opening height, and how much further it must close until it seals all round. */
function padFigures(state: RegulatedJob, hole: string) {
  const read = gapsRead(state, hole).map(({ gap }) => gap);
  return {
    opening: readPoint(state, { group: 'pad', part: hole, measure: 'height', clock: 0 }).mean,
    unevenness: read.length > 1 ? Math.max(...read) - Math.min(...read) : null,
  };
}

/** Gaps round a pad that differ by less show no side, mm. */
const level = 0.005;

/** The side of each pad that stays open longest: by its gaps, else by what a look or the leak light has shown. */
function openSides(state: RegulatedJob, type: InstrumentType): Map<string, number> {
  const sides = new Map<string, number>();
  for (const { hole } of type.pads) {
    const gaps = gapsRead(state, hole).sort((a, b) => b.gap - a.gap);
    const [widest, narrowest] = [gaps[0], gaps.at(-1)];
    const tick = state.ticks.get(`pad:${hole}`);
    const light = state.observations.get(`light:${hole}`);
    if (widest && narrowest && widest.gap - narrowest.gap > level) sides.set(hole, widest.clock);
    else if (tick && !tick.stale && tick.toward !== undefined) sides.set(hole, tick.toward);
    else if (gaps.length === 0 && light?.about === 'light') {
      const middle = lightDirection(light.sectors ?? []);
      if (middle !== null) sides.set(hole, middle);
    }
  }
  return sides;
}

/**
 * The mechanism of an instrument: every key a lever with one pad, every link with a gap that lets what it joins land
 * together. Figures of the job stand where they were read, figures of the family elsewhere. Looks at links are not in it
 * yet.
 */
export function jobMechanism(
  state: RegulatedJob,
  type: InstrumentType,
  limits: LimitSource,
  films: readonly number[],
): JobMechanism {
  const figures = mechanismFigures(type.family);
  const assumed = new Map<string, Assumed[]>();
  const assume: Assume = (of, what, read, otherwise) => {
    if (read !== null) return read;
    assumed.set(of, [...(assumed.get(of) ?? []), what]);
    return otherwise;
  };
  const carries = type.links.filter(({ acts }) => acts === 'carries');
  const [lost = 0] = bandOf('lostMotion', limits) ?? [];
  const playOf = (link: Link) =>
    readPoint(state, { group: 'link', part: link.id, measure: 'lost-motion', clock: 0 }).mean;

  const articulated = new Set(type.keys.filter((key) => isArticulated(type, key)).map(({ id }) => id));
  const travels = new Map<string, number>();
  const keyOfPad = new Map<string, string>();
  const unevenness = new Map<string, number>();
  // Drivers before what they carry: a follower nobody measured opens as far as its driver lets it.
  for (const key of driversFirst(type)) {
    const pads = type.pads.filter((pad) => pad.key === key.id);
    pads.forEach((pad, i) => {
      // A second pad on one key goes with it as if it were one more key that is carried.
      const id = i === 0 ? key.id : `${key.id}/${pad.hole}`;
      keyOfPad.set(pad.hole, id);
      const read = padFigures(state, pad.hole);
      const carried = carries.flatMap((link) => {
        const by = travels.get(link.driver);
        const onOneRod = type.keys.find((each) => each.id === link.driver)?.rod === key.rod;
        if (link.follower !== key.id || by === undefined || !onOneRod || !isPair(type, link)) return [];
        return [by * ratioOf(type, link, travels)];
      });
      const usual = Math.min(figures.opening.most, figures.opening.share * pad.diameter);
      const likely = carried.length > 0 ? Math.min(...carried) - lost : usual;
      travels.set(id, Math.max(0.2, assume(key.id, 'opening', read.opening, likely)));
      unevenness.set(id, assume(key.id, 'pad', read.unevenness, 0));
    });
    if (pads.length === 0) travels.set(key.id, leverStroke + leverReach);
  }

  const springs = springForces(state, type, limits, figures, travels, assume);
  const atEnd = (id: string) => (springs.get(id) ?? 0) + figures.springRate * (travels.get(id) ?? 0);
  // A lever that holds cups shut is stronger than all of them together, by as much again.
  const holding = (id: string) =>
    type.links
      .filter(({ driver, follower, acts }) => driver === id && acts === 'carries' && articulated.has(follower))
      .reduce((sum, link) => sum + ratioOf(type, link, travels) * atEnd(link.follower), 0);
  const forceOf = (id: string) => Math.max(springs.get(id) ?? lightestSpring, 2 * holding(id));
  const keys = [...new Set([...type.keys.map(({ id }) => id), ...keyOfPad.values()])].map((id): KeyInput => {
    const [own = id] = id.split('/');
    const of = type.keys.find((key) => key.id === own);
    return {
      id,
      // A lever without a pad only ever moves away from where it rests.
      rest: headOf(type, own) && of && !articulated.has(own) ? of.rest : 'open',
      travel: travels.get(id) ?? leverStroke,
      unevenness: unevenness.get(id) ?? 0,
      stiffness: figures.stiffness,
      spring: { force: id === own ? forceOf(id) : lightestSpring, rate: figures.springRate },
    };
  });

  const film = Math.min(0.05, ...films);
  const links = type.links.map((link): JobMechanism['links'][number] => {
    const { id, driver, follower, adjuster } = link;
    const acts = link.acts === 'carries' && articulated.has(follower) ? 'holds-shut-at-rest' : link.acts;
    const ratio = ratioOf(type, link, travels);
    const pair = isPair(type, link);
    const together = ratio * (travels.get(driver) ?? 0) - (travels.get(follower) ?? 0);
    // What holds shut presses by no more than the spring of what it holds.
    const justHolds = -atEnd(follower) / linkStiffness - justPressing;
    const usual = acts !== 'carries' ? justHolds : pair ? together : lost;
    const read = pair || acts !== 'carries' ? null : playOf(link);
    const gap = assume(id, 'gap', read, usual);
    return { id, driver, follower, acts, ratio, gap, adjusts: adjusterStep(adjuster, figures, film) };
  });
  for (const [hole, id] of keyOfPad) {
    const key = type.pads.find((pad) => pad.hole === hole)?.key ?? id;
    if (key === id) continue;
    const gap = (travels.get(key) ?? 0) - (travels.get(id) ?? 0);
    links.push({ id, driver: key, follower: id, acts: 'carries', ratio: 1, gap, adjusts: null });
  }
  return {
    keys,
    links,
    flex: [],
    twist: twistRows(type, figures),
    keyOfPad,
    openSides: openSides(state, type),
    assumed,
  };
}

/** Keys in an order in which every driver comes before what it carries: what moves a driver moves its follower too. */
function driversFirst(type: InstrumentType): InstrumentType['keys'] {
  const movers = new Map<string, number>();
  for (const { id } of type.keys)
    for (const moved of movedKeys(type, [id])) movers.set(moved, (movers.get(moved) ?? 0) + 1);
  return [...type.keys].sort((a, b) => (movers.get(a.id) ?? 0) - (movers.get(b.id) ?? 0));
}

/**
 * The force of each spring at its pad, N. What was read at a touch is what everything under it gives back together: the
 * helpers' share comes off. What holds a cup shut at rest is strong enough to do so.
 */
function springForces(
  state: RegulatedJob,
  type: InstrumentType,
  limits: LimitSource,
  { springRate }: MechanismFigures,
  travels: ReadonlyMap<string, number>,
  assume: Assume,
): Map<string, number> {
  const most = upperLimit('sealForceNewtons', limits) ?? 0.5;
  const least = upperLimit('leastForceNewtons', limits) ?? most / 2;
  const usual = (least + most) / 2;
  const helpers = new Set(
    type.links.filter((link) => isPair(type, link) || link.acts === 'holds-shut').map(({ follower }) => follower),
  );
  const helper = helperShare * usual;
  const isHelper = ({ id, touches = [] }: InstrumentType['keys'][number]) => touches.length === 0 || helpers.has(id);
  const grown = (id: string) => springRate * (travels.get(id) ?? 0);
  return new Map(
    type.keys.map((key) => {
      const { id } = key;
      const read = readPoint(state, { group: 'spring', part: id, measure: 'force', clock: 0 }).mean;
      const atTouch = assume(id, 'spring', read, isHelper(key) ? helper : usual);
      const moved = movedKeys(type, [id]);
      const held = type.links.filter(({ driver, acts }) => acts === 'holds-shut' && moved.has(driver));
      const under = new Set([...moved, ...held.map(({ follower }) => follower)]);
      const carried = isHelper(key) ? 0 : [...under].filter((each) => each !== id && helpers.has(each)).length;
      // What a finger feels is at the end of the way, where the spring has grown.
      return [id, Math.max(lightestSpring, atTouch - Math.min(atTouch / 2, carried * helper) - grown(id))] as const;
    }),
  );
}

/** Keys side by side on one rod twist and bend it for each other. */
function twistRows(type: InstrumentType, { flex }: MechanismFigures): FlexRow[] {
  return type.rods.flatMap(({ id, kind }) => {
    if (kind !== 'through') return [];
    const row = type.keys
      .filter(({ rod, touches = [] }) => rod === id && touches.length > 0)
      .sort((a, b) => (a.from ?? 0) - (b.from ?? 0));
    return row.flatMap((pressed, i) =>
      row.flatMap((key, j): FlexRow[] => {
        const apart = Math.abs(i - j);
        if (apart === 0 || apart > 2 || !headOf(type, key.id)) return [];
        return [{ pressed: pressed.id, key: key.id, perNewton: apart === 1 ? flex.next : flex.further }];
      }),
    );
  });
}
