import { describe, expect, test } from '@jest/globals';
import { emptyStock, type StockItem, type StockState } from '@holotonos/core';
import { readMove, stockLines, toOrder } from './stockLines';

const item = (id: string, more: Partial<StockItem> = {}): StockItem => ({
  id,
  kind: 'pad',
  diameter: 16,
  thickness: 2.6,
  soldIn: 'mm',
  counted: 'piece',
  count: 5,
  ...more,
});
const stock = (items: StockItem[], orders: StockState['orders'] = []): StockState => ({ ...emptyStock, items, orders });
const all = { search: '', kind: null, today: '2026-11-23' } as const;

describe('the drawers as a list', () => {
  test('kind by kind and by size; pierced pads after closed ones; what was put away is not there', () => {
    const items = [
      item('shim', { kind: 'shim', diameter: undefined, thickness: 0.05 }),
      item('wide', { diameter: 18 }),
      item('pierced', { hole: 6 }),
      item('thin', { thickness: 2.2 }),
      item('plain'),
      item('gone', { retired: true }),
    ].map(({ diameter, ...rest }) => ({ ...rest, ...(diameter !== undefined && { diameter }) }));
    const ids = (question = {}) => stockLines(stock(items), [], { ...all, ...question }).map((line) => line.item.id);
    expect(ids()).toEqual(['thin', 'plain', 'wide', 'pierced', 'shim']);
    expect(ids({ kind: 'shim' })).toEqual(['shim']);
    expect(ids({ search: 'PIERCED 6' })).toEqual(['pierced']);
    expect(ids({ search: 'shims' })).toEqual(['shim']);
    expect(ids({ search: 'pad 99' })).toEqual([]);
  });
  test('says the first thing that is to be seen to', () => {
    const alarm = (more: Partial<StockItem>, needs = 0) =>
      stockLines(stock([item('a', more)]), needs > 0 ? [{ item: 'a', count: needs }] : [], all)[0]?.alarm;
    expect(alarm({})).toBeNull();
    expect(alarm({ low: 5 })).toBeNull();
    expect(alarm({ low: 6 })).toBe('low');
    expect(alarm({ low: 6 }, 6)).toBe('short');
    expect(alarm({}, 5)).toBeNull();
    expect(alarm({ count: -1 })).toBe('count again');
    expect(alarm({ useBy: '2026-11-23' })).toBeNull();
    expect(alarm({ useBy: '2026-11-22' })).toBe('past its day');
  });
  test('adds up what jobs need and what is on its way', () => {
    const order = { id: 'o', by: 'x', at: '', note: '', closed: false, lines: [{ item: 'a', count: 10, arrived: 4 }] };
    const needs = [
      { item: 'a', count: 2 },
      { item: 'a', count: 3 },
    ];
    const lines = (closed: boolean) => stockLines(stock([item('a')], [{ ...order, closed }]), needs, all)[0];
    expect(lines(false)).toMatchObject({ needed: 5, coming: 6 });
    expect(lines(true)).toMatchObject({ needed: 5, coming: 0 });
  });
  test('an order names the tickets that ask for each thing', () => {
    const needs = [
      { ticket: 'LL-1', item: 'a', count: 4 },
      { ticket: 'LL-2', item: 'a', count: 4 },
    ];
    expect(toOrder(stock([item('a')]), needs)).toMatchObject([
      { title: 'Pad 16 mm × 2.6 mm', count: 4, tickets: ['LL-1', 'LL-2'] },
    ]);
  });
});

describe('what is typed at a drawer', () => {
  test('is a count, or with a sign so many taken or put back', () => {
    expect(readMove('12')).toEqual({ why: 'counted', count: 12 });
    expect(readMove(' 0 ')).toEqual({ why: 'counted', count: 0 });
    expect(readMove('-3')).toEqual({ why: 'taken', count: 3 });
    expect(readMove('− 3')).toEqual({ why: 'taken', count: 3 });
    expect(readMove('+1,5')).toEqual({ why: 'put-back', count: 1.5 });
  });
  test.each(['', 'x', '--3', '3-', '+'])('%p is none', (typed) => {
    expect(readMove(typed)).toEqual({ problem: expect.stringMatching(/^Type how many/) });
  });
});
