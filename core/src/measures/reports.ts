import { oncePerType, type InstrumentType } from '../instruments';
import { usualSizes, type Sizes } from '../stock';
import type { MeasureGroup } from '../vocabulary';
import { groupsAnsweredHere, type GroupAnswers } from './base/groupAnswers';
import { limitsOf } from './base/limitsOf';
import type { MeasuredJob } from './base/measuredJob';
import { readPart, type PartFigures, type PartReport } from './base/partReport';
import type { ReportContext } from './base/reportContext';
import { boreReport } from './bore/report';
import type { MeasurePlace } from './definition';
import { hingeReport } from './hinge/report';
import { jointReport } from './joint/report';
import { lineReport } from './line/report';
import { linkReport } from './link/report';
import { padFigures } from './pad/report';
import { pitchReport } from './pitch/report';
import { postReport } from './post/report';
import { measuringPoints } from './registry';
import { rimFigures } from './rim/report';
import { springReport } from './spring/report';

/** What the readings of a part come to: judged point by point and told in sentences. */
type Reports = (context: ReportContext, report: PartReport) => PartReport;

/** The report of each group that has one; a hole is judged with its rim. */
export const reportTable: Partial<Record<MeasureGroup, Reports>> = {
  'body-line': lineReport,
  'bore': boreReport,
  'post': postReport,
  'hinge': hingeReport,
  'joint': jointReport,
  'spring': springReport,
  'link': linkReport,
  'pitch': pitchReport,
};

/** Groups with a report told in sentences. */
export const reportedGroups = Object.keys(reportTable) as MeasureGroup[];

/** Groups read round the clock have reports of their own shape, with a picture; what they come to is asked for here. */
const roundTable: Partial<
  Record<MeasureGroup, (state: MeasuredJob, type: InstrumentType, part: string) => PartFigures | null>
> = {
  rim: rimFigures,
  pad: padFigures,
};

/** The groups that are read round the clock, hole by hole. */
export const roundGroups = Object.keys(roundTable) as MeasureGroup[];

/** Is there a verdict on a part of this group? */
export const isJudged = (group: string): boolean => group in reportTable || group in roundTable;

/** Places of a type, made once: they are asked for at every reading. */
export const placesOfType = oncePerType((type): readonly MeasurePlace[] => measuringPoints(type));

/** What the readings of one group say of one part; null where that group is not reported. */
export function partReport(
  state: MeasuredJob,
  type: InstrumentType,
  group: string,
  part: string,
  answers: GroupAnswers = groupsAnsweredHere,
  sizes: Sizes = usualSizes,
): PartReport | null {
  const reportOf = reportTable[group as MeasureGroup];
  if (!reportOf) return null;
  const report = readPart(state, type, group as MeasureGroup, part, placesOfType(type));
  if (report.points.length === 0) return null;
  const judged = reportOf({ state, type, limits: limitsOf(state, type), answers, sizes }, report);
  // Nothing could be judged: what is stale shows as stale.
  return judged.facts.length === 0 ? { ...judged, state: report.state } : judged;
}

/** The figures a part comes to, whichever group it is; null where there is nothing to come to one. */
export const partFigures = (
  state: MeasuredJob,
  type: InstrumentType,
  group: string,
  part: string,
): PartFigures | null => {
  const round = roundTable[group as MeasureGroup];
  return round ? round(state, type, part) : partReport(state, type, group, part);
};

/** Parts that can be measured in a group, down the tube as the instrument lists them. */
export function partsOfGroup(type: InstrumentType, group: string): string[] {
  return [...new Set(placesOfType(type).flatMap((place) => (place.group === group ? [place.part] : [])))];
}

/** Every point of one part in one group, with what has been read there. */
export const pointsOfPart = (state: MeasuredJob, type: InstrumentType, group: MeasureGroup, part: string) =>
  readPart(state, type, group, part, placesOfType(type)).points;
