import type { HingeRemedy } from '../../hinges';
import { removableNames, sharesSpan, spanOf, type InstrumentType } from '../../instruments';
import { bandOf, settingsOf, upperLimit, workLimit, workShare } from '../../practice';
import { degrees, joined, length, phrase, silence, stock, type Phrase } from '../../units';
import { severityAgainst } from '../base/figureWords';
import {
  findingsSay,
  isOutside,
  judgeFigure,
  plainFigure,
  withFacts,
  type PartReport,
  type ReportFact,
  type ReportFinding,
} from '../base/partReport';
import { readPoint, type PointReading } from '../base/pointReading';
import { spanPlay } from './spanPlay';
import { ofMeasure, type ReportContext } from '../base/reportContext';

/** What is to be done at a hinge, in words. */
function remedyWords(remedy: HingeRemedy): Phrase {
  switch (remedy.action) {
    case 'ream':
      return phrase`Ream the tube by ${length(remedy.amount)}.`;
    case 'face':
      return phrase`Face the tube by ${length(remedy.amount)}.`;
    case 'swage':
      return 'lengthen' in remedy
        ? phrase`Swage it ${length(remedy.lengthen)} longer, the rod inside, to an outside of ${length(remedy.newOuter)}${remedy.feasible ? '' : ': more than the tube can take'}; then face ${length(remedy.thenFace)}.`
        : phrase`Swage it down to ${length(remedy.newInner)} inside.`;
    case 'washers':
      return phrase`Washers of ${joined(
        remedy.pieces.map((piece) => [stock(piece)]),
        ' and ',
      )} leave ${length(remedy.endPlayAfter)}.`;
    case 'sleeve':
      return ['A new tube or a sleeve.'];
    case 'oversize-rod':
      return phrase`Or a rod of ${length(remedy.diameter)}.`;
  }
}

/** How nested tubes are fitted; empty for a tube that stands alone. */
function nestWords(type: InstrumentType, part: string): string {
  const names = removableNames(type);
  const own = type.keys.find(({ id }) => id === part)?.nestsIn;
  const inner = type.keys.filter(({ nestsIn }) => nestsIn === part);
  if (own !== undefined)
    return `It runs inside ${names.get(own) ?? own}: fit this inner tube first, then the outer, then face the pair together so that they end level.`;
  if (inner.length > 0)
    return `${inner.map(({ id, name }) => name || id).join(' and ')} runs inside it: fit the inner tube first, then this one, then face the pair together so that they end level.`;
  return '';
}

/** What is known of the room a tube has to itself. */
interface Room {
  /** the gap its own end play is reckoned with, mm; null where it is not read yet */
  gap: number | null;
  facts: ReportFact[];
  missing: Phrase;
}

/** The room of a key that shares its span: its part of what is left when all the tubes are in. */
function roomInSpan({ state, type }: ReportContext, report: PartReport, tube: number | null): Room | null {
  const span = spanOf(type, report.part);
  if (!span || !sharesSpan(type, report.part)) return null;
  const { play, lengths } = spanPlay(state, type, span);
  const names = span.keys.filter(({ id }) => id !== report.part).map(({ id, name }) => name || id);
  if (!play)
    return {
      gap: null,
      facts: [],
      missing: phrase`End play belongs to the span it shares with ${names.join(' and ')}: read their tubes, and the gap at the post ${span.lower.name}.`,
    };
  const own = span.keys.find(({ id }) => id === report.part)?.nestsIn === undefined;
  return {
    gap: own && tube !== null ? tube + play.value / Math.max(1, lengths.length) : null,
    facts: [play],
    missing: silence,
  };
}

/** What this tube turns on: the rod, or the tube that runs inside it with its outside as it is now. */
function turnsOn({ state, type }: ReportContext, report: PartReport, rod: PointReading | undefined) {
  const inner = type.keys.find(({ nestsIn }) => nestsIn === report.part);
  if (!inner) return { on: rod, name: null };
  const outside = readPoint(state, { group: 'hinge', part: inner.id, measure: 'tube-outer', clock: 0 });
  return { on: outside.mean === null ? undefined : outside, name: inner.name || inner.id };
}

