import type { Measure, MeasureGroup } from '../vocabulary';
import type { InstrumentType } from './instrumentType.schema';

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
  for (const { id, length } of type.sections) add('body-line', id, 'deviation', lineStations(length), quarters);
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
    posts.slice(1).forEach(({ id }) => add('post', id, 'gap'));
  }
  for (const { id, rod } of type.keys) {
    if (rod === undefined) continue;
    for (const measure of ['tube-outer', 'tube-inner', 'tube-length', 'rod', 'post-gap'] as const)
      add('hinge', id, measure);
  }
  for (const { id, length } of type.joints) {
    for (const measure of ['tenon', 'receiver'] as const) add('joint', id, measure, [0, length / 2, length], across);
    add('joint', id, 'leak');
  }
  for (const { id, springs } of type.keys) if (springs && springs.length > 0) add('spring', id, 'force');
  for (const { hole } of type.pads) {
    add('pad', hole, 'height');
    add('pad', hole, 'gap', undefined, eighths);
  }
  for (const { id } of type.links) add('link', id, 'lost-motion');
  for (const { group, part, measure } of type.measuringPoints) add(group, part, measure);
  return places;
}
