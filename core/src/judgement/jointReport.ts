import type { JointStep } from '../joints';
import { bandOf, upperLimit, type LimitSource } from '../practice';
import { joined, length, phrase, silence, type Phrase } from '../units';
import { severityAgainst } from './figureWords';
import {
  factOf,
  isOutside,
  judgeFigure,
  plainFigure,
  withFacts,
  type PartReport,
  type ReportFact,
  type ReportFinding,
} from './partReport';
import { learn, meanOf, type Learned } from '../metrology';
import { learnedSteps, tenonZones } from './passHistory';
import type { PointReading } from './pointReading';
import { byStation, ofMeasure, taken, worstOf, type ReportContext } from './reportContext';

const tenonOvershoot = 0.02;
const shrinkStep = 0.01;

/** A step of the plan in words, with the passes it will take as far as this tenon has taught. */
function jointWords(step: JointStep, steps: NonNullable<PartReport['steps']>): Phrase {
  switch (step.action) {
    case 'true-receiver':
      return ['True the receiver over a plug first.'];
    case 'replace-tenon':
      return ['Replace the tenon: it will not come round.'];
    case 'round-tenon':
      return ['Bring the tenon round.'];
    case 'expand':
      return phrase`Expand at the ${step.zone === 'leading' ? 'leading end' : step.zone} by ${length(step.by)}${passesWords(step.by, steps.expand[step.zone])}; read all three thirds after each pass.`;
    case 'shrink':
      return phrase`Shrink by ${length(step.by)}${step.steps === null ? '' : ` in ${step.steps} ${step.steps === 1 ? 'step' : 'steps'}`}.`;
    case 'lap':
      return ['Lap to finish.'];
  }
}

/** How much fuller the cork is than the receiver it goes into. */
function corkFacts(limits: LimitSource, report: PartReport): ReportFact[] {
  const band = bandOf('corkSqueeze', limits);
  const [cork, receiver] = [ofMeasure(report, 'cork'), ofMeasure(report, 'receiver')].map((points) =>
    points.filter(({ mean }) => mean !== null),
  ) as [PointReading[], PointReading[]];
  if (!band || cork.length === 0 || receiver.length === 0) return [];
  const mean = (points: readonly PointReading[]) => meanOf(points.map(({ mean: read }) => read ?? 0));
  const squeeze = mean(cork) - mean(receiver);
  return [
    judgeFigure('cork-squeeze', 'Squeeze of the cork', 'mm', squeeze, [...worstOf(cork), ...worstOf(receiver)], {
      lower: band[0],
      upper: band[1],
    }),
  ];
}

/** How many passes a step will take, from what one pass has done so far. */
function passesWords(by: number, learned: Learned | null): Phrase {
  if (!learned || learned.value <= 0 || by <= 0) return silence;
  const passes = Math.ceil(by / learned.value - 1e-9);
  return phrase` (${passes} ${passes === 1 ? 'pass' : 'passes'} of ${length(learned.value, learned.spread)} as seen here)`;
}

/** A leak read that differs from what the clearance predicts by more than this factor is no matter of fit. */
const leakDisagrees = 3;

