/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { useKeysHere, usePageKeys } from '../../src/frame/keysHere';
import type { KeyHelp } from '../../src/frame/pageKeys';

afterEach(cleanup);
const keysOf = (...names: string[]): KeyHelp[] => names.map((keys) => ({ keys, does: `does ${keys}` }));
let drawn = 0;
function Page({ keys }: { keys: readonly KeyHelp[] }) {
  usePageKeys(keys);
  drawn += 1;
  return null;
}
function Help() {
  return <p role="note">{JSON.stringify(useKeysHere())}</p>;
}
const shown = () => JSON.parse(screen.getByRole('note').textContent ?? '') as unknown;

test('a page says its keys to the help alone, changes them with itself, and takes them along', () => {
  const both = (keys: readonly KeyHelp[] | null) => (
    <>
      <Help />
      {keys && <Page keys={keys} />}
    </>
  );
  const { rerender } = render(both(keysOf('a', 'b')));
  expect(shown()).toEqual(keysOf('a', 'b'));
  expect(drawn).toBe(1);
  // The same keys in another list are no change.
  rerender(both(keysOf('a', 'b')));
  expect([shown(), drawn]).toEqual([keysOf('a', 'b'), 2]);
  rerender(both(keysOf('c')));
  expect([shown(), drawn]).toEqual([keysOf('c'), 3]);
  rerender(both(null));
  expect(shown()).toEqual([]);
});
