import slugify from 'slugify';

/** The most characters of an id that is made from a name. */
const longest = 40;

/** A name in small letters, digits and hyphens, as far as its script can be written so; else nothing. */
export const slugOf = (name: string): string =>
  slugify(name.normalize('NFC').replaceAll('♯', ' sharp ').replaceAll('♭', ' flat ').replaceAll('_', ' '), {
    lower: true,
    strict: true,
  })
    .replace(/[^a-z0-9-]/g, '')
    .slice(0, longest)
    .replace(/^-+|-+$/g, '');

/** The ids of a list, for `freshId`. */
export const idsOf = (list: readonly { id: string }[]): string[] => list.map(({ id }) => id);

/**
 * An id made from a name that nothing else has yet: what ships, what was put away and what another script writes the
 * same way all count as taken.
 *
 * @param otherwise what it is called where the name gives no letters, such as `gauge`
 * @example freshId('Штангенциркуль', 'gauge', []) // => "shtangencirkul"
 */
export function freshId(name: string, otherwise: string, taken: Iterable<string>): string {
  const used = new Set(taken);
  const base = slugOf(name) || otherwise;
  let id = base;
  for (let n = 2; used.has(id); n += 1) id = `${base}-${n}`;
  return id;
}
