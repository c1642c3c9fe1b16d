import type { Kind } from '../logbook';
import type { ShopBook } from './shopState';

/** A kind of entry in the logbook of the shop. */
export type ShopKind<Name extends string, Body> = Kind<Name, Body, ShopBook>;

/** What became of something the shop keeps, in a line. */
export const keptWords = (what: string, name: string, retired: boolean | undefined): string =>
  `${what}${retired ? ' put away' : ''}: ${name}`;
