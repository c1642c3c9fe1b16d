import type { InstrumentType } from '../instruments';
import type { TickChoice } from './look';
import type { FindingKind, Measure, MeasureGroup, SurveyStation } from '../vocabulary';

/** Something that can be measured on a type: the group, the part, what of it, and where. */
export interface MeasurePlace {
  group: MeasureGroup;
  part: string;
  measure: Measure;
  /** mm from the upper end of the part, where the measure is taken along it */
  at?: number;
  clock?: number;
}

/** A place of a group, without the group's own name. */
export type Place = Omit<MeasurePlace, 'group'>;

/** What lies on the tube and can be gone to while a group is measured. */
export type PartKind = 'sections' | 'holes' | 'posts' | 'rods' | 'keys' | 'joints';

/**
 * A group of measures, whole: everything that is true of it wherever it is asked. Its report stands beside it, and the
 * registry names both; nothing else has a list of groups of its own.
 */
export interface GroupDefinition {
  /** many of what is measured, as a heading: Rims; null where the bench has a page of its own for it, or none */
  heading: string | null;
  /** the parts that carry it, on the drawing */
  lies: readonly PartKind[];
  /** every place where a figure can be taken, part by part and down the tube */
  places: (type: InstrumentType) => Place[];
  /** its parts in the order they are walked, where that is another than the order of the places */
  walk?: (type: InstrumentType) => string[];
  /** what one of its parts is called over its page, where the name of the part does not say it: Rim of */
  titled?: string;
  /** its figures are read round the clock, each named by where it stands */
  round?: true;
  /** what a place is called beside the others of its part, where no clock says it */
  spots?: Partial<Record<Measure, string>>;
  /** what is asked for, where the measure has another name here */
  ask?: Partial<Record<Measure, string>>;
  /** measures that are taken only when somebody wants them here, beside those that are so everywhere */
  wanted?: readonly Measure[];
  /** measures that are asked for here though nothing waits for them elsewhere */
  asked?: readonly Measure[];
  /** its figures end with places nobody has to read: the hand stays before them */
  endsWithWanted?: true;
  /** stations of one's own are read at these clocks, by this measure */
  stations?: { measure: Measure; clocks: readonly number[] };
  /** what can be said of a part without a figure */
  looks?: readonly TickChoice[];
  /** what the air of an instrument goes past: once one of these is worked on, no note is known to be what it was */
  inTheAir?: true;
  /** the parts that do not count as good in an overhaul while nobody has looked at them, each by itself */
  everyPart?: (type: InstrumentType) => string[];
  /** the station of a survey at which all of those are looked at in one pass */
  station?: SurveyStation;
  /** in a repair it is asked for only where one of these speaks against the part */
  inRepairOnlyFor?: readonly FindingKind[];
}

const each = <T>(list: readonly T[] | undefined): readonly (T | undefined)[] => list ?? [undefined];

/** The places of one measure of a part: at each station, at each clock. */
export const at = (part: string, measure: Measure, ats?: readonly number[], clocks?: readonly number[]): Place[] =>
  each(ats).flatMap((station) =>
    each(clocks).map((clock) => ({
      part,
      measure,
      ...(station !== undefined && { at: station }),
      ...(clock !== undefined && { clock }),
    })),
  );

/** Clocks across a tube, at its quarters, and round a rim or a pad. */
export const across = [0, 90];
export const quarters = [0, 90, 180, 270];
export const eighths = [0, 45, 90, 135, 180, 225, 270, 315] as const;
