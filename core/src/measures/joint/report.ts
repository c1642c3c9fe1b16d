import type { JointStep } from '../../joints';
import { bandOf, upperLimit, workLimit, type LimitSource } from '../../practice';
import { joined, length, phrase, silence, type Phrase } from '../../units';
import { severityAgainst } from '../base/figureWords';
import {
  isOutside,
  judgeFigure,
  plainFigure,
  withFacts,
  type PartReport,
  type ReportFact,
  type ReportFinding,
} from '../base/partReport';
import { learn, type Learned } from '../../metrology';
import { learnedSteps, tenonZones } from '../base/passHistory';
import { corkedReport } from './corked';
import { localGaps, noOverlap, type JointSide, type LocalGap } from './sides';
import { byStation, ofMeasure, taken, worstOf, type ReportContext } from '../base/reportContext';

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
      return phrase`Expand at the ${step.zone === 'leading' ? 'leading end' : step.zone} by ${length(step.by)}${passesWords(step.by, steps.expand[step.zone], steps.expand.per)}; read all three thirds after each pass.`;
    case 'shrink':
      return phrase`Shrink by ${length(step.by)}${step.steps === null ? '' : ` in ${step.steps} ${step.steps === 1 ? 'step' : 'steps'}`}.`;
    case 'lap':
      return ['Lap to finish.'];
  }
}

/** How many passes or clicks a step will take, from what one has done so far. */
function passesWords(by: number, learned: Learned | null, per: 'click' | 'pass'): Phrase {
  if (!learned || learned.value <= 0 || by <= 0) return silence;
  const passes = Math.ceil(by / learned.value - 1e-9);
  const many = per === 'click' ? 'clicks' : 'passes';
  return phrase` (${passes} ${passes === 1 ? per : many} of ${length(learned.value, learned.spread)} as seen here)`;
}

/** A leak read that differs from what the gap predicts by more than this factor is no matter of fit. */
const leakDisagrees = 3;

/** What a tester says of a joint, less what tester and plugs lose by themselves. */
interface Leak {
  /** in the unit of the tester; null where it was not read */
  read: number | null;
  fact: ReportFact | null;
  /** was its own loss read, so that it proves something? */
  proved: boolean;
  /** read in mL/min, which the fit can be held against */
  measured: boolean;
}

const leakScales = [
  { leak: 'leak', baseline: 'leak-baseline', unit: 'mL/min', words: 'Leak read at 2.5 kPa' },
  {
    leak: 'leak-scale',
    baseline: 'leak-scale-baseline',
    unit: '%',
    words: 'Leak, of the way from the tester’s closed to its open mark',
  },
] as const;

/** The leak of a joint as the tester says it: in mL/min, or on a scale of its own where that alone was read. */
function leakOf(report: PartReport, limits: LimitSource): Leak {
  for (const { leak, baseline: own, unit, words } of leakScales) {
    const [point] = ofMeasure(report, leak);
    const [baseline] = ofMeasure(report, own);
    if (!point || point.mean === null) continue;
    const proved = baseline?.mean != null;
    const limit = upperLimit(unit === '%' ? 'jointLeakShare' : 'jointLeakMlPerMinute', limits);
    const read = Math.max(0, point.mean - (baseline?.mean ?? 0));
    const told = proved ? `${words}, less the baseline` : `${words}, no baseline taken`;
    const from = [point, ...(baseline && proved ? [baseline] : [])];
    const fact =
      limit === null
        ? plainFigure('leak', told, unit, read)
        : judgeFigure('leak', told, unit, read, from, { upper: limit });
    return { read, fact, proved, measured: unit === 'mL/min' };
  }
  return { read: null, fact: null, proved: false, measured: false };
}

/** What a leak leads to where the figures of the fit do not explain it: the test first, then roundness, then the metal. */
function leakLeads(
  leak: number,
  limit: number,
  proved: boolean,
  round: boolean,
): { says: Phrase; finding?: ReportFinding } {
  const more = 'It leaks far more than its fit explains';
  const first =
    'Suspect the test first: is the stopper above a high tone hole, is the octave pip closed by a finger and not by its old pad';
  if (!proved)
    return {
      says: [`${more}. ${first}, and what does the tester lose by itself? Take its baseline, then read again.`],
    };
  if (!round) return { says: [`${more}. ${first}? Then make both sides round, before anything is expanded.`] };
  const cause = [`${more}, and neither side is out of round.`];
  const remedy = [`${first}? If the test holds, look for a gouge, a crack or a seam.`];
  return {
    says: joined([cause, remedy]),
    finding: { kind: 'tenon-gouged', severity: severityAgainst(leak, limit), cause, remedy },
  };
}

