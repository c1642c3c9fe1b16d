import type { InstrumentType } from '../instruments';
import type { Measure, MeasureGroup } from '../vocabulary';
import { bore } from './bore/definition';
import type { GroupDefinition, MeasurePlace } from './definition';
import { hinge } from './hinge/definition';
import { hole } from './hole/definition';
import { joint } from './joint/definition';
import { line } from './line/definition';
import { link } from './link/definition';
import type { TickChoice } from './look';
import { measureTable } from './measureTable';
import { pad } from './pad/definition';
import { pitch } from './pitch/definition';
import { post } from './post/definition';
import { rim } from './rim/definition';
import { spring } from './spring/definition';

export { meansWords, type TickChoice, type TickMeans, type TickVerdict } from './look';

/** Every group of measures, in the order of the work. */
export const groupTable = {
  'body-line': line,
  'bore': bore,
  'rim': rim,
  'hole': hole,
  'post': post,
  'joint': joint,
  'hinge': hinge,
  'pad': pad,
  'link': link,
  'spring': spring,
  'pitch': pitch,
} as const satisfies Record<MeasureGroup, GroupDefinition>;

/** What a group of measures is; undefined where there is none of that name. */
export const groupNamed = (group: string): GroupDefinition | undefined =>
  Object.hasOwn(groupTable, group) ? groupTable[group as MeasureGroup] : undefined;

/** The groups there are, in the order of the work. */
export const allGroups = (): MeasureGroup[] => Object.keys(groupTable) as MeasureGroup[];

/** Groups of which something can be said without a figure. */
export type TickGroup = {
  [G in MeasureGroup]: (typeof groupTable)[G] extends { looks: unknown } ? G : never;
}[MeasureGroup];

/**
 * Every place where a figure can be taken on an instrument, group by group and down the tube: what its geometry gives,
 * then what the type asks for besides.
 */
export const measuringPoints = (type: InstrumentType): MeasurePlace[] => [
  ...allGroups().flatMap((group) => groupTable[group].places(type).map((place) => ({ group, ...place }))),
  ...type.measuringPoints.map(({ group, part, measure }) => ({ group, part, measure })),
];

/** Is it read only when somebody wants it? */
export function isWanted({ group, measure }: { group: string; measure: Measure }): boolean {
  const { wanted, asked } = groupNamed(group) ?? {};
  if (wanted?.includes(measure)) return true;
  return measureTable[measure].wanted === true && !asked?.includes(measure);
}

/** What is asked for, in words; the same measure means different things in different groups. */
export const askWords = ({ group, measure }: { group: string; measure: Measure }): string =>
  groupNamed(group)?.ask?.[measure] ?? measureTable[measure].words;

/** The groups of which something can be said without a figure. */
export const tickGroups = allGroups().filter((group) => groupNamed(group)?.looks) as TickGroup[];

export const isTickGroup = (group: string): group is TickGroup => groupNamed(group)?.looks !== undefined;

/** What can be said of a part of this group. */
export const choicesOf = (group: TickGroup): readonly TickChoice[] => groupNamed(group)?.looks ?? [];

/** The answer of this id, as the group has it. */
export const choiceOf = (group: TickGroup, id: string): TickChoice | undefined =>
  choicesOf(group).find((each) => each.id === id);
