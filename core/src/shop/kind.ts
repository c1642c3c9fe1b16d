import type { Kind } from '../logbook';
import type { ShopBook } from './shopState';

/** A kind of entry in the logbook of the shop. */
export type ShopKind<Name extends string, Body> = Kind<Name, Body, ShopBook>;

/** The last of each id counts; the order is that of the first. */
export const put = <T extends { id: string }>(list: readonly T[], item: T): T[] =>
  list.some(({ id }) => id === item.id) ? list.map((each) => (each.id === item.id ? item : each)) : [...list, item];

/** What became of something the shop keeps, in a line. */
export const keptWords = (what: string, name: string, retired: boolean | undefined): string =>
  `${what}${retired ? ' put away' : ''}: ${name}`;