function tubeReport(context: ReportContext, report: PartReport): PartReport {
  const { state, type, limits, answers, sizes } = context;
  const of = (measure: string) => report.points.find(({ point }) => point.measure === measure);
  const [outer, inner, tube, ownRod] = ['tube-outer', 'tube-inner', 'tube-length', 'rod'].map(of);
  const { on: rod, name: nested } = turnsOn(context, report, ownRod);
  const room = roomInSpan(context, report, tube?.mean ?? null);
  const ownGap = of('post-gap');
  const clearance = bandOf('hingeClearance', limits);
  const endPlay = bandOf('endPlay', limits);
  const asked = (measure: string) =>
    measure !== 'end-play' &&
    measure !== 'arm' &&
    !(room && measure === 'post-gap') &&
    !(nested !== null && measure === 'rod');
  const missing = [
    ...report.points.flatMap(({ mean, point: { measure } }) =>
      mean === null && asked(measure) ? [measure.replaceAll('-', ' ')] : [],
    ),
    ...(nested !== null && !rod ? [`the outside of ${nested}, which runs inside it`] : []),
  ];
  const [arm] = ofMeasure(report, 'arm');
  const [play] = ofMeasure(report, 'end-play');
  const playRead =
    play && play.mean !== null && endPlay
      ? [
          judgeFigure('end-play-felt', 'End play, felt directly', 'mm', play.mean, [play], {
            lower: endPlay[0],
            upper: endPlay[1],
          }),
        ]
      : [];
  const known = [...(room?.facts ?? []), ...playRead];
  const [o, i, l, r] = [outer, inner, tube, rod].map((point) => point?.mean ?? null);
  const gap = room ? room.gap : (ownGap?.mean ?? null);
  if (!clearance || !endPlay || o == null || i == null || l == null || r == null || (!room && gap === null)) {
    const still = phrase`${missing.join(', ')}.`;
    return known.length > 0
      ? { ...withFacts(report, known, {}), missing: phrase`For what to do about it, still to be measured: ${still}` }
      : { ...report, missing: joined([phrase`Still to be measured: ${still}`, room?.missing ?? silence]) };
  }
  const settings = settingsOf(state.practice, state.tolerances?.body.settings);
  const hinge = answers.hinge({
    tube: { outer: o, inner: i, length: l },
    rod: { diameter: r },
    // Where the room is not this tube's alone, or not read yet, only its fit on the rod is asked.
    posts: { gap: gap ?? l + (endPlay[0] + endPlay[1]) / 2 },
    arm: { length: arm?.mean ?? type.pads.find(({ key }) => key === report.part)?.axisDistance ?? l },
    limits: { clearance: [...clearance], endPlay: [...endPlay] },
    swage: {
      zone: l * workShare('swageZone', limits),
      maxReduction: workShare('tubeReduction', limits),
      facing: workLimit('swageFacing', limits),
    },
    stock: { rods: [...sizes.rods], washers: [...sizes.washers] },
    washersAllowed: settings.endPlay === 'washers',
  });
  if (!hinge) return { ...report, missing: ['The tube cannot be narrower outside than inside: read it again.'] };
  const points = (...list: (PointReading | undefined)[]) => list.filter((point) => point !== undefined);
  const facts: ReportFact[] = [
    judgeFigure('clearance', `Clearance on ${nested ?? 'the rod'}`, 'mm', hinge.clearance, points(inner, rod), {
      lower: clearance[0],
      upper: clearance[1],
    }),
    ...(room
      ? room.facts
      : [
          judgeFigure('end-play', 'End play', 'mm', hinge.endPlay, points(ownGap, tube), {
            lower: endPlay[0],
            upper: endPlay[1],
          }),
        ]),
    ...playRead,
    plainFigure('rock', 'Rock', '°', hinge.rockDegrees),
    plainFigure('pad-wander', 'The pad wanders by', 'mm', hinge.padWander),
  ];
  const remedy = joined(hinge.remedies.map(remedyWords));
  const findings: ReportFinding[] = [];
  if (isOutside(facts, 'clearance'))
    findings.push({
      kind: 'hinge-loose',
      severity: severityAgainst(hinge.clearance, clearance[1]),
      cause: phrase`The tube is ${hinge.verdicts.clearance} on ${nested ?? 'its rod'}: ${length(hinge.clearance)}.`,
      remedy,
    });
  if (isOutside(facts, 'end-play'))
    findings.push({
      kind: 'end-play',
      severity: severityAgainst(hinge.endPlay, endPlay[1]),
      cause: phrase`Between its posts the key is ${hinge.verdicts.endPlay}: ${length(hinge.endPlay)}.`,
      remedy,
    });
  const span = room?.facts.find(({ verdict }) => verdict === 'outside');
  if (span && gap !== null)
    findings.push({
      kind: 'end-play',
      severity: severityAgainst(Math.abs(span.value), span.limit?.upper ?? 1),
      cause: phrase`The span is ${span.value > 0 ? 'loose' : 'tight'}: ${length(span.value)} left for all its tubes together.`,
      remedy,
    });
  const nest = nestWords(type, report.part);
  return withFacts(report, facts, {
    says: findings.length > 0 ? joined([remedy, phrase`${nest}`]) : silence,
    sound: [room ? 'It fits: no rock, free on its rod.' : 'It fits: no rock, no end play, free.'],
    missing: room?.missing ?? silence,
    findings,
  });
}

/** A rod turned between its ends: how far it runs out. */
function rodReport({ limits }: ReportContext, report: PartReport): PartReport {
  const [point] = ofMeasure(report, 'run-out');
  const limit = upperLimit('rodRunOut', limits);
  if (!point || point.mean === null || limit === null)
    return { ...report, missing: ['Turn the rod in two vees and read how far its middle runs out.'] };
  const fact = judgeFigure('run-out', 'Run-out', 'mm', point.mean, [point], { upper: limit });
  const bent: ReportFinding = {
    kind: 'rod-bent',
    severity: severityAgainst(point.mean, limit),
    cause: phrase`The rod runs out by ${length(point.mean)}.`,
    remedy: ['Sight along it and ease it straight, or renew it: a bent rod makes every key on it bind.'],
  };
  const findings = fact.verdict === 'outside' ? [bent] : [];
  return withFacts(report, [fact], {
    says: findingsSay(findings),
    sound: ['It runs true.'],
    findings,
  });
}

