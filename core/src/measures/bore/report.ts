import { upperLimit } from '../../practice';
import { along, joined, length, phrase, silence } from '../../units';
import { severityAgainst } from '../base/figureWords';
import {
  judgeFigure,
  plainFigure,
  withFacts,
  type PartReport,
  type ReportFact,
  type ReportFinding,
} from '../base/partReport';
import { byStation, taken, worstOf, type ReportContext } from '../base/reportContext';

/** A section's bore against the reference of its type. */
export function boreReport({ type, limits, answers }: ReportContext, report: PartReport): PartReport {
  const section = type.sections.find(({ id }) => id === report.part);
  const deviation = upperLimit('boreDeviation', limits);
  const ovality = upperLimit('boreOvality', limits);
  const stations = byStation(taken(report.points));
  if (!section || deviation === null || ovality === null || stations.length < 3)
    return { ...report, missing: phrase`Three stations or more, across two axes at each (${stations.length} so far).` };
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
    judgeFigure('bore-deviation', 'Largest deviation', 'mm', widest.deviation, worstOf(report.points), {
      lower: -deviation,
      upper: deviation,
    }),
    judgeFigure('bore-ovality', 'Largest ovality', 'mm', roundest, worstOf(report.points), { upper: ovality }),
    plainFigure('bore-volume', 'Volume', 'mm³', bore.volume),
    plainFigure('bore-volume-off', 'Volume against reference', 'mm³', bore.volume - bore.referenceVolume),
  ];
  const places = bore.features.map(
    ({ kind, from, to, peak }) => phrase`${kind} from ${along(from)} to ${along(to)} (${length(peak)})`,
  );
  const shape = places.length > 0 ? phrase`The bore is ${joined(places, '; ')}.` : silence;
  const narrow = bore.features.find(({ kind }) => kind === 'narrow');
  const oval = bore.features.find(({ kind }) => kind === 'oval');
  const assumed = section.assumed?.includes('bore') ? ['The reference is assumed, not measured.'] : silence;
  const findings: ReportFinding[] =
    (narrow || oval) && type.body === 'metal' && facts.some(({ verdict }) => verdict === 'outside')
      ? [
          {
            kind: 'dent',
            severity: severityAgainst(
              Math.max(Math.abs(narrow?.peak ?? 0) / deviation, (oval?.peak ?? 0) / ovality),
              1,
            ),
            cause: shape,
            remedy: ['Raise it from inside over balls or a mandrel, larger before smaller, then read the bore again.'],
          },
        ]
      : [];
  return withFacts(report, facts, {
    says: joined([shape, assumed]),
    sound: places.length > 0 ? silence : ['The bore follows its reference.'],
    findings,
    bore,
    curve: bore.stations.map(({ at, mean, reference }) => ({ at, value: mean, reference })),
    curveWords: 'Bore diameter against its reference',
  });
}
