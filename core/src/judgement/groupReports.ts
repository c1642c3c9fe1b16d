import { solveBodyLine, type BodyLineInput, type BodyLineOutput } from '../body';
import { solveBore, type BoreInput, type BoreOutput } from '../bore';
import { solveHinge, type HingeInput, type HingeOutput, type HingeRemedy } from '../hinges';
import { measuringPoints, type InstrumentType, type MeasurePlace } from '../instruments';
import { solveJoint, type JointInput, type JointOutput, type JointStep } from '../joints';
import type { JobState } from '../logbook';
import { Unsolvable } from '../metrology';
import { bandOf, practices, upperLimit } from '../practice';
import type { MeasureGroup } from '../vocabulary';
import { clockWords, lengthWords, severityAgainst } from './figureWords';
import { judgeFigure, readPart, withFacts, type PartReport, type ReportFact, type ReportFinding } from './partReport';
import type { PointReading } from './pointReading';

/** Who works out what a report asks. Null means that the answer is not there yet, or that there is none. */
export interface GroupAnswers {
  line: (input: BodyLineInput) => BodyLineOutput | null;
  bore: (input: BoreInput) => BoreOutput | null;
  hinge: (input: HingeInput) => HingeOutput | null;
  joint: (input: JointInput) => JointOutput | null;
}

const orNull =
  <In, Out>(solve: (input: In) => Out) =>
  (input: In): Out | null => {
    try {
      return solve(input);
    } catch (error) {
      if (error instanceof Unsolvable) return null;
      throw error;
    }
  };
export const groupsAnsweredHere: GroupAnswers = {
  line: orNull(solveBodyLine),
  bore: orNull(solveBore),
  hinge: orNull(solveHinge),
  joint: orNull(solveJoint),
};

/** Groups with a report of their own; pads and rims have theirs elsewhere. */
export const reportedGroups = [
  'body-line',
  'bore',
  'hinge',
  'joint',
  'spring',
  'link',
] as const satisfies readonly MeasureGroup[];
export type ReportedGroup = (typeof reportedGroups)[number];

/** What tubes can take and the shop has: workshop defaults. */
const swageShare = 0.35;
const mostReduction = 0.05;
const facing = 0.05;
const washerStock = [0.05, 0.1, 0.15, 0.2] as const;
const tenonOvershoot = 0.02;
const shrinkStep = 0.01;

/** Means of the points that have fresh readings, by what they are taken at. */
const taken = (points: readonly PointReading[]) =>
  points.flatMap(({ point, mean }) => (mean === null ? [] : [{ ...point, at: point.at ?? 0, mean }]));
const byStation = <T extends { at: number }>(samples: readonly T[]): [number, T[]][] => {
  const stations = new Map<number, T[]>();
  for (const sample of samples) stations.set(sample.at, [...(stations.get(sample.at) ?? []), sample]);
  return [...stations].sort(([a], [b]) => a - b);
};

interface Context {
  state: JobState;
  type: InstrumentType;
  answers: GroupAnswers;
}

function lineReport({ state, type, answers }: Context, report: PartReport): PartReport {
  const zone = upperLimit('bodyStraightness', type.family, state.practice);
  const stations = byStation(taken(report.points)).filter(([, sightings]) => sightings.length >= 3);
  if (stations.length < 4 || zone === null)
    return {
      ...report,
      missing: `Sight along the quarter lines: four stations or more, three lines or more at each (${stations.length} so far).`,
    };
  const line = answers.line({
    stations: stations.map(([at, sightings]) => ({
      at,
      sightings: sightings.map(({ clock, mean }) => ({ clock, deviation: mean })),
    })),
    limits: { zone },
  });
  if (!line) return report;
  const fact = judgeFigure('Straightness zone', 'mm', line.zone, [worst(report)], { upper: zone });
  const bend = line.bend;
  const finding: ReportFinding | null =
    fact.verdict === 'outside' && bend
      ? {
          kind: 'body-bent',
          severity: severityAgainst(line.zone, zone),
          cause: `A ${line.shape} at ${Math.round(bend.at)} mm, leaning toward ${clockWords(bend.towardClock)} by ${bend.angleDegrees.toFixed(2)}°.`,
          remedy: `Support at ${Math.round(line.correction?.supportAt ?? bend.at)} mm, push toward ${clockWords(line.correction?.pushClock)}: set it back by ${(line.correction?.setDegrees ?? bend.angleDegrees).toFixed(2)}° and more for what springs back. A little at a time; read again after every few taps.`,
        }
      : null;
  const reach = (clock: number, x: number, y: number) =>
    x * Math.cos((clock * Math.PI) / 180) + y * Math.sin((clock * Math.PI) / 180);
  const farthest = line.centres.reduce((a, b) => (Math.hypot(b.x, b.y) > Math.hypot(a.x, a.y) ? b : a));
  const toward = bend?.towardClock ?? ((Math.atan2(farthest.y, farthest.x) * 180) / Math.PI + 360) % 360;
  return withFacts(report, [fact], {
    says: finding ? `${finding.cause} ${finding.remedy}` : `The centres lie in a zone of ${lengthWords(line.zone)}.`,
    findings: finding ? [finding] : [],
    curve: line.centres.map(({ at, x, y }) => ({ at, value: reach(toward, x, y), reference: 0 })),
    curveWords: `Centre line toward ${clockWords(toward)}`,
  });
}

