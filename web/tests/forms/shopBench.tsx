import { foldShop, shopEntryProblems, type ShopEntry, type ShopEntryKind, type ShopState } from '@holotonos/core';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { randomUUID } from 'node:crypto';
import { useState, type ReactElement } from 'react';
import { BenchProvider } from '../../src/frame/BenchContext';
import type { PutShop, WriteShop } from '../../src/shop/useShop';

const when = '2026-11-23T09:00:00.000Z';

/**
 * A page of the shop: what its forms write is checked by the schemas and folded in, as the server does, and kept in
 * order.
 */
export function shopBench(
  show: (shop: ShopState, write: WriteShop, put: PutShop) => ReactElement,
  before: { kind: ShopEntryKind; body: unknown }[] = [],
) {
  const entryOf = ({ kind, body }: { kind: ShopEntryKind; body: unknown }, seq: number) =>
    ({ id: randomUUID(), kind, body, author: 'Juno Tam', benchTime: when, receivedAt: when, seq }) as ShopEntry;
  const entries: ShopEntry[] = before.map((each, i) => entryOf(each, i + 1));
  const bench = {
    written: [] as { kind: ShopEntryKind; body: Record<string, unknown> }[],
    /** what the server says instead of taking anything */
    refuses: null as string | null,
  };
  function Page() {
    const [shop, setShop] = useState(() => foldShop(entries));
    const write = (kind: ShopEntryKind, body: unknown) => {
      if (bench.refuses !== null) return Promise.resolve(bench.refuses);
      const entry = entryOf({ kind, body }, entries.length + 1);
      const { id, author, benchTime } = entry;
      const problems = shopEntryProblems({ id, kind, body, author, benchTime });
      if (problems.length > 0)
        return Promise.resolve(problems.map(({ path, message }) => `${path} ${message}`).join('; '));
      entries.push(entry);
      bench.written.push({ kind, body: body as Record<string, unknown> });
      setShop(foldShop(entries));
      return Promise.resolve(null);
    };
    const put: PutShop = (kind, body) => void write(kind, body);
    return <BenchProvider zone="Europe/Berlin">{show(shop, write as WriteShop, put)}</BenchProvider>;
  }
  render(<Page />);
  return bench;
}

/** A field by its label. */
export const field = (label: string | RegExp) => screen.getByLabelText<HTMLInputElement>(label);
export const type = (label: string | RegExp, value: string) => fireEvent.change(field(label), { target: { value } });
export const tick = (label: string | RegExp) => fireEvent.click(field(label));
export const button = (name: string | RegExp) => screen.getByRole<HTMLButtonElement>('button', { name });
/** Presses a button and lets what it sets going arrive. */
export const press = (name: string | RegExp) =>
  act(async () => {
    fireEvent.click(button(name));
    await Promise.resolve();
  });
export const alerts = () => screen.queryAllByRole('alert').map((each) => each.textContent);
