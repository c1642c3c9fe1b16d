import { gaugeStandardUncertainty, gaugeTakes, solveConformity, type Gauge, type ShelfGauge } from '../../metrology';
import type { FigureSource, ReportFact } from './partReport';
import { coarsestGauge, type PointReading } from './pointReading';

/** What would turn “undecided” into an answer. */
export interface Decider {
  /** more readings with the same gauge; null when no number up to 50 would do */
  moreReadings: number | null;
  /** finer gauges of the shop that would decide, one for each measure; null when none on the shelf would */
  gauges: string[] | null;
}

const fits = (gauge: ShelfGauge, { measure }: FigureSource) => gaugeTakes[gauge.kind].includes(measure);

/**
 * What would decide a figure that lies too near its limit. The finer gauge is the coarsest of the shop that would do:
 * nobody should have to fetch the best one for a hair.
 *
 * @param readings the readings of a figure that is read directly; a figure worked out of several has none
 */
export function whatDecides(
  { value, limit, sources }: Pick<ReportFact, 'value' | 'limit' | 'sources'>,
  shelf: readonly ShelfGauge[],
  readings: readonly number[] = [],
): Decider {
  if (!limit || sources.length === 0) return { moreReadings: null, gauges: null };
  const judge = (values: readonly number[], gauges: readonly Gauge[]) =>
    solveConformity({
      readings: [...values],
      gauge: {
        resolution: Math.hypot(...gauges.map(({ resolution }) => resolution)),
        maxPermissibleError: Math.hypot(...gauges.map(({ maxPermissibleError }) => maxPermissibleError)),
      },
      limits: limit,
    });
  const now =
    readings.length > 1
      ? judge(
          readings,
          sources.map(({ gauge }) => gauge),
        ).readingsNeeded
      : null;
  const moreReadings = now === null ? null : Math.max(0, now - readings.length);

  const levels = [...new Set(shelf.map(gaugeStandardUncertainty))].sort((a, b) => b - a);
  for (const level of levels) {
    const chosen = sources.map((source) => {
      const own = gaugeStandardUncertainty(source.gauge);
      const finer = shelf
        .filter((gauge) => fits(gauge, source) && gaugeStandardUncertainty(gauge) < own)
        .filter((gauge) => gaugeStandardUncertainty(gauge) <= level)
        .sort((a, b) => gaugeStandardUncertainty(b) - gaugeStandardUncertainty(a))[0];
      return { gauge: finer ?? source.gauge, name: finer?.name ?? null };
    });
    const names = [...new Set(chosen.flatMap(({ name }) => name ?? []))];
    if (names.length === 0) continue;
    if (
      judge(
        [value],
        chosen.map(({ gauge }) => gauge),
      ).verdict !== 'undecided'
    )
      return { moreReadings, gauges: names };
  }
  return { moreReadings, gauges: null };
}

/** What would decide a figure that is read directly at one point, against an upper limit. */
export const whatDecidesPoint = (
  { point: { measure }, fresh, mean }: PointReading,
  upper: number,
  shelf: readonly ShelfGauge[],
): Decider =>
  whatDecides(
    { value: mean ?? 0, limit: { upper }, sources: [{ measure, gauge: coarsestGauge(fresh) }] },
    shelf,
    fresh.map(({ value }) => value),
  );

/** The same in a sentence. */
export function deciderWords({ moreReadings, gauges }: Decider): string {
  const more = moreReadings
    ? `${moreReadings} more ${moreReadings === 1 ? 'reading' : 'readings'} like these would decide it`
    : '';
  const finer = gauges ? `the ${gauges.join(' and the ')} would decide it` : '';
  if (more && finer) return `Too near the limit for this gauge: ${more}, or ${finer}.`;
  if (more || finer) return `Too near the limit for this gauge: ${more || finer}.`;
  return 'Too near the limit for every gauge on the shelf: borrow a finer one, or decide by hand and write down why.';
}
