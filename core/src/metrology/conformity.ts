import type { ConformityInput, ConformityOutput, Verdict } from './conformity.schema';
import { atMost, exceeds, sameWithin } from './clock';
import { gaugeStandardUncertainty } from './gauge';
import { studentCdf, studentQuantile } from './studentT';

/** Above this a total is no longer worth the technician's time: a finer gauge is the answer. */
const mostReadings = 50;

/** Mean and sample standard deviation; a spread below 1e-9 is rounding and counts as none. */
function spread(readings: readonly number[]): { mean: number; deviation: number } {
  const n = readings.length;
  // Shifted by the first reading: raw sums lose the digits that tell readings of one bore apart.
  const origin = readings[0] ?? 0;
  const mean = origin + readings.reduce((sum, x) => sum + (x - origin), 0) / n;
  if (n === 1) return { mean, deviation: 0 };
  const squares = readings.reduce((sum, x) => sum + (x - mean) ** 2, 0);
  const deviation = Math.sqrt(squares / (n - 1));
  return { mean, deviation: deviation < sameWithin ? 0 : deviation };
}

interface Expanded {
  standard: number;
  /** null: infinite */
  freedom: number | null;
  expanded: number;
}

function expand(deviation: number, n: number, uB: number, coverage: number): Expanded {
  const uA = n > 1 ? deviation / Math.sqrt(n) : 0;
  const standard = Math.hypot(uA, uB);
  // Welch–Satterthwaite with the gauge part known for certain: ν = (n − 1)·(u/u_A)⁴.
  const freedom = uA === 0 ? null : (n - 1) * (standard / uA) ** 4;
  const level = (1 + coverage) / 2;
  const usable = freedom !== null && Number.isFinite(freedom) ? freedom : null;
  return { standard, freedom: usable, expanded: studentQuantile(level, usable) * standard };
}

function judge(mean: number, expanded: number, limits: ConformityInput['limits']): Verdict {
  const { lower = -Infinity, upper = Infinity } = limits;
  if (atMost(mean + expanded, upper) && atMost(lower, mean - expanded)) return 'within';
  if (exceeds(mean - expanded, upper) || exceeds(lower, mean + expanded)) return 'outside';
  return 'undecided';
}

function probabilityWithin(mean: number, u: Expanded, limits: ConformityInput['limits']): number {
  const { lower = -Infinity, upper = Infinity } = limits;
  if (u.standard === 0) return atMost(mean, upper) && atMost(lower, mean) ? 1 : 0;
  const cdf = (x: number) => {
    if (x === Infinity) return 1;
    if (x === -Infinity) return 0;
    return studentCdf((x - mean) / u.standard, u.freedom);
  };
  return Math.min(1, Math.max(0, cdf(upper) - cdf(lower)));
}

/**
 * Does a measured quantity lie inside its limits, given the gauge it was read with?
 *
 * Readings, gauge and limits in one unit (mm in the app). The decision rule follows the idea of ISO 14253-1: the whole
 * interval mean ± U must lie inside to pass and strictly outside to fail; between the two the honest
 * answer is "undecided". Uncertainty after the GUM (JCGM 100), Student-t with Welch–Satterthwaite freedom.
 *
 * @example solveConformity({ readings: [9.02, 9.05, 9.03], gauge: { resolution: 0.01, maxPermissibleError: 0.02 }, limits: { lower: 8.95, upper: 9.1 } }).verdict // => "within"
 */
export function solveConformity(input: ConformityInput): ConformityOutput {
  const { readings, gauge, limits, coverage = 0.95 } = input;
  const n = readings.length;
  const { mean, deviation } = spread(readings);
  const uB = gaugeStandardUncertainty(gauge);
  const now = expand(deviation, n, uB, coverage);
  const verdict = judge(mean, now.expanded, limits);

  let readingsNeeded: number | null = verdict === 'undecided' ? null : 0;
  // One reading has no spread of its own, so more of "the same" would change nothing.
  if (verdict === 'undecided' && deviation > 0) {
    for (let total = n + 1; total <= mostReadings; total += 1) {
      if (judge(mean, expand(deviation, total, uB, coverage).expanded, limits) !== 'undecided') {
        readingsNeeded = total;
        break;
      }
    }
  }
  return {
    mean,
    standardUncertainty: now.standard,
    degreesOfFreedom: now.freedom,
    expandedUncertainty: now.expanded,
    verdict,
    probabilityWithin: probabilityWithin(mean, now, limits),
    readingsNeeded,
  };
}