const tooFew = ['Two depths or more on tenon and receiver, across two axes at each.'] as const;

/**
 * What is done about a metal joint, pass by pass. Only what is too loose is expanded: where the tenon is tight already
 * it is shrunk or lapped.
 */
function passPlan(
  plan: readonly JointStep[],
  gaps: readonly LocalGap[],
  [low, high]: readonly [number, number],
  steps: NonNullable<PartReport['steps']>,
): Phrase {
  const ats = gaps.map(({ at }) => at);
  const [from, to] = [Math.min(...ats), Math.max(...ats)];
  const zoneOf = (at: number) =>
    tenonZones[Math.min(2, Math.floor((3 * (at - from)) / Math.max(1e-9, to - from)))] ?? 'leading';
  const tight = new Set(gaps.filter(({ narrowest }) => narrowest < low).map(({ at }) => zoneOf(at)));
  const loose = new Set(gaps.filter(({ widest }) => widest > high).map(({ at }) => zoneOf(at)));
  const sensible = plan.filter(
    (step) => step.action !== 'expand' || (loose.has(step.zone) && !tight.has(step.zone) && step.by > 0),
  );
  // With nothing left to expand there is no overshoot to shrink back.
  const expands = sensible.some(({ action }) => action === 'expand');
  const planned = plan.some(({ action }) => action === 'expand');
  const kept = sensible.filter(({ action }) => !(planned && !expands && action === 'shrink'));
  const zones = tenonZones.filter((zone) => tight.has(zone)).map((zone) => (zone === 'leading' ? 'leading end' : zone));
  return joined([
    ...kept.map((step) => jointWords(step, steps)),
    zones.length > 0 && planned
      ? phrase`It is tight at the ${zones.join(' and the ')}: shrink or lap it there, never expand it.`
      : silence,
  ]);
}

