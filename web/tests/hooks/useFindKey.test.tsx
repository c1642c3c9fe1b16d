/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, renderHook, screen } from '@testing-library/react';

const push = jest.fn();
jest.unstable_mockModule('next/navigation', () => ({ useRouter: () => ({ push }) }));
const { useFindKey } = await import('../../src/frame/useFindKey');
beforeEach(() => void push.mockClear());
afterEach(cleanup);

const press = (target: Element | Window, key: string, held: object = {}) => fireEvent.keyDown(target, { key, ...held });

test('a stroke leads to the search, but not from a field, where it may belong to a figure', () => {
  renderHook(() => useFindKey(true));
  render(<input aria-label="figure" />);
  press(screen.getByLabelText('figure'), '/');
  expect(push).not.toHaveBeenCalled();
  press(screen.getByLabelText('figure'), 'k', { ctrlKey: true });
  expect(push).toHaveBeenCalledWith('/find');
  // The stroke itself goes no further: a browser would open a search of its own.
  expect(press(document.body, '/')).toBe(false);
  expect(push).toHaveBeenCalledTimes(2);
  expect(press(document.body, 'x')).toBe(true);
});
test('other keys, and keys with others held, mean what they mean elsewhere', () => {
  renderHook(() => useFindKey(true));
  for (const [key, held] of [
    ['k', {}],
    ['/', { altKey: true }],
    ['/', { ctrlKey: true }],
    ['k', { ctrlKey: true, altKey: true }],
  ] as const)
    press(document.body, key, held);
  const taken = new KeyboardEvent('keydown', { key: '/', cancelable: true });
  taken.preventDefault();
  window.dispatchEvent(taken);
  expect(push).not.toHaveBeenCalled();
});
test('the page of an owner has no search, and a page that is left listens no longer', () => {
  renderHook(() => useFindKey(false));
  press(document.body, '/');
  const { unmount } = renderHook(() => useFindKey(true));
  unmount();
  press(document.body, '/');
  expect(push).not.toHaveBeenCalled();
});
