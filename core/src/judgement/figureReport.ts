import { bandOf, upperLimit } from '../practice';
import { length, phrase, type Quantity } from '../units';
import { severityAgainst } from './figureWords';
import { findingsSay, judgeFigure, plainFigure, withFacts, type PartReport, type ReportFinding } from './partReport';
import { ofMeasure, type ReportContext } from './reportContext';

const newtons = (value: number): Quantity => ({ value, unit: 'N' });
const oneFigure = ['One figure: read it twice if it is near the limit.'] as const;
const noLimit = ['No limit is set for it on this kind of instrument: it is read, and judged by nobody.'] as const;

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

/** The lost motion of a link: too much and the follower comes late, too little and it is held off. */
export function linkReport({ limits }: ReportContext, report: PartReport): PartReport {
  const [point] = ofMeasure(report, 'lost-motion');
  if (!point || point.mean === null) return { ...report, missing: oneFigure };
  const band = bandOf('lostMotion', limits);
  if (!band)
    return { ...report, facts: [plainFigure('lost-motion', 'Lost motion', 'mm', point.mean)], missing: noLimit };
  const fact = judgeFigure('lost-motion', 'Lost motion', 'mm', point.mean, [point], { lower: band[0], upper: band[1] });
  const finding: ReportFinding =
    point.mean > band[1]
      ? {
          kind: 'lost-motion',
          severity: severityAgainst(point.mean, band[1]),
          cause: phrase`${length(point.mean)} are lost between the keys.`,
          remedy: ['Take it up at the adjuster of the link.'],
        }
      : {
          kind: 'adjuster-out',
          severity: 2,
          cause: phrase`Only ${length(point.mean)} are left between the keys, less than the ${length(band[0])} wanted: one may hold the other off.`,
          remedy: ['Give it a hair of play at the adjuster of the link.'],
        };
  const findings = fact.verdict === 'outside' ? [finding] : [];
  return withFacts(report, [fact], { says: findingsSay(findings), findings });
}
