import type { Measure, MeasureGroup } from '../vocabulary';
import type { InstrumentType } from './instrumentType.schema';
import { sharesSpan } from './spans';

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

/** The name a bell goes by in the types of saxophones: it alone is turned against the body. */
const bellSection = 'bell';
const isTurnable = (type: InstrumentType, section: string) => type.family === 'saxophone' && section === bellSection;

/** Where guard feet and brace leave their old marks on a bell: the gap there tells how far it was turned. */
export const witnessMarks = (type: InstrumentType, section: string) =>
  isTurnable(type, section)
    ? type.fittings.filter((fit) => fit.section === section && (fit.kind === 'guard' || fit.kind === 'brace'))
    : [];

/** The largest key of a bell: undamaged, it is the gauge of how the bell stands to the body. */
export function referenceKey(type: InstrumentType, section: string): InstrumentType['holes'][number] | null {
  if (!isTurnable(type, section)) return null;
  const padded = new Set(type.pads.map(({ hole }) => hole));
  const holes = type.holes.filter((hole) => hole.section === section && padded.has(hole.id));
  return holes.reduce<(typeof holes)[number] | null>((a, b) => (a && a.diameter >= b.diameter ? a : b), null);
}

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
    add('body-line', id, 'deviation', lineStations(length), quarters);
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
    const posts = type.posts.filter((post) => post.rod === rod.id).sort((a, b) => a.at - b.at);
    posts.forEach(({ id }, i) => {
      if (i > 0) add('post', id, 'post-gap');
      add('post', id, 'lean');
      add('post', id, 'height');
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
  }
  for (const { id, springs } of type.keys) {
    if (!springs || springs.length === 0) continue;
    add('spring', id, 'force');
    add('spring', id, 'weight');
  }
  for (const { hole } of type.pads) {
    add('pad', hole, 'stand');
    add('pad', hole, 'height');
    add('pad', hole, 'gap', undefined, eighths);
  }
  for (const { id } of type.links) add('link', id, 'lost-motion');
  for (const { group, part, measure } of type.measuringPoints) add(group, part, measure);
  return places;
}
