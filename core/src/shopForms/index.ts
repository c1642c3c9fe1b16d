// The forms of the shop’s entries: a door of their own, for a page loads them last.
import * as compiled from '../generated/shop.js';
import { formsOf, type RawEntry } from '../logbook';
import { shopKinds, type ShopEntry } from '../shop';
import type { Problem } from '../solvers/contract';

const forms = formsOf<ShopEntry>({ kinds: shopKinds, compiled });

/** Problems with the form of an entry of the shop, see `Forms.problems`. */
export const shopEntryProblems = (entry: unknown): Problem[] => forms.problems(entry);

/** An entry of the shop from its row; total, see `Forms.read`. */
export const readShopEntry = (row: RawEntry): ShopEntry => forms.read(row);
