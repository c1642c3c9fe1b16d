/** A value at a place along an axis. */
export interface Sample {
  at: number;
  value: number;
}

/**
 * The value at a place: straight between neighbouring samples (in ascending `at`), the end value beyond them.
 *
 * @example interpolate([{ at: 0, value: 1 }, { at: 10, value: 3 }], 5) // => 2
 */
export function interpolate(samples: readonly Sample[], at: number): number {
  const after = samples.findIndex((sample) => sample.at >= at);
  const b = samples[after];
  if (!b) return samples.at(-1)?.value ?? 0;
  const a = samples[after - 1];
  return a ? a.value + ((b.value - a.value) * (at - a.at)) / (b.at - a.at) : b.value;
}
