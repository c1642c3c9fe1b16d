import { describe, expect, test } from '@jest/globals';
import {
  countWords,
  emptyStock,
  foldStock,
  foldStockBook,
  freshStockBook,
  orderProposal,
  sizesOfStock,
  stockEntryWords,
  stockId,
  stockMisfits,
  stockOf,
  stockTable,
  stockTitle,
  usualSizes,
  type NewStockEntry,
  type StockEntry,
  type StockEntryKind,
} from '.';
import { printPhrase } from '../units';
import { stockKinds } from '../vocabulary';
import { stockEntryProblems, stockWith } from '../stockForms';

const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const entry = (seq: number, kind: StockEntryKind, body: object) =>
  ({
    id: id(seq),
    seq,
    kind,
    body,
    author: 'Juno Tam',
    benchTime: `2026-11-23T08:${String(seq).padStart(2, '0')}:00.000Z`,
    receivedAt: '2026-11-23T09:00:00.000Z',
  }) as unknown as StockEntry;
const fresh = ({ seq: _, receivedAt: __, ...rest }: StockEntry) => rest as NewStockEntry;
const pad = (more: object = {}) => ({
  id: 'pad-16',
  kind: 'pad',
  diameter: 16,
  thickness: 2.6,
  soldIn: 'mm',
  counted: 'piece',
  ...more,
});
const counts = (entries: StockEntry[]) =>
  Object.fromEntries(foldStock(entries).items.map(({ id: item, count }) => [item, count]));
const problems = (kind: StockEntryKind, body: object) =>
  stockEntryProblems(fresh(entry(1, kind, body))).map(({ path, message }) => `${path} ${message}`);

