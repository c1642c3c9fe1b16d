import type { Measure, MeasureGroup } from '../vocabulary';
import type { InstrumentType } from './instrumentType.schema';
import { fingeringNames, isPair } from './mechanism';
import { postsOf, sharesSpan } from './spans';

/** Something that can be measured on a type: the group, the part, what of it, and where. */
export interface MeasurePlace {
  group: MeasureGroup;
  part: string;
  measure: Measure;
  /** mm from the upper end of the part, where the measure is taken along it */
  at?: number;
  clock?: number;
}

const quarters = [0, 90, 180, 270];
const across = [0, 90];
const eighths = [0, 45, 90, 135, 180, 225, 270, 315];
/** Stations down a section for its line: about every 60 mm, five at least so that a bend can be told from a bow. */
const lineStations = (length: number): number[] => {
  const steps = Math.max(4, Math.round(length / 60));
  return Array.from({ length: steps + 1 }, (_, i) => Math.round((length * i) / steps));
};

/** Three of them, both ends and the middle, are the usual set: four lines at each are enough for a first number. */
export const usualStations = (length: number): number[] => {
  const stations = lineStations(length);
  return [0, Math.floor((stations.length - 1) / 2), stations.length - 1].map((i) => stations[i] ?? 0);
};

/** Is this a station of a line that is only read where the amount matters? */
export function isFurtherStation(
  type: InstrumentType,
  { group, part, measure, at }: { group: string; part: string; measure: string; at?: number },
): boolean {
  if (group !== 'body-line' || measure !== 'deviation' || at === undefined) return false;
  const length = type.sections.find(({ id }) => id === part)?.length;
  return length !== undefined && !usualStations(length).includes(at);
}

/** The name a bell goes by in the types of saxophones: it alone is turned against the body. */
const bellSection = 'bell';
const isTurnable = (type: InstrumentType, section: string) => type.family === 'saxophone' && section === bellSection;

/** Where guard feet and brace leave their old marks on a bell: the gap there tells how far it was turned. */
export const witnessMarks = (type: InstrumentType, section: string) =>
  isTurnable(type, section)
    ? type.fittings.filter((fit) => fit.section === section && (fit.kind === 'guard' || fit.kind === 'brace'))
    : [];

/** The holes of a bell that keys of the body close: each of them can be the gauge of how the bell stands, largest first. */
export function referenceKeys(type: InstrumentType, section: string): InstrumentType['holes'] {
  if (!isTurnable(type, section)) return [];
  const padded = new Set(type.pads.map(({ hole }) => hole));
  return type.holes
    .filter((hole) => hole.section === section && padded.has(hole.id))
    .sort((a, b) => b.diameter - a.diameter);
}

/**
 * The key a bell is gauged by: the largest, or the one whose hole lies at a place that was chosen.
 *
 * @param at mm from the upper end of the bell, as the point of the reading has it
 */
export const referenceKey = (
  type: InstrumentType,
  section: string,
  at?: number,
): InstrumentType['holes'][number] | null => {
  const keys = referenceKeys(type, section);
  return (at === undefined ? keys[0] : keys.find((hole) => hole.at === at)) ?? null;
};

/** What is measured of a key on this rod: a tube that turns on it, or points that carry it. */
export function hingeMeasures({ kind, pivot }: InstrumentType['rods'][number]): readonly Measure[] {
  if (kind === 'through') return ['tube-outer', 'tube-inner', 'tube-length', 'rod', 'post-gap', 'end-play', 'arm'];
  const seat = pivot === 'cylinder' ? (['tube-outer', 'tube-inner', 'rod'] as const) : (['cone-angle'] as const);
  return [...seat, 'wear', 'rise-and-fall', 'tube-length', 'post-gap'];
}

/**
 * Every place where a figure can be taken on an instrument, group by group and down the tube: what its geometry gives,
 * then what the type asks for besides.
 */
export function measuringPoints(type: InstrumentType): MeasurePlace[] {
  const places: MeasurePlace[] = [];
  const add = (
    group: MeasureGroup,
    part: string,
    measure: Measure,
    ats?: readonly number[],
    clocks?: readonly number[],
  ) => {
    for (const at of ats ?? [undefined])
      for (const clock of clocks ?? [undefined])
        places.push({ group, part, measure, ...(at !== undefined && { at }), ...(clock !== undefined && { clock }) });
  };
  for (const { id, length } of type.sections) {
    // One line is sighted down the tube before the hand turns to the next; more stations only where the amount matters.
    for (const clock of quarters) add('body-line', id, 'deviation', usualStations(length), [clock]);
    const usual = new Set(usualStations(length));
    const further = lineStations(length).filter((at) => !usual.has(at));
    for (const clock of quarters) add('body-line', id, 'deviation', further, [clock]);
    add('body-line', id, 'run-out', [Math.round(length / 4), Math.round(length / 2), Math.round((3 * length) / 4)]);
    for (const { at, clock } of witnessMarks(type, id)) add('body-line', id, 'mark-gap', [at], [clock]);
    if (referenceKey(type, id)) add('body-line', id, 'key-gap', undefined, quarters);
  }
  for (const { id, bore } of type.sections)
    add(
      'bore',
      id,
      'diameter',
      bore.map(({ at }) => at),
      across,
    );
  for (const { id } of type.holes) {
    add('rim', id, 'height', undefined, eighths);
    add('hole', id, 'diameter', undefined, [0, 60, 120]);
  }
  for (const rod of type.rods) {
    postsOf(type, rod.id).forEach((post, i) => {
      if (i > 0) add('post', post.id, 'post-gap');
      // A compound post stands once, whatever it carries on its other side.
      if (post.rod !== rod.id) return;
      add('post', post.id, 'lean');
      add('post', post.id, 'height');
    });
  }
  for (const { id } of type.rods) add('hinge', id, 'run-out');
  for (const { id, rod } of type.keys) {
    const carrier = type.rods.find((each) => each.id === rod);
    if (!carrier) continue;
    // The gap of a span that several keys share is read once, at its post.
    const shared = carrier.kind === 'through' && sharesSpan(type, id);
    for (const measure of hingeMeasures(carrier)) if (!(shared && measure === 'post-gap')) add('hinge', id, measure);
  }
  for (const { id, length, kind } of type.joints) {
    for (const measure of ['tenon', 'receiver'] as const) add('joint', id, measure, [0, length / 2, length], across);
    if (kind === 'corked' || kind === 'wound') add('joint', id, 'cork', [length / 2], across);
    add('joint', id, 'leak-baseline');
    add('joint', id, 'leak');
    add('joint', id, 'leak-scale-baseline');
    add('joint', id, 'leak-scale');
  }
  for (const { id, springs } of type.keys) {
    if (!springs || springs.length === 0) continue;
    add('spring', id, 'force');
    add('spring', id, 'weight');
  }
  for (const { hole, hold } of type.pads) {
    add('pad', hole, 'stand');
    // What holds a dry pad is set back to the height it had.
    if (hold !== 'adhesive') add('pad', hole, 'setter');
    add('pad', hole, 'cup');
    add('pad', hole, 'cup-depth');
    add('pad', hole, 'height');
    add('pad', hole, 'gap', undefined, eighths);
  }
  for (const link of type.links) {
    add('link', link.id, 'lost-motion');
    if (isPair(type, link)) add('link', link.id, 'lateness');
  }
  if (type.sound)
    for (const id of fingeringNames(type).keys()) {
      add('pitch', id, 'cents');
      add('pitch', id, 'spread');
    }
  for (const { group, part, measure } of type.measuringPoints) add(group, part, measure);
  return places;
}
