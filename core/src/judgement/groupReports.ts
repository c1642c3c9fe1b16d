import { measuringPoints, type InstrumentType, type MeasurePlace } from '../instruments';
import type { MeasuredJob } from './measuredJob';
import { usualSizes, type Sizes } from '../stock';
import type { MeasureGroup } from '../vocabulary';
import { boreReport } from './boreReport';
import { linkReport, springReport } from './figureReport';
import { groupsAnsweredHere, type GroupAnswers } from './groupAnswers';
import { hingeReport } from './hingeReport';
import { jointReport } from './jointReport';
import { limitsOf } from './limitsOf';
import { lineReport } from './lineReport';
import { readPart, type PartReport } from './partReport';
import { pitchReport } from './pitchReport';
import { postReport } from './postReport';
import type { ReportContext } from './reportContext';

/** Groups with a report of their own; pads and rims have theirs elsewhere. */
export const reportedGroups = [
  'body-line',
  'bore',
  'post',
  'hinge',
  'joint',
  'spring',
  'link',
  'pitch',
] as const satisfies readonly MeasureGroup[];
export type ReportedGroup = (typeof reportedGroups)[number];

const reportBy: Record<ReportedGroup, (context: ReportContext, report: PartReport) => PartReport> = {
  'body-line': lineReport,
  'bore': boreReport,
  'post': postReport,
  'hinge': hingeReport,
  'joint': jointReport,
  'spring': springReport,
  'link': linkReport,
  'pitch': pitchReport,
};
const isReported = (group: string): group is ReportedGroup => group in reportBy;

/** Places of a type, made once: they are asked for at every reading. */
const placesOf = new WeakMap<InstrumentType, readonly MeasurePlace[]>();
export function placesOfType(type: InstrumentType): readonly MeasurePlace[] {
  const known = placesOf.get(type) ?? measuringPoints(type);
  placesOf.set(type, known);
  return known;
}

/** What the readings of one group say of one part; null where that group is not reported. */
export function partReport(
  state: MeasuredJob,
  type: InstrumentType,
  group: string,
  part: string,
  answers: GroupAnswers = groupsAnsweredHere,
  sizes: Sizes = usualSizes,
): PartReport | null {
  if (!isReported(group)) return null;
  const report = readPart(state, type, group, part, placesOfType(type));
  if (report.points.length === 0) return null;
  const judged = reportBy[group]({ state, type, limits: limitsOf(state, type), answers, sizes }, report);
  // Nothing could be judged: what is stale shows as stale.
  return judged.facts.length === 0 ? { ...judged, state: report.state } : judged;
}

/** Parts that can be measured in a group, down the tube as the instrument lists them. */
export function partsOfGroup(type: InstrumentType, group: string): string[] {
  return [...new Set(placesOfType(type).flatMap((place) => (place.group === group ? [place.part] : [])))];
}

/** Every point of one part in one group, with what has been read there. */
export const pointsOfPart = (state: MeasuredJob, type: InstrumentType, group: MeasureGroup, part: string) =>
  readPart(state, type, group, part, placesOfType(type)).points;
