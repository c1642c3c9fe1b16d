/**
 * Runs of neighbouring samples for which `test` holds, wrapping from the last sample to the first.
 *
 * `samples` are in clock order. Each run lists its samples in clockwise order; runs come in the order of the
 * samples they start at. When every sample holds there is one run, starting at the first sample.
 *
 * @example circularRuns([1, 0, 1], (x) => x === 1) // => [[1, 1]]
 */
export function circularRuns<T>(samples: readonly T[], test: (sample: T) => boolean): T[][] {
  const holds = samples.map(test);
  const firstMiss = holds.indexOf(false);
  if (firstMiss === -1) return samples.length > 0 ? [[...samples]] : [];
  const runs: { start: number; samples: T[] }[] = [];
  let open: { start: number; samples: T[] } | null = null;
  // Start just after a miss, so that no run is cut by the end of the list.
  for (let step = 1; step <= samples.length; step += 1) {
    const at = (firstMiss + step) % samples.length;
    if (holds[at]) {
      open ??= { start: at, samples: [] };
      open.samples.push(samples[at] as T);
    } else if (open) {
      runs.push(open);
      open = null;
    }
  }
  return runs.sort((a, b) => a.start - b.start).map((run) => run.samples);
}