/** The coarsest witness of a whole report, as one point. */
const worst = ({ points }: PartReport): PointReading => {
  const fresh = points.flatMap((point) => point.fresh);
  return { point: points[0]?.point as PointReading['point'], fresh, stale: [], mean: null };
};

function boreReport({ state, type, answers }: Context, report: PartReport): PartReport {
  const section = type.sections.find(({ id }) => id === report.part);
  const deviation = upperLimit('boreDeviation', type.family, state.practice);
  const ovality = upperLimit('boreOvality', type.family, state.practice);
  const stations = byStation(taken(report.points));
  if (!section || deviation === null || ovality === null || stations.length < 3)
    return { ...report, missing: `Three stations or more, across two axes at each (${stations.length} so far).` };
  const bore = answers.bore({
    stations: stations.map(([at, readings]) => ({
      at,
      readings: readings.map(({ clock, mean }) => ({ clock, diameter: mean })),
    })),
    reference: { kind: 'points', points: section.bore.map(({ at, diameter }) => ({ at, diameter })) },
    limits: { deviation, ovality },
  });
  if (!bore) return report;
  const widest = bore.stations.reduce((a, b) => (Math.abs(b.deviation) > Math.abs(a.deviation) ? b : a));
  const roundest = Math.max(...bore.stations.map((station) => station.ovality));
  const facts: ReportFact[] = [
    judgeFigure('Largest deviation', 'mm', widest.deviation, [worst(report)], { lower: -deviation, upper: deviation }),
    judgeFigure('Largest ovality', 'mm', roundest, [worst(report)], { upper: ovality }),
    {
      words: 'Volume against reference',
      value: bore.volume - bore.referenceVolume,
      unit: 'mm³',
      uncertainty: null,
      limit: null,
      verdict: null,
    },
  ];
  const places = bore.features.map(
    ({ kind, from, to, peak }) => `${kind} from ${Math.round(from)} to ${Math.round(to)} mm (${lengthWords(peak)})`,
  );
  const narrow = bore.features.find(({ kind }) => kind === 'narrow');
  const oval = bore.features.find(({ kind }) => kind === 'oval');
  const assumed = section.assumed?.includes('bore') ? ' The reference is assumed, not measured.' : '';
  const findings: ReportFinding[] =
    (narrow || oval) && type.body === 'metal' && facts.some(({ verdict }) => verdict === 'outside')
      ? [
          {
            kind: 'dent',
            severity: severityAgainst(
              Math.max(Math.abs(narrow?.peak ?? 0) / deviation, (oval?.peak ?? 0) / ovality),
              1,
            ),
            cause: `The bore is ${places.join('; ')}.`,
            remedy: 'Raise it from inside over balls or a mandrel, larger before smaller, then read the bore again.',
          },
        ]
      : [];
  return withFacts(report, facts, {
    says: `${places.length > 0 ? `The bore is ${places.join('; ')}.` : 'The bore follows its reference.'}${assumed}`,
    findings,
    curve: bore.stations.map(({ at, mean, reference }) => ({ at, value: mean, reference })),
    curveWords: 'Bore diameter against its reference',
  });
}

