// What a page needs to write into the logbook of the shop: a door of its own, for a page loads it last.
import * as compiled from '../generated/shop.js';
import { formsOf, type RawEntry } from '../logbook';
import { shopKinds, type ShopEntry } from '../shop';
import type { Problem } from '../solvers/contract';

const forms = formsOf<ShopEntry>({ kinds: shopKinds, compiled });

/** Problems with the form of an entry of the shop, see `Forms.problems`. */
export const shopEntryProblems = (entry: unknown): Problem[] => forms.problems(entry);

/** An entry of the shop from its row; total, see `Forms.read`. */
export const readShopEntry = (row: RawEntry): ShopEntry => forms.read(row);

export { shopEntryWords, shopWith } from '../shop';