describe('what lies in the drawers', () => {
  test('says of itself what tells it from its neighbours, and nothing that says nothing of it', () => {
    expect(problems('item', pad())).toEqual([]);
    expect(problems('item', { ...pad(), thickness: undefined })).toEqual([
      '/body/thickness is what tells a pad from another',
    ]);
    expect(problems('item', pad({ length: 3 }))).toEqual(['/body/length says nothing of a pad']);
    expect(problems('item', pad({ hole: 16 }))).toEqual(['/body/hole must be smaller than the pad']);
    const glue = { id: 'shellac', kind: 'adhesive', soldIn: 'mm', counted: 'gram' };
    expect(problems('item', glue)).toEqual(['/body/name must say what it is']);
    expect(problems('item', { ...glue, name: 'Shellac', useBy: '2027-05-01' })).toEqual([]);
    expect(problems('move', { item: 'pad-16', why: 'taken', count: 0 })).toEqual(['/body/count must be more than 0']);
    expect(problems('move', { item: 'pad-16', why: 'counted', count: 0 })).toEqual([]);
  });
  test.each(stockKinds)('%s has a name, and sizes it is known by', (kind) => {
    const { one, many, needs, may } = stockTable[kind];
    expect([one, many].every((words) => words.length > 2)).toBe(true);
    expect(needs.filter((size) => may.includes(size))).toEqual([]);
  });
  test('is counted by taking and putting back; a count at the drawer is right whatever the book said', () => {
    const story = [
      entry(1, 'item', pad()),
      entry(2, 'move', { item: 'pad-16', why: 'bought', count: 20 }),
      entry(3, 'move', { item: 'pad-16', why: 'taken', count: 7 }),
      entry(4, 'move', { item: 'pad-16', why: 'put-back', count: 1 }),
      entry(5, 'move', { item: 'pad-16', why: 'spoilt', count: 2 }),
    ];
    expect(counts(story)).toEqual({ 'pad-16': 12 });
    expect(counts([...story, entry(6, 'move', { item: 'pad-16', why: 'counted', count: 9 })])).toEqual({ 'pad-16': 9 });
    // A strike takes back what was written by mistake.
    expect(counts([...story, entry(6, 'strike', { entry: id(3) })])).toEqual({ 'pad-16': 19 });
    // Thirds of a sheet add up to a sheet.
    const third = (seq: number) => entry(seq, 'move', { item: 'pad-16', why: 'taken', count: 1 / 3 });
    expect(counts([...story, third(6), third(7), third(8)])['pad-16']).toBeCloseTo(11, 2);
  });
  test('what a job has used is said whole each time: said twice it counts once, and less puts back', () => {
    const used = (seq: number, ticket: string, count: number) =>
      entry(seq, 'used-by', { ticket, used: count > 0 ? [{ item: 'pad-16', count }] : [] });
    const story = [entry(1, 'item', pad()), entry(2, 'move', { item: 'pad-16', why: 'counted', count: 10 })];
    const after = (...more: StockEntry[]) => counts([...story, ...more])['pad-16'];
    expect(after(used(3, 'LL-1', 4))).toBe(6);
    expect(after(used(3, 'LL-1', 4), used(4, 'LL-1', 4))).toBe(6);
    expect(after(used(3, 'LL-1', 4), used(4, 'LL-2', 3))).toBe(3);
    expect(after(used(3, 'LL-1', 4), used(4, 'LL-1', 1))).toBe(9);
    expect(after(used(3, 'LL-1', 4), used(4, 'LL-1', 0))).toBe(10);
  });
  test('what gets its place with how many are there is counted with it; said otherwise without, the count stays', () => {
    const count = (...bodies: object[]) =>
      foldStock(bodies.map((body, i) => entry(i + 1, 'item', { ...pad(), ...body }))).items[0];
    expect(count({ have: 12 })).toMatchObject({ id: 'pad-16', count: 12 });
    expect(count({ have: 12 }, { material: 'skin' })).toMatchObject({ material: 'skin', count: 12 });
    expect(count({ have: 12 }, { have: 0 })?.count).toBe(0);
    expect(count({ have: 12 })).not.toHaveProperty('have');
  });
  test('nobody counts, orders or renames into another kind what has no place in a drawer', () => {
    const book = foldStockBook(freshStockBook, [entry(1, 'item', pad())]);
    const misfit = (kind: StockEntryKind, body: object) =>
      stockMisfits(book, fresh(entry(9, kind, body))).map(({ path }) => path);
    expect(misfit('move', { item: 'pad-17', why: 'taken', count: 1 })).toEqual(['/body/item']);
    expect(misfit('move', { item: 'pad-16', why: 'taken', count: 1 })).toEqual([]);
    expect(
      misfit('order', {
        lines: [
          { item: 'pad-16', count: 1 },
          { item: 'pad-16', count: 2 },
          { item: 'x', count: 1 },
        ],
      }),
    ).toEqual(['/body/lines/1/item', '/body/lines/2/item']);
    expect(misfit('arrival', { order: id(7), lines: [] })).toEqual(['/body/order']);
    expect(misfit('item', { ...pad(), kind: 'shim', diameter: undefined })).toEqual(['/body/kind']);
  });
  test('offcuts are kept by size until they are used up', () => {
    const cut = (seq: number, more: object = {}) =>
      entry(seq, 'offcut', { id: 'cut-1', kind: 'cork', thickness: 1.6, length: 30, width: 6, ...more });
    expect(foldStock([cut(1)]).offcuts).toMatchObject([{ id: 'cut-1', length: 30 }]);
    expect(foldStock([cut(1), cut(2, { length: 18 })]).offcuts).toMatchObject([{ length: 18 }]);
    expect(foldStock([cut(1), cut(2, { gone: true })]).offcuts).toEqual([]);
  });
  test('is called by its sizes, in the unit it is sold in', () => {
    const title = (item: object, unit: 'mm' | 'in' = 'mm') =>
      printPhrase(stockTitle(item as Parameters<typeof stockTitle>[0]), unit);
    expect(title(pad())).toBe('Pad 16 mm × 2.6 mm');
    expect(title(pad({ hole: 6, material: 'pale skin' }))).toBe('Pad 16 mm × 2.6 mm, pierced 6 mm, pale skin');
    expect(title({ kind: 'washer', thickness: 0.127, hole: 2.54 }, 'in')).toBe('Washer 0.005 in, hole 0.1 in');
    expect(title({ kind: 'ball', diameter: 20 })).toBe('Dent ball 20 mm');
    expect(title({ kind: 'other', name: 'Mouthpiece patches' })).toBe('Mouthpiece patches');
    expect(countWords(1, 'sheet')).toBe('1 sheet');
    expect(countWords(2, 'sheet')).toBe('2 sheets');
    expect(countWords(3, 'piece')).toBe('3');
    expect(countWords(40, 'gram')).toBe('40 g');
  });
  test('gets an id that can be said, and never one that is taken', () => {
    const item = { kind: 'pad', diameter: 17.5, thickness: 3.4, hole: 6, material: 'pale skin' } as const;
    expect(stockId(item, [])).toBe('pad-17-5-3-4-6-pale-skin');
    expect(stockId(item, ['pad-17-5-3-4-6-pale-skin'])).toBe('pad-17-5-3-4-6-pale-skin-2');
    expect(stockId({ kind: 'rod', diameter: 0.086 * 25.4 }, [])).toBe('rod-2-184');
  });
  test('every entry reads in a line', () => {
    const names = new Map([['pad-16', 'Pad 16']]);
    const words = (kind: StockEntryKind, body: object) =>
      printPhrase(stockEntryWords(entry(1, kind, body), names), 'mm');
    expect(words('item', pad())).toBe('In the drawers: Pad 16 mm × 2.6 mm');
    expect(words('item', pad({ retired: true }))).toMatch(/^Put away/);
    expect(words('move', { item: 'pad-16', why: 'spoilt', count: 2, note: 'skin torn' })).toBe(
      'Spoilt: 2 × Pad 16 (skin torn)',
    );
    expect(words('order', { lines: [{ item: 'pad-16', count: 2 }] })).toBe('Ordered: one thing');
    expect(words('arrival', { order: id(1), lines: [], closed: true })).toBe(
      'Arrived: 0 things, nothing more is waited for',
    );
    expect(words('used-by', { ticket: 'LL-1', used: [] })).toBe('LL-1 has used 0 things so far');
    expect(words('spares', { percent: 10, least: 1 })).toMatch(/10 %/);
    expect(words('offcut', { id: 'c', kind: 'felt', thickness: 1, length: 10, width: 5 })).toBe(
      'Offcut: felt 1 mm, 10 mm × 5 mm',
    );
  });
});

