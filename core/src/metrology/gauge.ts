import type { FromSchema } from 'json-schema-to-ts';

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

/** A gauge on the shop's shelf. */
export interface ShelfGauge extends Gauge {
  /** resolution and error stand in the unit of what it measures: mm, mL/min or N */
  id: string;
  name: string;
}

/**
 * The gauges a shop starts with. Figures are workshop defaults for gauges in fair order, not anyone's data sheet.
 */
export const shelfGauges: readonly ShelfGauge[] = [
  { id: 'feeler-film', name: 'Feeler film set', resolution: 0.01, maxPermissibleError: 0.004 },
  { id: 'feeler-fine', name: 'Fine feeler strips', resolution: 0.005, maxPermissibleError: 0.002 },
  { id: 'dial-indicator', name: 'Dial indicator on rim plate', resolution: 0.002, maxPermissibleError: 0.003 },
  { id: 'caliper', name: 'Caliper', resolution: 0.01, maxPermissibleError: 0.02 },
  { id: 'micrometer', name: 'Micrometer', resolution: 0.001, maxPermissibleError: 0.002 },
  { id: 'pin-gauges', name: 'Pin gauges, steps of 0.005', resolution: 0.005, maxPermissibleError: 0.001 },
  { id: 'bore-gauge', name: 'Bore gauge on a rod', resolution: 0.005, maxPermissibleError: 0.01 },
  { id: 'leak-tester', name: 'Leak tester', resolution: 0.5, maxPermissibleError: 1 },
  { id: 'force-gauge', name: 'Force gauge', resolution: 0.01, maxPermissibleError: 0.02 },
  { id: 'telescoping-gauge', name: 'Small-hole gauge and micrometer', resolution: 0.001, maxPermissibleError: 0.006 },
];

/** Standard uncertainty of one reading: rectangular over the resolution and over the permitted error (GUM 4.3.7). */
export const gaugeStandardUncertainty = (gauge: Gauge): number =>
  Math.hypot(gauge.resolution / Math.sqrt(12), gauge.maxPermissibleError / Math.sqrt(3));
