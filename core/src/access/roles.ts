import type { EntryKind } from '../job';
import type { ShopEntryKind } from '../shop';
import type { StockEntryKind } from '../stock';

/** Who somebody is to the shop. */
export const roles = ['owner', 'technician', 'apprentice', 'desk'] as const;
export type Role = (typeof roles)[number];

/** What somebody is called at the door, and what is said of the role where it is given. */
export const roleWords: Record<Role, { title: string; does: string }> = {
  owner: { title: 'Owner', does: 'Everything, and who may do what.' },
  technician: {
    title: 'Technician',
    does: 'All work at the bench, estimates and sign-off, gauges and sizes of the shop.',
  },
  apprentice: {
    title: 'Apprentice',
    does: 'Measures, finds, does steps and takes from the drawers; signs nothing off.',
  },
  desk: { title: 'Desk', does: 'Takes tickets in, talks to owners, keeps estimates, drawers and orders.' },
};

/** What can be done here, as far as one person may and another may not. */
export const acts = [
  /** pages, lists, prints and everything else that only shows */
  'look',
  /** a ticket is opened */
  'open',
  /** what everybody who has the instrument in hand writes: notes, photos, time */
  'tell',
  /** what is measured, found and done at the bench */
  'work',
  /** what goes over a judgement: decisions, limits, hand changes of the plan, sign-off, whole logbooks that are brought in */
  'judge',
  /** what owners are offered and say, and what is charged */
  'money',
  /** drawers and orders */
  'stock',
  /** what the shop measures and works with */
  'tools',
  /** what the shop wants, charges, and who works in it */
  'shop',
  /** whole logbooks leave the house */
  'export',
  /** who has a key, and to what */
  'people',
] as const;
export type Act = (typeof acts)[number];

const may: Record<Role, readonly Act[]> = {
  owner: acts,
  technician: ['look', 'open', 'tell', 'work', 'judge', 'money', 'stock', 'tools', 'export'],
  apprentice: ['look', 'tell', 'work', 'stock'],
  desk: ['look', 'open', 'tell', 'money', 'stock'],
};

/** May somebody of this role do this? The one table of who may what. */
export const roleMay = (role: Role, act: Act): boolean => may[role].includes(act);

/** What it takes to write each kind of entry into the logbook of a job. */
export const actOfEntry: Record<EntryKind, Act> = {
  'intake': 'open',
  'reading': 'work',
  'tick': 'work',
  'finding': 'work',
  'operation-started': 'work',
  'operation-done': 'work',
  'operation-skipped': 'judge',
  'note': 'tell',
  'decision': 'judge',
  'practice-change': 'judge',
  'tolerances': 'judge',
  'pass': 'work',
  'pass-aside': 'work',
  'adjustment': 'work',
  'rule': 'judge',
  'round': 'work',
  'round-skip': 'work',
  'round-over': 'work',
  'plan-change': 'judge',
  'timer': 'work',
  'chosen': 'stock',
  'shims': 'work',
  'cork-point': 'work',
  'spring-set': 'work',
  'post-bush': 'work',
  'played': 'work',
  'tested': 'work',
  'cost': 'money',
  'estimate': 'money',
  'agreement': 'money',
  'owner-link': 'money',
  'owner-link-over': 'money',
  'time': 'tell',
  'instrument-change': 'work',
  'survey': 'work',
  'observation': 'work',
  'board': 'work',
  'part-off': 'work',
  'named-off': 'work',
  'part-placed': 'work',
  'part-on': 'work',
  'soak': 'work',
  'soak-over': 'work',
  'photo': 'tell',
  'photo-marks': 'tell',
  'same-instrument': 'tell',
  'look-asked': 'work',
  'look-given': 'judge',
  'sign-off': 'judge',
  'reminder': 'tell',
  'strike': 'tell',
  'unreadable': 'people',
};

/** What it takes to write each kind of entry into the logbook of the shop. */
const actOfShopEntry: Record<ShopEntryKind, Act> = {
  'gauge': 'tools',
  'gauge-check': 'work',
  'profile': 'shop',
  'operation': 'shop',
  'cure-rule': 'shop',
  'caution': 'shop',
  'hours': 'shop',
  'person': 'shop',
  'rates': 'shop',
  'price': 'shop',
  'bench-order': 'money',
  'sizes': 'tools',
  'spring-material': 'tools',
  'practice-piece': 'look',
  'rule': 'shop',
  'lesson': 'shop',
  'lock': 'people',
  'strike': 'shop',
  'unreadable': 'people',
};

/** What it takes to write each kind of entry into the logbook of the drawers. */
const actOfStockEntry: Record<StockEntryKind, Act> = {
  'item': 'stock',
  'move': 'stock',
  'offcut': 'stock',
  'spares': 'shop',
  'order': 'money',
  'arrival': 'stock',
  'used-by': 'people',
  'strike': 'stock',
  'unreadable': 'people',
};

/** Which act an entry of this logbook takes; null for a kind nobody knows, which is refused by its schema. */
export function actToWrite(log: 'job' | 'shop' | 'stock', kind: unknown): Act | null {
  const table: Readonly<Record<string, Act>> = { job: actOfEntry, shop: actOfShopEntry, stock: actOfStockEntry }[log];
  return typeof kind === 'string' && Object.hasOwn(table, kind) ? (table[kind] ?? null) : null;
}