/** A joint: how it fits, whether it is round, whether it holds air, and what to do about it. */
export function jointReport(context: ReportContext, report: PartReport): PartReport {
  const { state, type, limits, answers } = context;
  const joint = type.joints.find(({ id }) => id === report.part);
  const corked = joint?.kind === 'corked' || joint?.kind === 'wound';
  const clearance = bandOf(corked ? 'corkedTenonClearance' : 'metalJointClearance', limits);
  const leakLimit = upperLimit('jointLeakMlPerMinute', limits);
  const side = (measure: string): JointSide =>
    byStation(taken(report.points.filter(({ point }) => point.measure === measure)))
      .filter(([, readings]) => readings.length >= 2)
      .map(([at, readings]) => ({ at, diameters: readings.map(({ mean }) => mean) }));
  const [tenon, receiver] = [side('tenon'), side('receiver')];
  const leak = leakOf(report, limits);
  const leakFact = leak.fact ? [leak.fact] : [];
  const steps = {
    expand: learnedSteps(state, report.part, 'expand'),
    shrink: learnedSteps(state, report.part, 'shrink'),
  };
  // What the passes have taught stays in sight while the joint waits to be read again.
  const bare: PartReport = corked ? report : { ...report, steps };
  if (!clearance || tenon.length < 2 || receiver.length < 2)
    return leakFact.length > 0 ? { ...withFacts(bare, leakFact, {}), missing: tooFew } : { ...bare, missing: tooFew };
  if (corked) return corkedReport(context, report, { tenon, receiver }, clearance, leakFact);
  // A fit of hundredths is as round as it is close: the limit of the bore says nothing of it.
  const roundness = clearance[1];
  const learnedShrink = learn(tenonZones.flatMap((zone) => steps.shrink[zone]?.value ?? []).map(Math.abs));
  const solved = answers.joint({
    tenon,
    receiver,
    limits: { clearance: [...clearance], ovality: roundness, leak: leakLimit ?? 0 },
    tool: {
      overshoot: workLimit('tenonOvershoot', limits),
      shrinkStep: learnedShrink?.value || workLimit('tenonStep', limits),
    },
  });
  if (!solved) return { ...bare, missing: noOverlap };
  const gaps = localGaps(
    tenon,
    receiver,
    solved.clearances.map(({ at }) => at),
  );
  const [widest, narrowest] = [
    Math.max(...gaps.map((gap) => gap.widest)),
    Math.min(...gaps.map((gap) => gap.narrowest)),
  ];
  const read = worstOf(ofMeasure(report, 'tenon', 'receiver'));
  const tenonRead = worstOf(ofMeasure(report, 'tenon'));
  const receiverRead = worstOf(ofMeasure(report, 'receiver'));
  const facts: ReportFact[] = [
    judgeFigure('widest-clearance', 'Widest gap anywhere', 'mm', widest, read, { upper: clearance[1] }),
    judgeFigure('narrowest-clearance', 'Narrowest gap anywhere', 'mm', narrowest, read, { lower: clearance[0] }),
    judgeFigure('tenon-ovality', 'Ovality of the tenon', 'mm', solved.tenonOvality, tenonRead, { upper: roundness }),
    judgeFigure('receiver-ovality', 'Ovality of the receiver', 'mm', solved.receiverOvality, receiverRead, {
      upper: roundness,
    }),
    {
      ...plainFigure('leak-predicted', 'Leak predicted by the fit', 'mL/min', solved.leak.eccentric),
      limit: leakLimit === null ? null : { upper: leakLimit },
    },
    ...leakFact,
  ];
  const remedy = passPlan(solved.plan, gaps, clearance, steps);
  const findings: ReportFinding[] = [];
  const add = (kind: ReportFinding['kind'], value: number, limit: number, cause: Phrase, cure: Phrase = remedy) =>
    findings.push({ kind, severity: severityAgainst(value, limit), cause, remedy: cure });
  const holdsAir = leak.proved && leak.fact?.verdict === 'within';
  const egged = isOutside(facts, 'receiver-ovality');
  if (egged)
    add(
      'receiver-oval',
      solved.receiverOvality,
      roundness,
      phrase`The receiver is oval by ${length(solved.receiverOvality)}.`,
      [
        'True the receiver round over a plug first, then read both again: an oval receiver leaks though the means agree.',
      ],
    );
  // The leak reading leads: what holds air is not made to fit by figures.
  if (isOutside(facts, 'widest-clearance') && !holdsAir && !egged)
    add('joint-loose', widest, clearance[1], phrase`Loose: ${length(widest)} at its widest gap.`);
  if (isOutside(facts, 'narrowest-clearance'))
    add('joint-tight', 1, 1, phrase`Tight: ${length(narrowest)} at its narrowest.`);
  const round = !isOutside(facts, 'tenon-ovality') && !egged;
  // On a scale of its own a leak cannot be held against the fit by figures: there it is enough that the fit should hold air.
  const fitHolds = leakLimit !== null && solved.leak.eccentric <= leakLimit;
  const disagrees = leak.measured ? (leak.read ?? 0) > leakDisagrees * solved.leak.eccentric : fitHolds;
  const unexplained = leak.fact?.verdict === 'outside' && disagrees;
  const led = unexplained ? leakLeads(leak.read ?? 0, leak.fact?.limit?.upper ?? 0, leak.proved, round) : null;
  if (led?.finding) findings.push(led.finding);
  const airWords: Phrase =
    holdsAir && !egged && isOutside(facts, 'widest-clearance')
      ? ['It holds air by the tester: read the figures again before anything is expanded.']
      : silence;
  return withFacts(report, facts, {
    says: joined([
      led?.says ?? silence,
      egged ? (findings[0]?.remedy ?? silence) : silence,
      findings.some(({ remedy: cure }) => cure === remedy) ? remedy : silence,
      airWords,
    ]),
    sound: ['It fits.'],
    findings,
    joint: solved,
    steps,
    curve: gaps.map(({ at, widest: value }) => ({ at, value, reference: clearance[1] })),
    curveWords: 'Widest gap along the depth, from the shoulder',
  });
}