/** A key carried on two points: wear of the seat, how it rises and falls, its play between the posts. */
function pivotReport({ type, limits }: ReportContext, report: PartReport): PartReport {
  const rodId = type.keys.find(({ id }) => id === report.part)?.rod;
  const cylinder = type.rods.find(({ id }) => id === rodId)?.pivot === 'cylinder';
  const one = (measure: string) => ofMeasure(report, measure)[0];
  const facts: ReportFact[] = [];
  const findings: ReportFinding[] = [];
  const [rise, wear, angle] = [one('rise-and-fall'), one('wear'), one('cone-angle')];
  const [gap, tube, inner, pin] = [one('post-gap'), one('tube-length'), one('tube-inner'), one('rod')];
  const [mostRise, mostWear] = [upperLimit('pivotRise', limits), upperLimit('pivotWear', limits)];
  const [play, clearance] = [bandOf('endPlay', limits), bandOf('hingeClearance', limits)];
  const judge = (fact: ReportFact, finding: () => Omit<ReportFinding, 'severity'>) => {
    facts.push(fact);
    const most = fact.limit?.upper ?? 1;
    if (fact.verdict === 'outside') findings.push({ ...finding(), severity: severityAgainst(fact.value, most) });
  };
  if (rise && rise.mean !== null && mostRise !== null)
    judge(
      judgeFigure('rise-and-fall', 'Rise and fall, screw backed out', 'mm', rise.mean, [rise], { upper: mostRise }),
      () => ({
        kind: 'pivot-worn',
        cause: phrase`Backed out with no load the key rises and falls by ${length(rise.mean ?? 0)}: the screw is bent or worn unevenly.`,
        remedy: [
          cylinder
            ? 'Straighten the cylinder or renew it.'
            : 'Renew the screw, or recut its cone and its seat to one angle.',
        ],
      }),
    );
  if (wear && wear.mean !== null && mostWear !== null)
    judge(judgeFigure('wear', 'Wear of the point and seat', 'mm', wear.mean, [wear], { upper: mostWear }), () => ({
      kind: 'pivot-worn',
      cause: phrase`Point and seat are worn by ${length(wear.mean ?? 0)}.`,
      remedy: cylinder
        ? ['Renew the cylinder and bush its seat.']
        : phrase`Recut the seat to ${angle?.mean ? degrees(angle.mean) : 'the angle of the cone'} and take the screw in until the play is gone.`,
    }));
  if (cylinder && inner && pin && inner.mean !== null && pin.mean !== null && clearance)
    judge(
      judgeFigure('clearance', 'Clearance in the seat', 'mm', inner.mean - pin.mean, [inner, pin], {
        lower: clearance[0],
        upper: clearance[1],
      }),
      () => ({
        kind: 'pivot-worn',
        cause: phrase`The cylinder has ${length((inner.mean ?? 0) - (pin.mean ?? 0))} in its seat.`,
        remedy: ['Fit a larger cylinder or bush the seat. Cylinder pivots are not interchangeable.'],
      }),
    );
  if (gap && tube && gap.mean !== null && tube.mean !== null && play)
    judge(
      judgeFigure('end-play', 'End play', 'mm', gap.mean - tube.mean, [gap, tube], { lower: play[0], upper: play[1] }),
      () => ({
        kind: 'end-play',
        cause: phrase`Between its points the key has ${length((gap.mean ?? 0) - (tube.mean ?? 0))}.`,
        remedy: [
          'Take the pivot screws in until the play is gone and the key still falls by itself; thread-lock only where the owner agrees.',
        ],
      }),
    );
  if (angle && angle.mean !== null) facts.push(plainFigure('cone-angle', 'Angle of the cone', '°', angle.mean));
  const missing = report.points
    .filter(({ mean }) => mean === null)
    .map(({ point }) => point.measure.replaceAll('-', ' '));
  if (facts.every(({ verdict }) => verdict === null))
    return {
      ...report,
      facts,
      missing: phrase`Back the screw out a little, take the load off and watch the key; then read: ${missing.join(', ')}.`,
    };
  return withFacts(report, facts, {
    says: findingsSay(findings),
    sound: ['It turns true between its points.'],
    missing: missing.length > 0 ? phrase`Not read: ${missing.join(', ')}.` : silence,
    findings: findings.filter(({ kind }, i) => findings.findIndex((other) => other.kind === kind) === i),
  });
}

/** What a hinge says: of a rod, of a key on a rod through its tube, or of a key between two points. */
export function hingeReport(context: ReportContext, report: PartReport): PartReport {
  const { type } = context;
  if (type.rods.some(({ id }) => id === report.part)) return rodReport(context, report);
  const rodId = type.keys.find(({ id }) => id === report.part)?.rod;
  return type.rods.find(({ id }) => id === rodId)?.kind === 'pivots'
    ? pivotReport(context, report)
    : tubeReport(context, report);
}
