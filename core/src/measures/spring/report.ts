import { upperLimit } from '../../practice';
import { phrase, type Quantity } from '../../units';
import { noLimit, oneFigure, severityAgainst } from '../base/figureWords';
import {
  findingsSay,
  judgeFigure,
  plainFigure,
  withFacts,
  type PartReport,
  type ReportFinding,
} from '../base/partReport';
import { ofMeasure, type ReportContext } from '../base/reportContext';

const newtons = (value: number): Quantity => ({ value, unit: 'N' });

/** The force at a touch: too little and the key does not return, too much and the finger tires. */
export function springReport({ limits }: ReportContext, report: PartReport): PartReport {
  const [point] = ofMeasure(report, 'force');
  const [weight] = ofMeasure(report, 'weight');
  if (!point || point.mean === null) return { ...report, missing: oneFigure };
  const [least, most] = [upperLimit('leastForceNewtons', limits), upperLimit('sealForceNewtons', limits)];
  if (least === null && most === null)
    return { ...report, facts: [plainFigure('force', 'Force to seal', 'N', point.mean)], missing: noLimit };
  const fact = judgeFigure('force', 'Force to seal', 'N', point.mean, [point], {
    ...(least !== null && { lower: least }),
    ...(most !== null && { upper: most }),
  });
  const strong = most !== null && point.mean > most;
  const finding: ReportFinding = strong
    ? {
        kind: 'spring-weak',
        spring: 'strong',
        severity: severityAgainst(point.mean, most),
        cause: phrase`It takes ${newtons(point.mean)} to seal, more than ${newtons(most)}: too strong.`,
        remedy: ['Ease the spring, and look at the pad: a hard pad or a deep seat asks for force too.'],
      }
    : {
        kind: 'spring-weak',
        spring: 'weak',
        severity: severityAgainst(least ?? 0, Math.max(1e-9, point.mean)),
        cause: phrase`It takes only ${newtons(point.mean)} to seal, less than ${newtons(least ?? 0)}: too weak.`,
        remedy: ['Put more tension on the spring; a rusted, kinked or nicked one is renewed, not bent again.'],
      };
  const findings = fact.verdict === 'outside' ? [finding] : [];
  const own =
    weight?.mean != null ? [plainFigure('spring-force', 'The spring itself gives', 'N', point.mean - weight.mean)] : [];
  return withFacts(report, [fact, ...own], { says: findingsSay(findings), findings });
}