/** What is to be done at a hinge, in words. */
function remedyWords(remedy: HingeRemedy): string {
  switch (remedy.action) {
    case 'ream':
      return `Ream the tube by ${lengthWords(remedy.amount)}.`;
    case 'face':
      return `Face the tube by ${lengthWords(remedy.amount)}.`;
    case 'swage':
      return 'lengthen' in remedy
        ? `Swage it ${lengthWords(remedy.lengthen)} longer, the rod inside, to an outside of ${lengthWords(remedy.newOuter)}${remedy.feasible ? '' : ': more than the tube can take'}; then face ${lengthWords(remedy.thenFace)}.`
        : `Swage it down to ${lengthWords(remedy.newInner)} inside.`;
    case 'washers':
      return `Washers ${remedy.pieces.map((piece) => piece.toFixed(2)).join(' and ')} mm leave ${lengthWords(remedy.endPlayAfter)}.`;
    case 'sleeve':
      return 'A new tube or a sleeve.';
    case 'oversize-rod':
      return `Or a rod of ${lengthWords(remedy.diameter)}.`;
  }
}

function hingeReport({ state, type, answers }: Context, report: PartReport): PartReport {
  const of = (measure: string) => report.points.find(({ point }) => point.measure === measure);
  const [outer, inner, length, rod, gap] = ['tube-outer', 'tube-inner', 'tube-length', 'rod', 'post-gap'].map(of);
  const values = [outer, inner, length, rod, gap].map((point) => point?.mean ?? null);
  const clearance = bandOf('hingeClearance', type.family, state.practice);
  const endPlay = bandOf('endPlay', type.family, state.practice);
  const missing = report.points
    .filter(({ mean }) => mean === null)
    .map(({ point }) => point.measure.replaceAll('-', ' '));
  const [o, i, l, r, g] = values as [number, number, number, number, number];
  if (!clearance || !endPlay || values.some((value) => value === null))
    return { ...report, missing: `Still to be measured: ${missing.join(', ')}.` };
  const practice = practices[state.practice];
  const hinge = answers.hinge({
    tube: { outer: o, inner: i, length: l },
    rod: { diameter: r },
    posts: { gap: g },
    arm: { length: type.pads.find(({ key }) => key === report.part)?.axisDistance ?? l },
    limits: { clearance: [...clearance], endPlay: [...endPlay] },
    swage: { zone: l * swageShare, maxReduction: mostReduction, facing },
    stock: { rods: [], washers: [...washerStock] },
    washersAllowed: practice.endPlay === 'washers',
  });
  if (!hinge) return { ...report, missing: 'The tube cannot be narrower outside than inside: read it again.' };
  const points = (...list: (PointReading | undefined)[]) => list.filter((point) => point !== undefined);
  const facts: ReportFact[] = [
    judgeFigure('Clearance on the rod', 'mm', hinge.clearance, points(inner, rod), {
      lower: clearance[0],
      upper: clearance[1],
    }),
    judgeFigure('End play', 'mm', hinge.endPlay, points(gap, length), { lower: endPlay[0], upper: endPlay[1] }),
    { words: 'Rock', value: hinge.rockDegrees, unit: '°', uncertainty: null, limit: null, verdict: null },
    { words: 'The pad wanders by', value: hinge.padWander, unit: 'mm', uncertainty: null, limit: null, verdict: null },
  ];
  const remedy = hinge.remedies.map(remedyWords).join(' ');
  const outside = (index: number) => facts[index]?.verdict === 'outside';
  const findings: ReportFinding[] = [
    ...(outside(0)
      ? [
          {
            kind: 'hinge-loose' as const,
            severity: severityAgainst(hinge.clearance, clearance[1]),
            cause: `The tube is ${hinge.verdicts.clearance} on its rod: ${lengthWords(hinge.clearance)}.`,
            remedy,
          },
        ]
      : []),
    ...(outside(1)
      ? [
          {
            kind: 'end-play' as const,
            severity: severityAgainst(hinge.endPlay, endPlay[1]),
            cause: `Between its posts the key is ${hinge.verdicts.endPlay}: ${lengthWords(hinge.endPlay)}.`,
            remedy,
          },
        ]
      : []),
  ];
  return withFacts(report, facts, { says: remedy || 'It fits: no rock, no end play, free.', findings });
}

