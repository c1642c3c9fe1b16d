import type { JobState } from '../job';
import { pointKey, type MeasuringPoint } from '../readings';
import type { RoundState } from './round.kind';

export type RoundStep = 'open' | 'taken' | 'skipped';

export interface RoundProgress {
  steps: { point: MeasuringPoint; key: string; step: RoundStep; readings: number }[];
  /** index of the first point that is still open; the length when none is */
  next: number;
  taken: number;
  skipped: number;
}

/**
 * How far a round has come. A point is taken once it has a reading that is younger than the round and still true, so a
 * round goes on where it stood, on whatever device, and a struck or disturbed reading opens its point again.
 */
export function roundProgress(state: JobState, round: RoundState): RoundProgress {
  const steps = round.points.map((point) => {
    const key = pointKey(point);
    const readings = (state.points.get(key)?.readings ?? []).filter(
      ({ seq, stale }) => seq > round.seq && !stale,
    ).length;
    const step: RoundStep = readings > 0 ? 'taken' : round.skipped.has(key) ? 'skipped' : 'open';
    return { point, key, step, readings };
  });
  const next = steps.findIndex(({ step }) => step === 'open');
  const count = (of: RoundStep) => steps.filter(({ step }) => step === of).length;
  return { steps, next: next === -1 ? steps.length : next, taken: count('taken'), skipped: count('skipped') };
}
