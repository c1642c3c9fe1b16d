/** @jest-environment jsdom */
import { afterEach, expect, jest, test } from '@jest/globals';

const prefetched: unknown[] = [];
jest.unstable_mockModule('next/link', () => ({
  default: ({ children, prefetch, ...props }: Record<string, unknown> & { children: never }) => {
    prefetched.push(prefetch);
    return <a {...props}>{children}</a>;
  },
}));
const { cleanup, fireEvent, render, screen } = await import('@testing-library/react');
const { Link } = await import('../../src/ui/Link');

afterEach(cleanup);

test.each(['pointerEnter', 'focus'] as const)('a page is fetched ahead once there is a %s, and not before', (near) => {
  prefetched.length = 0;
  const heard = jest.fn();
  render(
    <Link href="/week" {...(near === 'focus' ? { onFocus: heard } : { onPointerEnter: heard })}>
      Week
    </Link>,
  );
  const link = screen.getByRole('link', { name: 'Week' });
  expect(link.getAttribute('href')).toBe('/week');
  expect(prefetched).toEqual([false]);
  fireEvent[near](link);
  // As the framework does it by itself for a link it sees.
  expect(prefetched).toEqual([false, null]);
  expect(heard).toHaveBeenCalledTimes(1);
});
