import {
  atMost,
  circularRuns,
  clockDistance,
  clockOf,
  exceeds,
  inClockOrder,
  leastSquares,
  normalClock,
  sameWithin,
  toDegrees,
  toRadians,
  Unsolvable,
} from '../metrology';
import { phrase, stock as ofStock } from '../units';
import type { PadAdvice, PadPicture, SeatInput, SeatOutput } from './seat.schema';
import { greatestStack, shimStacks } from './shimStack';

type GapSample = SeatInput['gaps'][number];

/** A pad further from the right thickness than this is changed, not eased in its bed, mm. */
const mostBedCorrection = 0.3;
/** Correlation of gap with a hollow rim from which the rim, not the pad, is blamed. */
const rimBlameCorrelation = 0.8;
/** Share of the unevenness that a two-lobed wave must carry to be called a saddle. */
const saddleShare = 0.6;

const rangeOf = (values: readonly number[]) => Math.max(...values) - Math.min(...values);

/** Pearson's r, or null when one side does not vary. */
function correlation(x: readonly number[], y: readonly number[]): number | null {
  const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length;
  const [mx, my] = [mean(x), mean(y)];
  let xx = 0;
  let yy = 0;
  let xy = 0;
  x.forEach((value, i) => {
    const dx = value - mx;
    const dy = (y[i] ?? 0) - my;
    xx += dx * dx;
    yy += dy * dy;
    xy += dx * dy;
  });
  if (Math.sqrt(xx) <= sameWithin || Math.sqrt(yy) <= sameWithin) return null;
  return xy / Math.sqrt(xx * yy);
}

/** Gap at any clock position by linear interpolation between the neighbouring samples, round the circle. */
function gapAt(gaps: readonly GapSample[], clock: number): number {
  const after = gaps.find((sample) => sample.clock >= clock) ?? gaps[0];
  const before = gaps.findLast((sample) => sample.clock <= clock) ?? gaps.at(-1);
  if (!after || !before) return 0;
  const span = normalClock(after.clock - before.clock);
  if (span === 0) return Math.max(before.gap, after.gap);
  return before.gap + ((after.gap - before.gap) * normalClock(clock - before.clock)) / span;
}

/** Shims by sector. `sectorOf` tells which sector a sample lies in; a sample on a boundary lies in the next clockwise. */
function shimPlan(gaps: readonly GapSample[], limit: number, stock: readonly number[], width: number) {
  const count = Math.round(360 / width);
  const sectorOf = (clock: number) => Math.floor((clock + width / 2) / width + sameWithin) % count;
  const stacks = shimStacks(stock);
  const shims: SeatOutput['shims'] = [];
  const widest: (number | undefined)[] = [];
  for (const { clock, gap } of gaps) widest[sectorOf(clock)] = Math.max(widest[sectorOf(clock)] ?? 0, gap);
  for (let sector = 0; sector < count; sector += 1) {
    const gap = widest[sector] ?? gapAt(gaps, sector * width);
    const stack = stacks.length > 0 && exceeds(gap, limit) ? greatestStack(stacks, gap + limit / 2) : null;
    if (stack) shims.push({ clock: sector * width, ...stack });
  }
  const thicknessIn = new Map(shims.map(({ clock, thickness }) => [Math.round(clock / width), thickness]));
  const left = gaps.map(({ clock, gap }) => gap - (thicknessIn.get(sectorOf(clock)) ?? 0));
  return { shims, predictedMaxGap: Math.max(0, ...left) };
}

function adviceFor(picture: PadPicture, thicknessCorrection: number): PadAdvice {
  switch (picture) {
    case 'sealed':
      return 'none';
    case 'held-off':
      return 'regulate';
    case 'dotted':
      return 'add-adhesive';
    case 'saddle':
      return 'level-rim';
    case 'open-side':
      return 'bend-cup';
    case 'one-gap':
      return 'clean-inspect';
    case 'uneven':
      return 'shim';
    case 'touches-back':
    case 'touches-front':
      return atMost(Math.abs(thicknessCorrection), mostBedCorrection) ? 'reset-bed' : 'change-pad';
  }
}

