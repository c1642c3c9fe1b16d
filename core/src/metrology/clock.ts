/** Two figures closer than this are the same figure: the contract's rule for limits, stock and zero. */
export const sameWithin = 1e-9;

/** `a ≤ b`, a value equal to its limit counting as within. */
export const atMost = (a: number, b: number): boolean => a <= b + sameWithin;

/** `a > b`, and by more than rounding. */
export const exceeds = (a: number, b: number): boolean => a > b + sameWithin;

export const toRadians = (degrees: number): number => (degrees * Math.PI) / 180;
export const toDegrees = (radians: number): number => (radians * 180) / Math.PI;

/** A clock angle in 0 ≤ angle < 360; 360 is the same as 0. */
export const normalClock = (degrees: number): number => {
  const turned = degrees % 360;
  return turned < 0 ? turned + 360 : turned + 0;
};

/**
 * The clock angle of the vector (x toward 0°, y toward 90°), or null when it has no length worth a direction.
 *
 * @example clockOf(0, 2) // => 90
 */
export function clockOf(x: number, y: number): number | null {
  if (Math.hypot(x, y) <= sameWithin) return null;
  const angle = normalClock(toDegrees(Math.atan2(y, x)));
  // A hair below 0 turns into 360 − ε; call that 0.
  return 360 - angle <= 1e-12 ? 0 : angle;
}

/** The smaller angle between two clock positions, 0–180. */
export const clockDistance = (a: number, b: number): number => {
  const apart = Math.abs(normalClock(a) - normalClock(b));
  return Math.min(apart, 360 - apart);
};

/** A copy in ascending clock order with 360 written as 0. Samples at one clock keep their order. */
export const inClockOrder = <T extends { clock: number }>(samples: readonly T[]): T[] =>
  samples.map((sample) => ({ ...sample, clock: normalClock(sample.clock) })).sort((a, b) => a.clock - b.clock);
