import { limitProblems } from '../logbook';
import { gaugeTakes, shelfGauges, usualGauge, type ShelfGauge } from '../metrology';
import type { Problem } from '../solvers/contract';
import type { Measure } from '../vocabulary';
import { hasSchema, problemsWith } from '../validation';
import type { ShopEntryBody, ShopEntryKind } from './shopEntry.schema';

interface Envelope {
  id: string;
  author: string;
  benchTime: string;
}
export type NewShopEntry = { [K in ShopEntryKind]: Envelope & { kind: K; body: ShopEntryBody<K> } }[ShopEntryKind];
/** An entry of the shop's logbook, with its place in it. */
export type ShopEntry = NewShopEntry & { seq: number };

export interface KeptGauge extends ShelfGauge {
  retired: boolean;
}
/** A look at what a gauge shows at zero. */
export interface GaugeCheck {
  entry: string;
  gauge: string;
  /** in the unit of the gauge */
  shows: number;
  note: string;
  author: string;
  benchTime: string;
}
export type LimitProfile = ShopEntryBody<'profile'>;

/** What is true of the shop now: its gauges, the checks they had, its sets of limits. */
export interface ShopState {
  seq: number;
  gauges: readonly KeptGauge[];
  /** oldest first */
  checks: readonly GaugeCheck[];
  profiles: readonly LimitProfile[];
}

/** A shop starts with the gauges of the shelf. */
export const freshShop: ShopState = {
  seq: 0,
  gauges: shelfGauges.map((gauge) => ({ ...gauge, retired: false })),
  checks: [],
  profiles: [],
};

/** The gauges that are in use. */
export const gaugesInUse = ({ gauges }: ShopState): KeptGauge[] => gauges.filter(({ retired }) => !retired);

/** The gauges in use that can take a measure. */
export const gaugesFor = (shop: ShopState, measure: Measure): KeptGauge[] =>
  gaugesInUse(shop).filter(({ kind }) => gaugeTakes[kind].includes(measure));

/** The one of these that usually takes a measure, else the first; null of none. */
export const usualOf = (gauges: readonly KeptGauge[], measure: Measure): KeptGauge | null =>
  gauges.find(({ id }) => id === usualGauge[measure]) ?? gauges[0] ?? null;

/** The last of each id counts; the order is that of the first. */
const put = <T extends { id: string }>(list: readonly T[], item: T): T[] =>
  list.some(({ id }) => id === item.id) ? list.map((each) => (each.id === item.id ? item : each)) : [...list, item];

/** The state of the shop from its own logbook, in order. Pure. */
export const foldShop = (entries: readonly ShopEntry[]): ShopState =>
  [...entries]
    .sort((a, b) => a.seq - b.seq)
    .reduce<ShopState>((state, { id: entry, seq, kind, body, author, benchTime }) => {
      switch (kind) {
        case 'gauge': {
          const { calibratedOn = null, retired = false, ...gauge } = body;
          return { ...state, seq, gauges: put(state.gauges, { ...gauge, calibratedOn, retired }) };
        }
        case 'gauge-check': {
          const { gauge, shows, note = '' } = body;
          const checks = [...state.checks, { entry, gauge, shows, note, author, benchTime }];
          return { ...state, seq, checks: checks.sort((a, b) => a.benchTime.localeCompare(b.benchTime)) };
        }
        case 'profile':
          return { ...state, seq, profiles: put(state.profiles, body) };
      }
    }, freshShop);

/** Problems with an entry for the shop's logbook. The same check runs before sending and on arrival. */
export function shopEntryProblems(entry: unknown): Problem[] {
  const outer = problemsWith('new_shop_entry', entry);
  if (outer.length > 0) return outer;
  const { kind, body } = entry as NewShopEntry;
  const schema = `shop_${kind.replaceAll('-', '_')}`;
  if (!hasSchema(schema)) return [{ path: '/kind', message: `“${kind}” is not a kind of entry` }];
  const problems = problemsWith(schema, body).map(({ path, message }) => ({ path: `/body${path}`, message }));
  if (problems.length > 0 || kind !== 'profile') return problems;
  return body.changes.flatMap(({ name, limit }, i) => limitProblems(name, limit, `changes/${i}/limit`));
}
