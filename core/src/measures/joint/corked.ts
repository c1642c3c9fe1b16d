import { meanOf } from '../../metrology';
import { bandOf, type LimitSource } from '../../practice';
import { joined, length, phrase } from '../../units';
import { severityAgainst } from '../base/figureWords';
import {
  factOf,
  isOutside,
  judgeFigure,
  withFacts,
  type PartReport,
  type ReportFact,
  type ReportFinding,
} from '../base/partReport';
import type { PointReading } from '../base/pointReading';
import { noOverlap, type JointSide } from './sides';
import { ofMeasure, worstOf, type ReportContext } from '../base/reportContext';

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

/** A corked or wound joint: the wood clears, the cork seals. */
export function corkedReport(
  context: ReportContext,
  report: PartReport,
  sides: { tenon: JointSide; receiver: JointSide },
  clearance: readonly [number, number],
  leakFact: readonly ReportFact[],
): PartReport {
  const { limits, answers } = context;
  const { tenon, receiver } = sides;
  // Round enough to stay between its own limits: what a bore may be out of round says nothing of a joint.
  const ovality = clearance[1] - clearance[0];
  const solved = answers.joint({ tenon, receiver, limits: { clearance: [...clearance], ovality, leak: 1 } });
  if (!solved) return { ...report, missing: noOverlap };
  const read = ofMeasure(report, 'tenon', 'receiver');
  // The cork fills what is out of round: how far the wood may rock is a matter of its means.
  const gaps = solved.clearances.map((each) => each.clearance);
  const [widest, narrowest] = [Math.max(...gaps), Math.min(...gaps)];
  const facts: ReportFact[] = [
    judgeFigure('widest-clearance', 'Largest clearance', 'mm', widest, worstOf(read), { upper: clearance[1] }),
    judgeFigure('narrowest-clearance', 'Smallest clearance', 'mm', narrowest, worstOf(read), {
      lower: clearance[0],
    }),
    judgeFigure('tenon-ovality', 'Ovality of the tenon', 'mm', solved.tenonOvality, worstOf(read), { upper: ovality }),
    judgeFigure('receiver-ovality', 'Ovality of the receiver', 'mm', solved.receiverOvality, worstOf(read), {
      upper: ovality,
    }),
    ...leakFact,
    ...corkFacts(limits, report),
  ];
  const findings: ReportFinding[] = [];
  if (isOutside(facts, 'receiver-ovality'))
    findings.push({
      kind: 'receiver-oval',
      severity: severityAgainst(solved.receiverOvality, ovality),
      cause: phrase`The receiver is oval by ${length(solved.receiverOvality)}.`,
      remedy: [
        'Wood that has gone oval is left to the air of the room first; then the socket is lined, never cut round.',
      ],
    });
  if (isOutside(facts, 'widest-clearance'))
    findings.push({
      kind: 'joint-loose',
      severity: severityAgainst(widest, clearance[1]),
      cause: phrase`Loose by up to ${length(widest)}.`,
      remedy: [
        'The cork seals, but it cannot cure wobble: sleeve the tenon or line the socket, then renew the cork to the new clearance.',
      ],
    });
  if (isOutside(facts, 'narrowest-clearance'))
    findings.push({
      kind: 'joint-tight',
      severity: 1,
      cause: phrase`Tight: ${length(narrowest)} at its narrowest.`,
      remedy: [
        'The wood binds: let it come to the air of the room first, read again, then ease the tenon a little at a time, never the socket.',
      ],
    });
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
    says: joined(findings.map(({ remedy }) => remedy)),
    sound: ['It fits.'],
    findings,
    joint: solved,
    curve: solved.clearances.map(({ at, clearance: value }) => ({ at, value, reference: clearance[1] })),
    curveWords: 'Clearance along the depth, from the shoulder',
  });
}
