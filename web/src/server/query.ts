/** What stands behind the question mark of an address, as a page is given it. */
export type Query = Readonly<Record<string, string | string[] | undefined>>;

/** One value of a query: the first where it was said several times, empty where it was not. */
export const valueOf = (query: Query, name: string): string => {
  const value = query[name];
  return (Array.isArray(value) ? value[0] : value) ?? '';
};

/**
 * Words that were typed to be looked for, without the blanks round them. The sign that no text of the database holds is taken
 * out, and takes none with it.
 *
 * @param most so many characters count
 */
export const wordsOf = (query: Query, name: string, most: number): string =>
  valueOf(query, name).replaceAll('\u0000', '').trim().slice(0, most);
