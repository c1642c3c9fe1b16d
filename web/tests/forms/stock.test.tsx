/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals';
import { foldStock, stockEntryProblems, type StockEntry, type StockEntryBody } from '@holotonos/core';
import { cleanup, render } from '@testing-library/react';
import { randomUUID } from 'node:crypto';
import { ItemForm } from '../../src/app/stock/_stock/ItemForm';
import type { WriteStock } from '../../src/shop/useStock';
import { alerts, field, press, type } from './shopBench';

afterEach(cleanup);

/** The form of something in a drawer over a logbook of drawers; `done` counts how often it was closed. */
function drawer() {
  const entries: StockEntry[] = [];
  const bench = { done: 0, refuses: null as string | null, entries };
  const write = ((kind: StockEntry['kind'], body: StockEntryBody<'item'>) => {
    if (bench.refuses !== null) return Promise.resolve(bench.refuses);
    const entry = { id: randomUUID(), kind, body, author: 'Juno Tam', benchTime: '2026-11-23T09:00:00.000Z' };
    const wrong = stockEntryProblems(entry);
    if (wrong.length > 0) return Promise.resolve(wrong.map(({ message }) => message).join());
    entries.push({ ...entry, seq: entries.length + 1, receivedAt: entry.benchTime } as StockEntry);
    return Promise.resolve(null);
  }) as WriteStock;
  const stock = () => foldStock(entries);
  const show = () =>
    render(
      <ItemForm
        item={stock().items[0] ?? null}
        stock={stock()}
        currency="EUR"
        write={write}
        done={() => void (bench.done += 1)}
      />,
    );
  return { bench, stock, show };
}

test('something new and how many there are is one entry; said otherwise, the count goes only where it changed', async () => {
  const { bench, stock, show } = drawer();
  const first = show();
  type(/^Diameter/, '16');
  type(/^Thickness/, '2.6');
  type('How many there', '12');
  await press('Give it a place');
  expect(bench.entries.map(({ body }) => body)).toMatchObject([{ diameter: 16, have: 12 }]);
  expect([stock().items[0]?.count, bench.done]).toEqual([12, 1]);
  first.unmount();
  show();
  expect(field('How many there').value).toBe('12');
  type('Material', 'skin');
  await press('Keep it so');
  expect(bench.entries[1]?.body).not.toHaveProperty('have');
  expect(stock().items[0]).toMatchObject({ material: 'skin', count: 12 });
});

test('what is refused is said, and what was typed stays', async () => {
  const { bench, show } = drawer();
  bench.refuses = 'The database does not answer.';
  show();
  type(/^Diameter/, '16');
  type(/^Thickness/, '2.6');
  await press('Give it a place');
  expect(alerts().join()).toContain('does not answer');
  expect([field(/^Diameter/).value, bench.done]).toEqual(['16', 0]);
});
