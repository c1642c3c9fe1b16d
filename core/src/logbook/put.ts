/** The last of each id counts; the order is that of the first. */
export const put = <T extends { id: string }>(list: readonly T[], item: T): T[] =>
  list.some(({ id }) => id === item.id) ? list.map((each) => (each.id === item.id ? item : each)) : [...list, item];