function jointWords(step: JointStep): string {
  switch (step.action) {
    case 'true-receiver':
      return 'True the receiver over a plug first.';
    case 'replace-tenon':
      return 'Replace the tenon: it will not come round.';
    case 'round-tenon':
      return 'Bring the tenon round.';
    case 'expand':
      return `Expand at the ${step.zone === 'leading' ? 'leading end' : step.zone} by ${lengthWords(step.by)}, and read after the pass.`;
    case 'shrink':
      return `Shrink by ${lengthWords(step.by)}${step.steps === null ? '' : ` in ${step.steps} ${step.steps === 1 ? 'step' : 'steps'}`}.`;
    case 'lap':
      return 'Lap to finish.';
  }
}

/** A leak read that differs from what the clearance predicts by more than this factor is no matter of fit. */
const leakDisagrees = 3;

function jointReport({ state, type, answers }: Context, report: PartReport): PartReport {
  const joint = type.joints.find(({ id }) => id === report.part);
  const corked = joint?.kind === 'corked' || joint?.kind === 'wound';
  const clearance = bandOf(corked ? 'corkedTenonClearance' : 'metalJointClearance', type.family, state.practice);
  const ovality = upperLimit('boreOvality', type.family, state.practice);
  const leakLimit = upperLimit('jointLeakMlPerMinute', type.family, state.practice);
  const side = (measure: string) =>
    byStation(taken(report.points.filter(({ point }) => point.measure === measure)))
      .filter(([, readings]) => readings.length >= 2)
      .map(([at, readings]) => ({ at, diameters: readings.map(({ mean }) => mean) }));
  const [tenon, receiver] = [side('tenon'), side('receiver')];
  const leakPoint = report.points.find(({ point }) => point.measure === 'leak');
  const leakRead = leakPoint?.mean ?? null;
  const leakFact =
    leakPoint && leakRead !== null && leakLimit !== null
      ? [judgeFigure('Leak read at 2.5 kPa', 'mL/min', leakRead, [leakPoint], { upper: leakLimit })]
      : [];
  if (!clearance || ovality === null || leakLimit === null || tenon.length < 2 || receiver.length < 2) {
    const missing = 'Two depths or more on tenon and receiver, across two axes at each.';
    return leakFact.length > 0 ? { ...withFacts(report, leakFact, {}), missing } : { ...report, missing };
  }
  const solved = answers.joint({
    tenon,
    receiver,
    limits: { clearance: [...clearance], ovality, leak: leakLimit },
    tool: { overshoot: tenonOvershoot, shrinkStep },
  });
  if (!solved) return { ...report, missing: 'Tenon and receiver do not overlap: read the depths again.' };
  const gaps = solved.clearances.map((each) => each.clearance);
  const widest = Math.max(...gaps);
  const facts: ReportFact[] = [
    judgeFigure('Largest clearance', 'mm', widest, [worst(report)], { upper: clearance[1] }),
    judgeFigure('Smallest clearance', 'mm', Math.min(...gaps), [worst(report)], { lower: clearance[0] }),
    judgeFigure('Ovality of the tenon', 'mm', solved.tenonOvality, [worst(report)], { upper: ovality }),
    judgeFigure('Ovality of the receiver', 'mm', solved.receiverOvality, [worst(report)], { upper: ovality }),
    ...(corked
      ? []
      : [
          {
            words: 'Leak predicted',
            value: solved.leak.eccentric,
            unit: 'mL/min' as const,
            uncertainty: null,
            limit: { upper: leakLimit },
            verdict: null,
          },
        ]),
    ...leakFact,
  ];
  const remedy = corked
    ? 'A corked tenon seals by its cork: renew the cork to the clearance of the wood.'
    : solved.plan.map(jointWords).join(' ');
  const disagrees =
    !corked && leakRead !== null && leakRead > leakLimit && leakRead > leakDisagrees * solved.leak.eccentric
      ? ' It leaks far more than its fit explains: look for a gouge, a crack, or the baseline of the tester.'
      : '';
  const findings: ReportFinding[] = [];
  const outside = (words: string) => facts.some((fact) => fact.words === words && fact.verdict === 'outside');
  const add = (kind: ReportFinding['kind'], value: number, limit: number, cause: string) =>
    findings.push({ kind, severity: severityAgainst(value, limit), cause, remedy });
  if (outside('Ovality of the receiver'))
    add(
      'receiver-oval',
      solved.receiverOvality,
      ovality,
      `The receiver is oval by ${lengthWords(solved.receiverOvality)}.`,
    );
  if (outside('Largest clearance')) add('joint-loose', widest, clearance[1], `Loose by up to ${lengthWords(widest)}.`);
  if (outside('Smallest clearance'))
    add('joint-tight', 1, 1, `Tight: ${lengthWords(Math.min(...gaps))} at its narrowest.`);
  if (disagrees !== '') add('tenon-gouged', leakRead ?? 0, leakLimit, disagrees.trim());
  return withFacts(report, facts, {
    says: `${findings.length > 0 ? remedy : 'It fits.'}${disagrees}`,
    findings,
    curve: solved.clearances.map(({ at, clearance: value }) => ({ at, value, reference: clearance[1] })),
    curveWords: 'Clearance along the depth, from the shoulder',
  });
}

