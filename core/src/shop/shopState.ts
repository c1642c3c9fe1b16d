import { limitProblems } from '../logbook';
import { isTimeZone, worldZone } from '../clock';
import { weekProblems } from '../schedule';
import { tableProblems, tableWith } from '../plan';
import { gaugeTakes, shelfGauges, usualGauge, type ShelfGauge } from '../metrology';
import type { Problem } from '../solvers/contract';
import type { Measure } from '../vocabulary';
import { hasSchema, problemsWith, strangeTexts } from '../validation';
import type { ShopEntryBody, ShopEntryKind, ShopHours } from './shopEntry.schema';

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
export type OwnOperation = ShopEntryBody<'operation'>;
export type OwnCureRule = ShopEntryBody<'cure-rule'>;
export type OwnCaution = ShopEntryBody<'caution'>;
export type Person = ShopEntryBody<'person'>;
export type Rates = ShopEntryBody<'rates'>;
export type Price = ShopEntryBody<'price'>;
export type BenchOrder = ShopEntryBody<'bench-order'>;

/** What is true of the shop now: gauges and their checks, practices, own work and cautions, people, hours, prices. */
export interface ShopState {
  seq: number;
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
  /** entries that say nothing any more, with what is wrong with each; they can be struck */
  unread: readonly { entry: string; kind: string; problem: string }[];
}

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
export const freshShop: ShopState = {
  seq: 0,
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
  unread: [],
};

/** What has not been put away. */
export const inUse = <T extends { retired?: boolean }>(list: readonly T[]): T[] =>
  list.filter(({ retired }) => !retired);

/** The gauges that are in use. */
export const gaugesInUse = ({ gauges }: ShopState): KeptGauge[] => inUse(gauges);

/** The gauges in use that can take a measure. */
export const gaugesFor = (shop: ShopState, measure: Measure): KeptGauge[] =>
  gaugesInUse(shop).filter(({ kind }) => gaugeTakes[kind].includes(measure));

/** The one of these that usually takes a measure, else the first; null of none. */
export const usualOf = (gauges: readonly KeptGauge[], measure: Measure): KeptGauge | null =>
  gauges.find(({ id }) => id === usualGauge[measure]) ?? gauges[0] ?? null;

/** The last of each id counts; the order is that of the first. */
const put = <T extends { id: string }>(list: readonly T[], item: T): T[] =>
  list.some(({ id }) => id === item.id) ? list.map((each) => (each.id === item.id ? item : each)) : [...list, item];

const samePair = (a: BenchOrder, b: BenchOrder) =>
  a.first.ticket === b.first.ticket &&
  a.first.operation === b.first.operation &&
  a.second.ticket === b.second.ticket &&
  a.second.operation === b.second.operation;

/** The state of the shop from its own logbook, in order. Pure. */
export function foldShop(entries: readonly ShopEntry[]): ShopState {
  const struck = new Set(entries.flatMap(({ kind, body }) => (kind === 'strike' ? [body.entry] : [])));
  return entries
    .filter(({ id }) => !struck.has(id))
    .sort((a, b) => a.seq - b.seq)
    .reduce<ShopState>((state, { id: entry, seq, kind, body, author, benchTime }) => {
      switch (kind) {
        case 'strike':
          return { ...state, seq };
        case 'unreadable':
          return { ...state, seq, unread: [...state.unread, { entry, kind: body.kind, problem: body.problem }] };
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
        case 'operation':
          return { ...state, seq, operations: put(state.operations, body) };
        case 'cure-rule':
          return { ...state, seq, cureRules: put(state.cureRules, body) };
        case 'caution':
          return { ...state, seq, cautions: put(state.cautions, body) };
        case 'hours':
          return { ...state, seq, hours: body };
        case 'person':
          return { ...state, seq, people: put(state.people, body) };
        case 'rates':
          return { ...state, seq, rates: body };
        case 'price':
          return { ...state, seq, prices: put(state.prices, body) };
        case 'bench-order':
          return { ...state, seq, benchOrder: [...state.benchOrder.filter((each) => !samePair(each, body)), body] };
      }
    }, freshShop);
}

/** What speaks against work of the shop's own: it must not need what later work disturbs, nor run backwards in time. */
function operationProblems({ id, work }: OwnOperation): Problem[] {
  const [low, likely, high] = work.minutes;
  const says = (path: string, message: string) => ({ path: `/body/work/${path}`, message });
  if (low > likely || likely > high) return [says('minutes', 'must rise from low over likely to high')];
  return tableProblems(tableWith([{ ...work, kind: id }]))
    .filter((message) => message.includes(`“${id}”`))
    .map((message) => says('needs', message));
}

/** What speaks against opening hours: an unknown zone, or a span that ends before it begins. */
function hoursProblems({ week = {}, ...rest }: ShopHours | Person): Problem[] {
  const zone = 'timeZone' in rest && !isTimeZone(rest.timeZone);
  return [
    ...(zone ? [{ path: '/body/timeZone', message: 'is not a known time zone' }] : []),
    ...weekProblems(week, '/body/week'),
  ];
}

/** Problems with an entry for the shop's logbook. The same check runs before sending and on arrival. */
export function shopEntryProblems(entry: unknown): Problem[] {
  const outer = problemsWith('new_shop_entry', entry);
  if (outer.length > 0) return outer;
  const strange = strangeTexts(entry);
  if (strange.length > 0) return strange;
  const { kind, body } = entry as NewShopEntry;
  if (kind === 'unreadable')
    return [{ path: '/kind', message: 'is written by nobody: it stands for an entry that cannot be read' }];
  const schema = `shop_${kind.replaceAll('-', '_')}`;
  if (!hasSchema(schema)) return [{ path: '/kind', message: `“${kind}” is not a kind of entry` }];
  const problems = problemsWith(schema, body).map(({ path, message }) => ({ path: `/body${path}`, message }));
  if (problems.length > 0) return problems;
  if (kind === 'operation') return operationProblems(body);
  if (kind === 'hours' || kind === 'person') return hoursProblems(body);
  if (kind !== 'profile') return problems;
  return body.changes.flatMap(({ name, limit }, i) => limitProblems(name, limit, `changes/${i}/limit`));
}
