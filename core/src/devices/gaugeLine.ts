import type { FromSchema } from 'json-schema-to-ts';
import { mmPerUnit } from '../units';
import type { GaugeKind } from '../vocabulary';
import { gauge_line } from '../generated/gauges.js';
import { problemsWith } from '../validation';
import type { gaugeLineSchema } from './gaugeLine.schema';

/** A figure as a device said it, in the unit its measure is kept in. */
export interface GaugeReading {
  gauge: string;
  kind: GaugeKind;
  name: string;
  value: number;
  unit: 'mm' | 'N' | 'mL/min' | '°' | '°C' | '%' | 'cents';
  /** as the device showed it, with its unit */
  shown: string;
  /** the point the device was pointed at, where it was told one */
  aim: string | null;
}
export type GaugeLine = { ok: true; reading: GaugeReading } | { ok: false; problem: string };

type Line = FromSchema<typeof gaugeLineSchema>;
const standardGravity = 9.80665;
/** What each unit of a device is worth in the unit its figure is kept in. */
const units: Record<Line['unit'], readonly [GaugeReading['unit'], number]> = {
  'mm': ['mm', 1],
  'in': ['mm', mmPerUnit.in],
  'thou': ['mm', mmPerUnit.thou],
  'um': ['mm', 0.001],
  'N': ['N', 1],
  'gf': ['N', standardGravity / 1000],
  'mL/min': ['mL/min', 1],
  'deg': ['°', 1],
  'C': ['°C', 1],
  '%RH': ['%', 1],
  'cents': ['cents', 1],
};

/** Longer than any honest line; what is longer is not read to its end. */
const longestLine = 2000;

/**
 * Reads one line of the gauge protocol (docs/gauges.md): one JSON object with gauge, kind, value and unit. Never throws:
 * a device that sends rubbish must not stop the bench.
 */
export function readGaugeLine(line: string): GaugeLine {
  if (line.length > longestLine) return { ok: false, problem: 'the line is too long' };
  let data: unknown;
  try {
    data = JSON.parse(line);
  } catch {
    return { ok: false, problem: 'is not JSON' };
  }
  const [problem] = problemsWith(gauge_line, data);
  if (problem) return { ok: false, problem: `${problem.path || 'it'} ${problem.message}` };
  const { gauge, kind, name, value, unit, aim } = data as Line;
  const [own, factor] = units[unit];
  return {
    ok: true,
    reading: {
      gauge,
      kind,
      name: name ?? gauge,
      value: value * factor,
      unit: own,
      shown: `${value} ${unit}`,
      aim: aim ?? null,
    },
  };
}
