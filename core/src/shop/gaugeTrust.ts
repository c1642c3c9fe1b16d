import { dayIn, dayText, daysBetween, monthsAfter } from '../clock';
import { unitOfMeasure, type MeasureUnit } from '../measures';
import { gaugeTakes } from '../metrology';
import type { ReadingState } from '../readings';
import { phrase, type Phrase, type Quantity } from '../units';
import type { GaugeKind } from '../vocabulary';
import type { KeptGauge, ShopState } from './shopState';

/** The day a calibration runs out, ISO; null when none was ever written down. */
export const calibrationDue = ({ calibratedOn, calibrateEvery }: KeptGauge): string | null =>
  calibratedOn === null ? null : monthsAfter(calibratedOn, calibrateEvery);

/**
 * Is the calibration of this gauge out of date at a moment, ISO? A gauge without a date is not called overdue.
 *
 * @param zone the time zone of the shop: it is good to the end of its last day there
 */
export const isOverdue = (gauge: KeptGauge, at: string, zone: string): boolean => {
  const due = calibrationDue(gauge);
  return due !== null && dayIn(at, zone) > due;
};

/** Between two looks at zero a gauge moved by more than it may: what it read in between is in doubt. */
export interface Drift {
  gauge: string;
  from: string;
  to: string;
  /** signed, in the unit of the gauge */
  by: number;
}

/** Every stretch between two zero checks over which a gauge moved by more than its permitted error. */
export function drifts(shop: ShopState): Drift[] {
  return shop.gauges.flatMap(({ id, maxPermissibleError, resolution }) => {
    const checks = shop.checks.filter(({ gauge }) => gauge === id);
    return checks.slice(1).flatMap((check, i) => {
      const before = checks[i];
      if (!before) return [];
      const by = check.shows - before.shows;
      return Math.abs(by) > Math.max(maxPermissibleError, resolution) + 1e-9
        ? [{ gauge: id, from: before.benchTime, to: check.benchTime, by }]
        : [];
    });
  });
}

/** The unit a kind of gauge shows; one with a scale of its own shows its own marks. */
export function unitOfGauge(kind: GaugeKind): MeasureUnit {
  const [first] = gaugeTakes[kind];
  return first ? unitOfMeasure(first) : 'mm';
}

/** A figure of a gauge: in the marks of its own scale, or as a quantity, for a job may go by another unit than the shop. */
export const asShown = ({ kind, scale }: KeptGauge, value: number): string | Quantity =>
  scale ? `${value} ${scale.unit}` : { value, unit: unitOfGauge(kind) };

/** What speaks against trusting a gauge now, for whoever is about to read with it. */
export function gaugeWarnings(shop: ShopState, gaugeId: string, now: string): Phrase[] {
  const gauge = shop.gauges.find(({ id }) => id === gaugeId);
  if (!gauge) return [];
  const says: Phrase[] = [];
  const zone = shop.hours.timeZone;
  if (isOverdue(gauge, now, zone))
    says.push(phrase`${gauge.name}: calibration ran out on ${dayText(calibrationDue(gauge) ?? '', zone)}.`);
  const last = shop.checks.filter(({ gauge: of }) => of === gaugeId).at(-1);
  if (last && Math.abs(last.shows) > Math.max(gauge.maxPermissibleError, gauge.resolution))
    says.push(
      phrase`${gauge.name} showed ${asShown(gauge, last.shows)} at zero at its last check: set it before reading.`,
    );
  return says;
}

/** What speaks against readings that were taken: drift of their gauge around them, or a calibration run out by then. */
export function readingDoubts(shop: ShopState, readings: readonly ReadingState[]): Phrase[] {
  /** by what makes each: said once, however many readings it speaks against */
  const says = new Map<string, Phrase>();
  const moved = drifts(shop);
  for (const { gauge, benchTime } of readings) {
    const kept = shop.gauges.find(({ id }) => id === gauge.id);
    // Of a gauge the shop does not have it knows neither checks nor calibration.
    if (!kept) continue;
    const time = Date.parse(benchTime);
    for (const drift of moved) {
      if (drift.gauge !== gauge.id || time < Date.parse(drift.from) || time > Date.parse(drift.to)) continue;
      says.set(
        `${gauge.id} ${drift.to}`,
        phrase`${gauge.name} moved by ${asShown(kept, drift.by)} between two zero checks while these were read: read again before relying on them.`,
      );
    }
    if (isOverdue(kept, benchTime, shop.hours.timeZone))
      says.set(gauge.id, phrase`${gauge.name} was past its calibration when these were read.`);
  }
  return [...says.values()];
}

/** Days until a calibration runs out by the shop's own calendar; negative when it has. Null without a date. */
export function daysToCalibration(gauge: KeptGauge, now: string, zone: string): number | null {
  const due = calibrationDue(gauge);
  return due === null ? null : daysBetween(dayIn(now, zone), due);
}
