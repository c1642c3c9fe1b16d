/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { BenchProvider, useBench } from '../../src/frame/BenchContext';

const wrapper = ({ children }: { children: ReactNode }) => <BenchProvider zone="UTC">{children}</BenchProvider>;
const bench = () => renderHook(() => useBench(), { wrapper });
const state = jest.spyOn(document, 'readyState', 'get');
beforeEach(() => {
  localStorage.clear();
  localStorage.setItem('holotonos-author', ' Juno Tam ');
});
afterEach(() => {
  state.mockReset();
});

test('what is written while a page still streams in is under the name the browser remembers', () => {
  state.mockReturnValue('interactive');
  const { result } = bench();
  expect([result.current.author, result.current.who()]).toEqual(['', 'Juno Tam']);
  act(() => void window.dispatchEvent(new Event('load')));
  expect([result.current.author.trim(), result.current.who()]).toEqual(['Juno Tam', 'Juno Tam']);
});
test('a name that was taken out is gone, whatever the browser remembered', () => {
  state.mockReturnValue('complete');
  const { result } = bench();
  expect(result.current.who()).toBe('Juno Tam');
  act(() => result.current.setAuthor(''));
  expect(result.current.who()).toBe('');
});
test('a name typed before the page was there stands', () => {
  state.mockReturnValue('interactive');
  const { result } = bench();
  act(() => result.current.setAuthor('Perrin Oake'));
  expect(result.current.who()).toBe('Perrin Oake');
});