/**
 * How a pad meets its rim, from the gaps round it at the lightest touch: the picture a leak light would show, the
 * thickness error behind it, a bend or a set of shims that would cure it, and whether the rim is to blame.
 *
 * Millimetres and degrees; clock 0 is the front, farthest from the hinge. LSQ g = u + v·cosθ + w·sinθ + e.
 * The thickness error follows from the lever of the hinge: a pad too thick by t lands on its back edge and leaves
 * t·D/(R − D/2) open at the front.
 *
 * @throws Unsolvable when the pad reaches its own hinge (R ≤ D/2) or the gaps do not determine the fit
 */
export function solveSeat(input: SeatInput): SeatOutput {
  const { padDiameter: D, axisDistance: R, limits, shims: stock = [], sectorWidth = 45 } = input;
  if (atMost(R, D / 2)) {
    throw new Unsolvable(
      phrase`The pad (${ofStock(D)} across) reaches its own hinge axis ${ofStock(R)} away: the hinge must be farther than half the pad diameter.`,
    );
  }
  const limit = limits.gap;
  const gaps = inClockOrder(input.gaps);
  const angles = gaps.map(({ clock }) => toRadians(clock));
  const values = gaps.map(({ gap }) => gap);

  const [u = 0, v = 0, w = 0] = leastSquares(
    angles.map((angle) => [1, Math.cos(angle), Math.sin(angle)]),
    values,
    'the plane of the gaps',
  );
  const rest = values.map((gap, i) => gap - (u + v * Math.cos(angles[i] ?? 0) + w * Math.sin(angles[i] ?? 0)));
  const [p = 0, q = 0] = leastSquares(
    angles.map((angle) => [Math.cos(2 * angle), Math.sin(2 * angle)]),
    rest,
    'whether the gaps form a saddle',
  );

  const tilt = 2 * Math.hypot(v, w);
  const openClock = clockOf(v, w);
  const unevenness = rangeOf(rest);
  const isOpen = ({ gap }: GapSample) => exceeds(gap, limit);
  const openRuns = circularRuns(gaps, isOpen).length;
  const saddle = 2 * Math.hypot(p, q);

  const picture = ((): PadPicture => {
    if (!gaps.some(isOpen)) return 'sealed';
    if (gaps.every(isOpen)) return 'held-off';
    if (openRuns >= 3) return 'dotted';
    if (openRuns === 2 && atMost(saddleShare * unevenness, saddle) && atMost(tilt, saddle)) return 'saddle';
    if (atMost(unevenness, tilt) && openClock !== null) {
      if (atMost(clockDistance(openClock, 0), 45)) return 'touches-back';
      return atMost(clockDistance(openClock, 180), 45) ? 'touches-front' : 'open-side';
    }
    return openRuns === 1 ? 'one-gap' : 'uneven';
  })();

  const thicknessCorrection = v > 0 ? (-2 * v * (R - D / 2)) / D : (2 * Math.abs(v) * (R + D / 2)) / D;

  const residuals = input.rimResiduals ? inClockOrder(input.rimResiduals).map(({ residual }) => residual) : [];
  const hollows = residuals.map((residual) => -residual);
  const r = residuals.length > 0 ? correlation(values, hollows) : null;
  const rimSuspected = r !== null && atMost(rimBlameCorrelation, r) && exceeds(rangeOf(residuals), limit);

  return {
    tilt,
    openClock,
    unevenness,
    openRuns,
    picture,
    thicknessCorrection,
    sideBendDegrees: toDegrees(Math.atan((2 * w) / D)),
    ...shimPlan(gaps, limit, stock, sectorWidth),
    rimSuspected,
    advice: rimSuspected ? 'level-rim' : adviceFor(picture, thicknessCorrection),
  };
}