describe('what a page shows of entries that are on their way', () => {
  const story = [
    entry(1, 'item', pad({ have: 20 })),
    entry(2, 'spares', { percent: 20, least: 2 }),
    entry(3, 'move', { item: 'pad-16', why: 'taken', count: 7 }),
    entry(4, 'offcut', { id: 'cut-1', kind: 'cork', thickness: 1.6, length: 30, width: 6 }),
    entry(5, 'order', { lines: [{ item: 'pad-16', count: 10 }] }),
    entry(6, 'arrival', { order: id(5), lines: [{ item: 'pad-16', count: 4 }] }),
    entry(7, 'move', { item: 'pad-16', why: 'counted', count: 15 }),
    entry(8, 'arrival', { order: id(5), lines: [{ item: 'pad-16', count: 6 }] }),
    entry(9, 'offcut', { id: 'cut-1', kind: 'cork', thickness: 1.6, length: 30, width: 6, gone: true }),
  ];
  test.each(story.map((_, i) => i))('is what the logbook will say when it has taken them: %i there before', (cut) => {
    const known = foldStock(story.slice(0, cut));
    expect(stockWith(known, story.slice(cut).map(fresh))).toEqual(foldStock(story));
  });
  test('a strike waits for the logbook; an entry that cannot be read stays shown meanwhile', () => {
    const unread = [{ entry: id(40), problem: 'move: was never one' }];
    const known = { ...foldStock(story), unread };
    const waiting = [entry(10, 'strike', { entry: id(7) }), entry(11, 'strike', { entry: id(40) })].map(fresh);
    expect(stockWith(known, waiting)).toEqual({ ...known, seq: 11 });
  });
});

describe('the sizes advice is made of', () => {
  test('are those of the drawers where something has its place there, and as the shop said where nothing has', () => {
    const stock = foldStock([
      entry(1, 'item', { ...pad({ id: 'a', kind: 'ball' }), thickness: undefined }),
      entry(2, 'item', { ...pad({ id: 'b', kind: 'ball', diameter: 20 }), thickness: undefined }),
      entry(3, 'move', { item: 'b', why: 'counted', count: 1 }),
      entry(4, 'item', { ...pad({ id: 'c', kind: 'shim', thickness: 0.1 }), diameter: undefined, retired: true }),
    ]);
    const { sizes, stocked } = sizesOfStock(usualSizes, stock);
    expect(stocked).toEqual(['balls']);
    // What has run out is not there.
    expect(sizes.balls).toEqual([20]);
    expect({ ...sizes, balls: [] }).toEqual(usualSizes);
  });
});

