import { worldZone } from '../clock';
import type { LogState } from '../logbook';
import { gaugeTakes, shelfGauges, usualGauge, type ShelfGauge } from '../metrology';
import { usualSpringMaterials, type SpringMaterial } from '../springSet';
import { usualSizes, type Sizes } from '../stock';
import type { Measure, SizeKind } from '../vocabulary';
import type { GaugeCheck } from './gaugeCheck.kind';
import type { ShopHours } from './hours.kind';
import type { PieceProgress } from './practicePiece.kind';
import type { ShopLesson } from './lesson.kind';
import type { ShopRule } from './rule.kind';
import type { ShopEntry, ShopEntryBody } from './shopEntry';

export interface KeptGauge extends ShelfGauge {
  retired: boolean;
}
export type LimitProfile = ShopEntryBody<'profile'>;
export type OwnOperation = ShopEntryBody<'operation'>;
export type OwnCureRule = ShopEntryBody<'cure-rule'>;
export type OwnCaution = ShopEntryBody<'caution'>;
export type Person = ShopEntryBody<'person'>;
export type Rates = ShopEntryBody<'rates'>;
export type Price = ShopEntryBody<'price'>;
export type BenchOrder = ShopEntryBody<'bench-order'>;

/** What is true of the shop now: gauges and their checks, practices, own work and cautions, people, hours, prices. */
export interface ShopState extends ShopContent {
  seq: number;
  /** entries that say nothing any more, with what is wrong with each; they can be struck */
  unread: readonly { entry: string; kind: string; problem: string }[];
}

interface ShopContent {
  gauges: readonly KeptGauge[];
  /** oldest first */
  checks: readonly GaugeCheck[];
  profiles: readonly LimitProfile[];
  operations: readonly OwnOperation[];
  cureRules: readonly OwnCureRule[];
  cautions: readonly OwnCaution[];
  hours: ShopHours;
  people: readonly Person[];
  /** null until somebody says what an hour costs */
  rates: Rates | null;
  prices: readonly Price[];
  benchOrder: readonly BenchOrder[];
  sizes: Sizes;
  /** the lists of sizes that are read from the drawers, and not said here */
  stocked: readonly SizeKind[];
  springMaterials: readonly SpringMaterial[];
  /** how far who has come with practice pieces */
  practised: readonly PieceProgress[];
  /** rules of regulation this shop wants otherwise */
  rules: readonly ShopRule[];
  /** what was learned and is doubted, with the reason */
  lessonsAside: readonly ShopLesson[];
  /** minutes without a touch until a bench asks who is there */
  lockMinutes: number;
}

/** The logbook of the shop: all of it, and what is true by it. */
export interface ShopBook extends LogState<ShopEntry>, ShopContent {}

const weekday: [string, string][] = [
  ['09:00', '12:30'],
  ['13:30', '17:30'],
];
/** Hours a shop keeps until it has said its own. */
export const usualHours: ShopHours = {
  timeZone: worldZone,
  week: { mon: weekday, tue: weekday, wed: weekday, thu: weekday, fri: weekday },
  closed: [],
  resources: { oven: 1, vice: 2 },
};

/** A shop starts with the gauges of the shelf. */
export const freshBook: ShopBook = {
  seq: 0,
  entries: [],
  byId: new Map(),
  struck: new Map(),
  unread: new Map(),
  gauges: shelfGauges.map((gauge) => ({ ...gauge, retired: false })),
  checks: [],
  profiles: [],
  operations: [],
  cureRules: [],
  cautions: [],
  hours: usualHours,
  people: [],
  rates: null,
  prices: [],
  benchOrder: [],
  sizes: usualSizes,
  stocked: [],
  springMaterials: usualSpringMaterials,
  practised: [],
  rules: [],
  lessonsAside: [],
  lockMinutes: 15,
};
/** What a logbook of the shop says, without the entries that say it: what pages are given. */
export function shopOf({ entries: _entries, byId, struck: _struck, unread, ...content }: ShopBook): ShopState {
  const said = [...unread].map(([entry, problem]) => {
    const kept = byId.get(entry);
    const kind = kept?.kind === 'unreadable' ? kept.body.kind : (kept?.kind ?? '');
    return { entry, kind, problem: problem.replace(`${kind}: `, '') };
  });
  return { ...content, unread: said };
}

export const freshShop: ShopState = shopOf(freshBook);

/** What has not been put away. */
export const inUse = <T extends { retired?: boolean }>(list: readonly T[]): T[] =>
  list.filter(({ retired }) => !retired);

/** What the shop wants otherwise of the rules of an instrument. */
export const shopRules = ({ rules }: Pick<ShopState, 'rules'>, instrument: string): readonly ShopRule[] =>
  rules.filter((each) => each.instrument === instrument);

/** The gauges that are in use. */
export const gaugesInUse = ({ gauges }: ShopState): KeptGauge[] => inUse(gauges);

/** The gauges in use that can take a measure. */
export const gaugesFor = (shop: ShopState, measure: Measure): KeptGauge[] =>
  gaugesInUse(shop).filter(({ kind }) => gaugeTakes[kind].includes(measure));

/** The one of these that usually takes a measure, else the first; null of none. */
export const usualOf = (gauges: readonly KeptGauge[], measure: Measure): KeptGauge | null =>
  gauges.find(({ id }) => id === usualGauge[measure]) ?? gauges[0] ?? null;

/** What sums are in until the shop has said what an hour costs. */
const usualCurrency = 'EUR';

/** The currency of the shop. */
export const currencyOf = ({ rates }: Pick<ShopState, 'rates'>): string => rates?.currency ?? usualCurrency;
