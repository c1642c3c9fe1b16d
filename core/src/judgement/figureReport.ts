import { bandOf, upperLimit } from '../practice';
import { length, phrase, silence, type Quantity } from '../units';
import { severityAgainst } from './figureWords';
import { findingsSay, judgeFigure, plainFigure, withFacts, type PartReport, type ReportFinding } from './partReport';
import { ofMeasure, type ReportContext } from './reportContext';

const newtons = (value: number): Quantity => ({ value, unit: 'N' });

/** A part judged by one figure alone: the force at a touch, the lost motion of a link. */
export function figureReport({ limits }: ReportContext, report: PartReport): PartReport {
  const point = ofMeasure(report, 'force', 'lost-motion')[0];
  const [weight] = ofMeasure(report, 'weight');
  if (!point || point.mean === null)
    return { ...report, missing: ['One figure: read it twice if it is near the limit.'] };
  const spring = report.group === 'spring';
  const band = spring ? null : bandOf('lostMotion', limits);
  const most = upperLimit('sealForceNewtons', limits);
  const limit = spring ? { upper: most ?? 1 } : { lower: band?.[0] ?? 0, upper: band?.[1] ?? 0.1 };
  const fact = spring
    ? judgeFigure('force', 'Force to seal', 'N', point.mean, [point], limit)
    : judgeFigure('lost-motion', 'Lost motion', 'mm', point.mean, [point], limit);
  const outside = fact.verdict === 'outside';
  const finding: ReportFinding = spring
    ? {
        kind: 'spring-weak',
        severity: severityAgainst(point.mean, limit.upper),
        cause: phrase`It takes ${newtons(point.mean)} to seal, more than ${newtons(limit.upper)}.`,
        remedy: ['Ease the spring, and look at the pad: a hard pad or a deep seat asks for force too.'],
      }
    : {
        kind: 'lost-motion',
        severity: severityAgainst(point.mean, limit.upper),
        cause: phrase`${length(point.mean)} are lost between the keys.`,
        remedy: ['Take it up at the adjuster of the link.'],
      };
  const own =
    weight?.mean != null ? [plainFigure('spring-force', 'The spring itself gives', 'N', point.mean - weight.mean)] : [];
  return withFacts(report, [fact, ...own], {
    says: outside ? findingsSay([finding]) : silence,
    findings: outside ? [finding] : [],
  });
}