describe('orders', () => {
  const ordered = (count: number) => entry(3, 'order', { lines: [{ item: 'pad-16', count }] });
  const arrived = (seq: number, count: number, more: object = {}) =>
    entry(seq, 'arrival', { order: id(3), lines: count > 0 ? [{ item: 'pad-16', count }] : [], ...more });
  const story = [entry(1, 'item', pad()), entry(2, 'move', { item: 'pad-16', why: 'counted', count: 2 })];
  test('what arrives goes into its drawer; an order is over when all has come, or when nothing more is waited for', () => {
    const after = (...more: StockEntry[]) => {
      const { items, orders } = foldStock([...story, ordered(10), ...more]);
      return [items[0]?.count, orders[0]?.closed, orders[0]?.lines[0]?.arrived];
    };
    expect(after()).toEqual([2, false, 0]);
    expect(after(arrived(4, 6))).toEqual([8, false, 6]);
    expect(after(arrived(4, 6), arrived(5, 4))).toEqual([12, true, 10]);
    expect(after(arrived(4, 6), arrived(5, 0, { closed: true }))).toEqual([8, true, 6]);
  });
  test('more shops of orders than anybody looks back on are not sent to pages', () => {
    const many = Array.from({ length: 30 }, (_, i) => [
      entry(10 + 2 * i, 'order', { lines: [{ item: 'pad-16', count: 1 }] }),
      entry(11 + 2 * i, 'arrival', { order: id(10 + 2 * i), lines: [], closed: true }),
    ]).flat();
    expect(foldStock([...story, ...many]).orders).toHaveLength(20);
  });
  const proposal = (
    item: object,
    count: number,
    needs: number[],
    more: StockEntry[] = [],
    spares = { percent: 10, least: 1 },
  ) => {
    const book = foldStockBook(freshStockBook, [
      entry(1, 'item', pad(item)),
      entry(2, 'move', { item: 'pad-16', why: 'counted', count }),
      entry(90, 'spares', spares),
      ...more,
    ]);
    return orderProposal(
      stockOf(book),
      needs.map((each) => ({ item: 'pad-16', count: each })),
    ).map(({ needed, onTheWay, spare, count: order }) => [needed, onTheWay, spare, order]);
  };
  test('what open jobs need and its spares, less what is there', () => {
    expect(proposal({}, 2, [5, 4])).toEqual([[9, 0, 1, 8]]);
    expect(proposal({}, 2, [20, 10], [], { percent: 10, least: 2 })).toEqual([[30, 0, 3, 31]]);
    expect(proposal({}, 0, [])).toEqual([]);
    // Enough for the jobs: spares alone send nobody to order.
    expect(proposal({}, 9, [5, 4])).toEqual([]);
    expect(proposal({}, 8, [5, 4])).toEqual([[9, 0, 1, 2]]);
  });
  test('below the low mark it is ordered up to it; what is on its way counts as there', () => {
    expect(proposal({ low: 6 }, 4, [])).toEqual([[0, 0, 0, 2]]);
    expect(proposal({ low: 6 }, 6, [])).toEqual([]);
    expect(proposal({ low: 6 }, 6, [3])).toEqual([[3, 0, 1, 3]]);
    expect(proposal({}, 2, [9], [ordered(10)])).toEqual([]);
    expect(proposal({}, 2, [9], [ordered(4)])).toEqual([[9, 4, 1, 4]]);
    expect(proposal({}, 2, [9], [ordered(4), arrived(4, 0, { closed: true })])).toEqual([[9, 0, 1, 8]]);
  });
  test('in whole bags where it comes in bags; a drawer that was put away only as far as a job needs it', () => {
    expect(proposal({ lot: 6 }, 2, [5, 4])).toEqual([[9, 0, 1, 12]]);
    expect(proposal({ retired: true, low: 5 }, 0, [])).toEqual([]);
    expect(proposal({ retired: true }, 0, [2])).toHaveLength(1);
  });
  test('grouped by kind, then by size', () => {
    const items = [
      pad({ id: 'c', kind: 'shim', diameter: undefined, thickness: 0.05, low: 1 }),
      pad({ id: 'a', diameter: 17, low: 1 }),
      pad({ id: 'b', low: 1 }),
      pad({ id: 'd', thickness: 2.4, low: 1 }),
    ];
    const stock = foldStock(items.map((item, i) => entry(i + 1, 'item', item)));
    expect(orderProposal(stock, []).map(({ item }) => item.id)).toEqual(['d', 'b', 'a', 'c']);
  });
  test('an empty shop has empty drawers and the usual rule for spares', () => {
    expect(emptyStock).toMatchObject({ items: [], orders: [], offcuts: [], spares: { percent: 10, least: 1 } });
  });
});