export function jointReport({ state, type, limits, answers }: ReportContext, report: PartReport): PartReport {
  const joint = type.joints.find(({ id }) => id === report.part);
  const corked = joint?.kind === 'corked' || joint?.kind === 'wound';
  const clearance = bandOf(corked ? 'corkedTenonClearance' : 'metalJointClearance', limits);
  const ovality = upperLimit('boreOvality', limits);
  const leakLimit = upperLimit('jointLeakMlPerMinute', limits);
  const side = (measure: string) =>
    byStation(taken(report.points.filter(({ point }) => point.measure === measure)))
      .filter(([, readings]) => readings.length >= 2)
      .map(([at, readings]) => ({ at, diameters: readings.map(({ mean }) => mean) }));
  const [tenon, receiver] = [side('tenon'), side('receiver')];
  const sides = ofMeasure(report, 'tenon', 'receiver');
  const [leakPoint] = ofMeasure(report, 'leak');
  const [baseline] = ofMeasure(report, 'leak-baseline');
  // What the tester and its plugs lose by themselves is not the joint's.
  const leakRead = leakPoint && leakPoint.mean !== null ? Math.max(0, leakPoint.mean - (baseline?.mean ?? 0)) : null;
  const leakFact =
    leakPoint && leakRead !== null && leakLimit !== null
      ? [
          judgeFigure(
            'leak',
            baseline?.mean != null
              ? 'Leak read at 2.5 kPa, less the baseline'
              : 'Leak read at 2.5 kPa, no baseline taken',
            'mL/min',
            leakRead,
            [leakPoint, ...(baseline?.mean != null ? [baseline] : [])],
            { upper: leakLimit },
          ),
        ]
      : [];
  const steps = {
    expand: learnedSteps(state, report.part, 'expand'),
    shrink: learnedSteps(state, report.part, 'shrink'),
  };
  const learnedShrink = learn(tenonZones.flatMap((zone) => steps.shrink[zone]?.value ?? []).map(Math.abs));
  if (!clearance || ovality === null || leakLimit === null || tenon.length < 2 || receiver.length < 2) {
    const missing = ['Two depths or more on tenon and receiver, across two axes at each.'];
    return leakFact.length > 0 ? { ...withFacts(report, leakFact, {}), missing } : { ...report, missing };
  }
  const solved = answers.joint({
    tenon,
    receiver,
    limits: { clearance: [...clearance], ovality, leak: leakLimit },
    tool: { overshoot: tenonOvershoot, shrinkStep: learnedShrink?.value || shrinkStep },
  });
  if (!solved) return { ...report, missing: ['Tenon and receiver do not overlap: read the depths again.'] };
  const gaps = solved.clearances.map((each) => each.clearance);
  const widest = Math.max(...gaps);
  const facts: ReportFact[] = [
    judgeFigure('widest-clearance', 'Largest clearance', 'mm', widest, worstOf(sides), { upper: clearance[1] }),
    judgeFigure('narrowest-clearance', 'Smallest clearance', 'mm', Math.min(...gaps), worstOf(sides), {
      lower: clearance[0],
    }),
    judgeFigure('tenon-ovality', 'Ovality of the tenon', 'mm', solved.tenonOvality, worstOf(sides), { upper: ovality }),
    judgeFigure('receiver-ovality', 'Ovality of the receiver', 'mm', solved.receiverOvality, worstOf(sides), {
      upper: ovality,
    }),
    ...(corked
      ? []
      : [
          {
            ...plainFigure('leak-predicted', 'Leak predicted', 'mL/min', solved.leak.eccentric),
            limit: { upper: leakLimit },
          },
        ]),
    ...leakFact,
    ...(corked ? corkFacts(limits, report) : []),
  ];
  const remedy = corked
    ? ['A corked tenon seals by its cork: renew the cork to the clearance of the wood.']
    : joined(solved.plan.map((step) => jointWords(step, steps)));
  const disagrees =
    !corked && leakRead !== null && leakRead > leakLimit && leakRead > leakDisagrees * solved.leak.eccentric
      ? ['It leaks far more than its fit explains: look for a gouge, a crack, or the baseline of the tester.']
      : silence;
  const findings: ReportFinding[] = [];
  const add = (kind: ReportFinding['kind'], value: number, limit: number, cause: Phrase, cure: Phrase = remedy) =>
    findings.push({ kind, severity: severityAgainst(value, limit), cause, remedy: cure });
  if (isOutside(facts, 'receiver-ovality'))
    add(
      'receiver-oval',
      solved.receiverOvality,
      ovality,
      phrase`The receiver is oval by ${length(solved.receiverOvality)}.`,
    );
  if (isOutside(facts, 'widest-clearance'))
    add('joint-loose', widest, clearance[1], phrase`Loose by up to ${length(widest)}.`);
  if (isOutside(facts, 'narrowest-clearance'))
    add(
      'joint-tight',
      1,
      1,
      phrase`Tight: ${length(Math.min(...gaps))} at its narrowest.`,
      corked
        ? [
            'The wood binds: let it come to the air of the room first, read again, then ease the tenon a little at a time, never the socket.',
          ]
        : remedy,
    );
  if (disagrees.length > 0) add('tenon-gouged', leakRead ?? 0, leakLimit, disagrees);
  const squeeze = factOf(facts, 'cork-squeeze');
  if (squeeze?.verdict === 'outside')
    findings.push({
      kind: 'cork-worn',
      severity: severityAgainst(squeeze.value, squeeze.limit?.upper ?? 1),
      cause: phrase`The cork is squeezed by ${length(squeeze.value)}.`,
      remedy: [
        squeeze.value > (squeeze.limit?.upper ?? 0)
          ? 'Sand the cork down in place, a little full, and try it: a tenon forced in cracks its socket.'
          : 'Renew the cork: fitted a little full, then sanded in place.',
      ],
    });
  return withFacts(report, facts, {
    says: joined([
      ...(findings.length > 0 ? (corked ? findings.map((each) => each.remedy) : [remedy]) : []),
      disagrees,
    ]),
    sound: ['It fits.'],
    findings,
    joint: solved,
    steps,
    curve: solved.clearances.map(({ at, clearance: value }) => ({ at, value, reference: clearance[1] })),
    curveWords: 'Clearance along the depth, from the shoulder',
  });
}
