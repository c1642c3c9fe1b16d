/** @jest-environment jsdom */
import { afterEach, expect, jest, test } from '@jest/globals';
import { newPiece } from '@holotonos/core';
import { act, cleanup, renderHook } from '@testing-library/react';
import { shelfKey } from '../../src/app/pieces/_pieces/keptPieces';
import { usePieces } from '../../src/app/pieces/_pieces/usePieces';

const piece = newPiece({ instrument: 'concert-flute', practice: 'stage', grade: 1, seed: 4 });
const ids = (pieces: ReturnType<typeof usePieces>['pieces']) => pieces?.map(({ id }) => id);

afterEach(() => {
  cleanup();
  jest.restoreAllMocks();
  localStorage.clear();
});

test('a piece that is taken up stands on every shelf of the page, and is dropped from all', () => {
  const one = renderHook(() => usePieces());
  const other = renderHook(() => usePieces());
  expect(one.result.current.pieces).toEqual([]);
  let id: string | null = null;
  act(() => void (id = one.result.current.takeUp(piece, '')));
  expect(id).toMatch(/^[0-9a-f-]{36}$/);
  expect([ids(one.result.current.pieces), ids(other.result.current.pieces)]).toEqual([[id], [id]]);
  // It begins with its intake, by somebody nobody named.
  const [kept] = one.result.current.pieces ?? [];
  expect(kept).toMatchObject({ done: false, piece: { title: piece.title } });
  expect(kept?.entries.map(({ kind, author, seq }) => [kind, author === '', seq])).toEqual([['intake', false, 1]]);
  act(() => other.result.current.drop(id ?? ''));
  expect([ids(one.result.current.pieces), ids(other.result.current.pieces)]).toEqual([[], []]);
});

test('the list is the same one as long as nothing was written', () => {
  const { result, rerender } = renderHook(() => usePieces());
  act(() => void result.current.takeUp(piece, 'Juno Tam'));
  const { pieces } = result.current;
  rerender();
  expect(result.current.pieces).toBe(pieces);
  expect(pieces?.[0]?.entries[0]?.author).toBe('Juno Tam');
});

test('what another window has written is taken up when it tells', () => {
  const { result, unmount } = renderHook(() => usePieces());
  act(() => void result.current.takeUp(piece, 'Juno Tam'));
  localStorage.setItem(shelfKey, '[]');
  expect(result.current.pieces).toHaveLength(1);
  act(() => void window.dispatchEvent(new Event('storage')));
  expect(result.current.pieces).toEqual([]);
  const left = jest.spyOn(window, 'removeEventListener');
  unmount();
  expect(left.mock.calls.map(([name]) => name).sort((a, b) => a.localeCompare(b))).toEqual([
    'holotonos-pieces-changed',
    'storage',
  ]);
});

test('a browser without room says so', () => {
  const { result } = renderHook(() => usePieces());
  jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new Error('full');
  });
  let id: string | null = 'some';
  act(() => void (id = result.current.takeUp(piece, 'Juno Tam')));
  expect([id, result.current.pieces]).toEqual([null, []]);
});
