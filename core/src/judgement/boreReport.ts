import { upperLimit } from '../practice';
import { lengthWords, severityAgainst } from './figureWords';
import {
  judgeFigure,
  plainFigure,
  withFacts,
  type PartReport,
  type ReportFact,
  type ReportFinding,
} from './partReport';
import { byStation, taken, worstOf, type ReportContext } from './reportContext';

/** A section's bore against the reference of its type. */
export function boreReport({ type, limits, answers }: ReportContext, report: PartReport): PartReport {
  const section = type.sections.find(({ id }) => id === report.part);
  const deviation = upperLimit('boreDeviation', limits);
  const ovality = upperLimit('boreOvality', limits);
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
    judgeFigure('Largest deviation', 'mm', widest.deviation, worstOf(report.points), {
      lower: -deviation,
      upper: deviation,
    }),
    judgeFigure('Largest ovality', 'mm', roundest, worstOf(report.points), { upper: ovality }),
    plainFigure('Volume', 'mm³', bore.volume),
    plainFigure('Volume against reference', 'mm³', bore.volume - bore.referenceVolume),
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
    says: `${places.length > 0 ? `The bore is ${places.join('; ')}.` : ''}${assumed}`.trim(),
    sound: places.length > 0 ? '' : 'The bore follows its reference.',
    findings,
    bore,
    curve: bore.stations.map(({ at, mean, reference }) => ({ at, value: mean, reference })),
    curveWords: 'Bore diameter against its reference',
  });
}