/** A part judged by one figure alone: the force at a touch, the lost motion of a link. */
function figureReport({ state, type }: Context, report: PartReport): PartReport {
  const point = report.points[0];
  if (!point || point.mean === null)
    return { ...report, missing: 'One figure: read it twice if it is near the limit.' };
  const spring = report.group === 'spring';
  const band = spring ? null : bandOf('lostMotion', type.family, state.practice);
  const most = upperLimit('sealForceNewtons', type.family, state.practice);
  const limit = spring ? { upper: most ?? 1 } : { lower: band?.[0] ?? 0, upper: band?.[1] ?? 0.1 };
  const fact = judgeFigure(spring ? 'Force to seal' : 'Lost motion', spring ? 'N' : 'mm', point.mean, [point], limit);
  const outside = fact.verdict === 'outside';
  const finding: ReportFinding = spring
    ? {
        kind: 'spring-weak',
        severity: severityAgainst(point.mean, limit.upper),
        cause: `It takes ${point.mean.toFixed(2)} N to seal, more than ${limit.upper} N.`,
        remedy: 'Ease the spring, and look at the pad: a hard pad or a deep seat asks for force too.',
      }
    : {
        kind: 'lost-motion',
        severity: severityAgainst(point.mean, limit.upper),
        cause: `${lengthWords(point.mean)} are lost between the keys.`,
        remedy: 'Take it up at the adjuster of the link.',
      };
  return withFacts(report, [fact], {
    says: outside ? `${finding.cause} ${finding.remedy}` : 'Within.',
    findings: outside ? [finding] : [],
  });
}

const reportBy: Record<ReportedGroup, (context: Context, report: PartReport) => PartReport> = {
  'body-line': lineReport,
  'bore': boreReport,
  'hinge': hingeReport,
  'joint': jointReport,
  'spring': figureReport,
  'link': figureReport,
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
  state: JobState,
  type: InstrumentType,
  group: string,
  part: string,
  answers: GroupAnswers = groupsAnsweredHere,
): PartReport | null {
  if (!isReported(group)) return null;
  const report = readPart(state, group, part, placesOfType(type));
  if (report.points.length === 0) return null;
  const judged = reportBy[group]({ state, type, answers }, report);
  // Nothing could be judged: what is stale shows as stale.
  return judged.facts.length === 0 ? { ...judged, state: report.state } : judged;
}

/** Parts that can be measured in a group, down the tube as the instrument lists them. */
export function partsOfGroup(type: InstrumentType, group: string): string[] {
  return [...new Set(placesOfType(type).flatMap((place) => (place.group === group ? [place.part] : [])))];
}

/** Every point of one part in one group, with what has been read there. */
export const pointsOfPart = (state: JobState, type: InstrumentType, group: MeasureGroup, part: string) =>
  readPart(state, group, part, placesOfType(type)).points;

/** Reports of every part that has been measured in one of these groups. */
export function groupReports(
  state: JobState,
  type: InstrumentType,
  answers: GroupAnswers = groupsAnsweredHere,
): Map<string, PartReport> {
  const reports = new Map<string, PartReport>();
  for (const { point } of state.points.values()) {
    const key = `${point.group}:${point.part}`;
    if (reports.has(key)) continue;
    const report = partReport(state, type, point.group, point.part, answers);
    if (report) reports.set(key, report);
  }
  return reports;
}
