import type { FromSchema } from 'json-schema-to-ts';
import type { GaugeKind, Measure } from '../vocabulary';

/** What a verdict must know of a gauge. Millimetres. */
export const gaugeSchema = {
  type: 'object',
  properties: {
    resolution: { type: 'number', minimum: 0, description: 'smallest step shown, mm' },
    maxPermissibleError: {
      type: 'number',
      minimum: 0,
      description: 'largest error the maker or the last calibration allows, mm',
    },
  },
  required: ['resolution', 'maxPermissibleError'],
  additionalProperties: false,
} as const;
export type Gauge = FromSchema<typeof gaugeSchema>;

/** A scale that is a tester's own: a pressure drop, marks on a dial, whatever it shows when all is shut and when all is open. */
export interface OwnScale {
  /** what it counts in, as it is marked */
  unit: string;
  /** what it shows with everything shut */
  closed: number;
  /** what it shows with everything open */
  open: number;
}

/** @returns how far a figure of the scale lies from its closed to its open mark, % */
export const shareOfScale = (shown: number, { closed, open }: OwnScale): number =>
  (100 * (shown - closed)) / (open - closed);

/** A gauge on the shop's shelf. */
export interface ShelfGauge extends Gauge {
  /** resolution and error stand in the unit of what it measures: mm, mL/min, N, °, %, cents */
  id: string;
  name: string;
  kind: GaugeKind;
  /** day of the last calibration, ISO date; null when nobody wrote one down */
  calibratedOn: string | null;
  /** months a calibration is trusted for */
  calibrateEvery: number;
  /** where it shows a scale of its own: resolution and error are in that */
  scale?: OwnScale;
}

const lengths: readonly Measure[] = [
  'height',
  'diameter',
  'tube-outer',
  'tube-inner',
  'tube-length',
  'rod',
  'post-gap',
  'tenon',
  'receiver',
  'cork',
  'stand',
  'setter',
  'cup',
  'cup-depth',
  'gap',
  'mark-gap',
  'wear',
  'arm',
];
const outside: readonly Measure[] = ['tube-outer', 'tube-length', 'rod', 'tenon', 'cork', 'post-gap', 'stand', 'wear'];
const inside: readonly Measure[] = ['diameter', 'tube-inner', 'receiver'];

/** The measures each kind of gauge can take. */
export const gaugeTakes: Record<GaugeKind, readonly Measure[]> = {
  'feeler': ['gap', 'key-gap', 'mark-gap', 'lost-motion', 'lateness', 'rise-and-fall', 'post-gap', 'end-play'],
  'indicator': ['deviation', 'height', 'run-out', 'rise-and-fall', 'lost-motion', 'end-play'],
  'straight-edge': ['deviation'],
  'caliper': lengths,
  'micrometer': outside,
  'pins': ['tube-inner'],
  'bore-gauge': inside,
  'small-hole': inside,
  'leak-tester': ['leak', 'leak-baseline'],
  'leak-scale': ['leak-scale', 'leak-scale-baseline'],
  'force-gauge': ['force', 'weight'],
  'protractor': ['lean', 'cone-angle'],
  'hygrometer': [],
  'pitch-meter': ['cents', 'spread'],
};

/** The gauge off the shelf that usually takes a measure. */
export const usualGauge: Record<Measure, string> = {
  'gap': 'feeler-film',
  'height': 'dial-indicator',
  'diameter': 'telescoping-gauge',
  // Quarter lines are sighted along an edge: a dial under a rim knows nothing of them.
  'deviation': 'straight-edge',
  'tube-outer': 'micrometer',
  'tube-inner': 'pin-gauges',
  'tube-length': 'micrometer',
  'rod': 'micrometer',
  'post-gap': 'micrometer',
  'tenon': 'micrometer',
  'receiver': 'bore-gauge',
  'leak': 'leak-tester',
  'force': 'force-gauge',
  'lost-motion': 'feeler-film',
  'lateness': 'feeler-film',
  'lean': 'protractor',
  'run-out': 'dial-indicator',
  'rise-and-fall': 'dial-indicator',
  'wear': 'caliper',
  'cone-angle': 'protractor',
  'cork': 'caliper',
  'leak-baseline': 'leak-tester',
  'leak-scale': 'leak-scale',
  'leak-scale-baseline': 'leak-scale',
  'weight': 'force-gauge',
  'stand': 'caliper',
  'setter': 'caliper',
  'cup': 'caliper',
  'cup-depth': 'caliper',
  'mark-gap': 'feeler-film',
  'key-gap': 'feeler-film',
  'end-play': 'feeler-fine',
  'arm': 'caliper',
  'cents': 'pitch-meter',
  'spread': 'pitch-meter',
};

const gauge = (
  id: string,
  name: string,
  kind: GaugeKind,
  resolution: number,
  maxPermissibleError: number,
): ShelfGauge => ({ id, name, kind, resolution, maxPermissibleError, calibratedOn: null, calibrateEvery: 12 });

/**
 * The gauges a shop starts with. Figures are workshop defaults for gauges in fair order, not anyone's data sheet.
 */
export const shelfGauges: readonly ShelfGauge[] = [
  gauge('feeler-film', 'Feeler film set', 'feeler', 0.01, 0.004),
  gauge('feeler-fine', 'Fine feeler strips', 'feeler', 0.005, 0.002),
  gauge('dial-indicator', 'Dial indicator on rim plate', 'indicator', 0.002, 0.003),
  gauge('straight-edge', 'Straight edge, by eye and feeler', 'straight-edge', 0.05, 0.05),
  gauge('caliper', 'Caliper', 'caliper', 0.01, 0.02),
  gauge('micrometer', 'Micrometer', 'micrometer', 0.001, 0.002),
  gauge('pin-gauges', 'Pin gauges, steps of 0.005', 'pins', 0.005, 0.001),
  gauge('bore-gauge', 'Bore gauge on a rod', 'bore-gauge', 0.005, 0.01),
  gauge('leak-tester', 'Leak tester', 'leak-tester', 0.5, 1),
  {
    ...gauge('leak-scale', 'Leak tester with a scale of its own', 'leak-scale', 0.5, 1),
    scale: { unit: 'marks', closed: 0, open: 100 },
  },
  gauge('force-gauge', 'Force gauge', 'force-gauge', 0.01, 0.02),
  gauge('telescoping-gauge', 'Small-hole gauge and micrometer', 'small-hole', 0.001, 0.006),
  gauge('protractor', 'Bevel protractor with loupe', 'protractor', 0.1, 0.1),
  gauge('pitch-meter', 'Pitch meter', 'pitch-meter', 1, 2),
];

/** What a reading keeps of the gauge it was taken with. */
export function gaugeOfReading({ id, name, resolution, maxPermissibleError, scale }: ShelfGauge) {
  if (!scale) return { id, name, resolution, maxPermissibleError };
  // The reading is kept as a share, so its doubt is one too; the marks stay with it.
  const share = (step: number) => Math.abs((100 * step) / (scale.open - scale.closed));
  return {
    id,
    name,
    resolution: share(resolution),
    maxPermissibleError: share(maxPermissibleError),
    scale: { unit: scale.unit, closed: scale.closed, open: scale.open },
  };
}

/** Standard uncertainty of one reading: rectangular over the resolution and over the permitted error (GUM 4.3.7). */
export const gaugeStandardUncertainty = (gauge: Gauge): number =>
  Math.hypot(gauge.resolution / Math.sqrt(12), gauge.maxPermissibleError / Math.sqrt(3));
