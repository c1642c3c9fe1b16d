/** Every order of a few things. Six of them have 720: no more. */
export const everyOrder = (list: readonly number[]): number[][] =>
  list.length < 2
    ? [[...list]]
    : list.flatMap((first, i) =>
        everyOrder([...list.slice(0, i), ...list.slice(i + 1)]).map((rest) => [first, ...rest]),
      );
