/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';

jest.unstable_mockModule('next/link', () => ({
  default: ({ children, prefetch: _, ...props }: Record<string, unknown> & { children: never }) => (
    <a {...props}>{children}</a>
  ),
}));
const { cleanup, fireEvent, render, screen } = await import('@testing-library/react');
const { FirstHour } = await import('../../src/app/_bench/FirstHour');

beforeEach(() => localStorage.clear());
afterEach(cleanup);

const next = () => document.querySelector('[aria-current=step] strong')?.textContent;

test('one thing is next; what the shop has is done, what is not wanted is put aside and stays so', () => {
  const { unmount } = render(<FirstHour done={['people']} />);
  expect(screen.getByText('(done)').previousElementSibling?.textContent).toBe('Who works here, and when');
  expect(next()).toBe('What you measure with');
  fireEvent.click(screen.getByRole('button', { name: 'Not now: What you measure with' }));
  expect(next()).toBe('How strict you are');
  // Any of them may be put aside, not only the next.
  fireEvent.click(screen.getByRole('button', { name: /^Not now: Take the first/ }));
  expect(next()).toBe('How strict you are');
  unmount();
  render(<FirstHour done={[]} />);
  expect(next()).toBe('Who works here, and when');
  expect(screen.getAllByText('(put aside)')).toHaveLength(2);
});
test('with everything put aside nothing is next, and a damaged note of it is none', () => {
  const { unmount } = render(<FirstHour done={[]} />);
  for (const button of screen.getAllByRole('button')) fireEvent.click(button);
  expect(next()).toBeUndefined();
  unmount();
  localStorage.setItem('holotonos-first-hour', '{"aside":7}');
  render(<FirstHour done={[]} />);
  expect(screen.getAllByRole('button')).toHaveLength(5);
});
