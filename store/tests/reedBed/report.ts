import { judgeFigure, withFacts, type PartReport } from '@holotonos/core';

const most = 0.1;

export function reedBedReport(_context: unknown, report: PartReport): PartReport {
  const [point] = report.points;
  if (!point || point.mean === null) return { ...report, missing: ['One figure.'] };
  const fact = judgeFigure('bed-wear', 'Wear of the bed', 'mm', point.mean, [point], { upper: most });
  const findings =
    fact.verdict === 'outside'
      ? [{ kind: 'pivot-worn', severity: 2, cause: ['The bed is worn.'], remedy: ['Face it.'] } as const]
      : [];
  return withFacts(report, [fact], { sound: ['A sound bed.'], findings: [...findings] as PartReport['findings'] });
}
