import { describe, expect, test } from '@jest/globals';
import { stockEntryProblems, stockKinds, type StockItem } from '@holotonos/core';
import { readItem, sizesOf, type ItemText } from './readItem';

const text = (more: Partial<ItemText> = {}): ItemText => ({
  kind: 'pad',
  soldIn: 'mm',
  counted: 'piece',
  sizes: { diameter: '16', thickness: '2,6' },
  name: '',
  material: '',
  form: '',
  count: '',
  low: '',
  lot: '',
  price: '',
  useBy: '',
  ...more,
});
const read = (more: Partial<ItemText> = {}, known: StockItem[] = [], before: StockItem | null = null) =>
  readItem(text(more), known, before, 'EUR');

describe('something in a drawer as it is typed', () => {
  test('sizes in the unit it is sold in, or in the one that is named', () => {
    expect(read()).toEqual({
      ok: true,
      count: null,
      item: { id: 'pad-16-2-6', kind: 'pad', soldIn: 'mm', counted: 'piece', diameter: 16, thickness: 2.6 },
    });
    const inches = read({ kind: 'rod', soldIn: 'in', sizes: { diameter: '0.1', length: '300 mm' } });
    expect(inches).toMatchObject({ ok: true, item: { diameter: 2.54, length: 300 } });
  });
  test('counts, marks, bag and price; a size the kind does not have is left out', () => {
    const made = read({
      count: '12',
      low: '4',
      lot: '6',
      price: '2,40',
      material: ' skin ',
      sizes: { diameter: '16', thickness: '2.6', width: '9' },
    });
    expect(made).toMatchObject({ ok: true, count: 12, item: { low: 4, lot: 6, price: 240, material: 'skin' } });
    expect(made.ok && 'width' in made.item).toBe(false);
  });
  test('what is wrong is said at its field', () => {
    const wrong = (more: Partial<ItemText>) => {
      const made = read(more);
      return made.ok ? '' : made.problem;
    };
    expect(wrong({ sizes: { diameter: '16' } })).toMatch(/^Thickness: it is what tells a pad from another/);
    expect(wrong({ sizes: { diameter: 'x', thickness: '1' } })).toMatch(/^Diameter: /);
    expect(wrong({ count: '-1' })).toMatch(/^How many there: /);
    expect(wrong({ low: 'few' })).toMatch(/^Low mark: /);
    expect(wrong({ price: '1.234' })).toMatch(/^Price of one: /);
  });
  test('a new thing never takes the id of another; what is changed keeps its own', () => {
    const first = read();
    const known = first.ok ? [{ ...first.item, count: 0 }] : [];
    expect(read({}, known)).toMatchObject({ ok: true, item: { id: 'pad-16-2-6-2' } });
    expect(read({ sizes: { diameter: '17', thickness: '3' } }, known, known[0])).toMatchObject({
      ok: true,
      item: { id: 'pad-16-2-6', diameter: 17 },
    });
  });
  test.each(stockKinds)('a %s with its sizes is taken by the logbook', (kind) => {
    const sizes = Object.fromEntries(sizesOf(kind).map((size, i) => [size, String(9 - i)]));
    const made = read({ kind, sizes, name: 'Something' });
    const entry = {
      id: '00000000-0000-4000-8000-000000000001',
      kind: 'item',
      author: 'x',
      benchTime: '2026-11-23T09:00:00.000Z',
      body: made.ok ? made.item : {},
    };
    expect(stockEntryProblems(entry)).toEqual([]);
  });
});
