/** The states a measure can be in; drawn everywhere by one component, named everywhere by these words. */
export const measureStates = ['unmeasured', 'within', 'outside', 'undecided', 'stale'] as const;
export type MeasureState = (typeof measureStates)[number];

export const measureStateWords: Record<MeasureState, string> = {
  unmeasured: 'not measured',
  within: 'within',
  outside: 'outside',
  undecided: 'undecided',
  stale: 'stale',
};

/**
 * The state of a whole from its points: a fault shows first, then what is no longer true, then what is missing, then
 * what is in doubt.
 *
 * @example wholeState(['within', 'undecided']) // => "undecided"
 */
export function wholeState(points: readonly MeasureState[]): MeasureState {
  const order: readonly MeasureState[] = ['outside', 'stale', 'unmeasured', 'undecided'];
  if (points.length === 0) return 'unmeasured';
  return order.find((state) => points.includes(state)) ?? 'within';
}
