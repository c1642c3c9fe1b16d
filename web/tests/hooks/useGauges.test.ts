/** @jest-environment jsdom */
import { expect, jest, test } from '@jest/globals';
import type { LiveEvent } from '../../src/live/live';

let tell: (event: LiveEvent) => void = () => undefined;
jest.unstable_mockModule('../../src/live/live', () => ({
  useLive: (onEvent: typeof tell) => {
    tell = onEvent;
  },
}));
const { act, renderHook } = await import('@testing-library/react');
const { useGauges } = await import('../../src/figure/useGauges');

test('a figure goes to who asked, who is there is shown, the rest is none of its business', () => {
  const figures: unknown[] = [];
  const hook = renderHook(() => useGauges((reading) => figures.push(reading)));
  expect(hook.result.current).toBeNull();
  const state = { connected: 1, places: 2 };
  const says = (event: object) => act(() => tell(event as LiveEvent));
  says({ event: 'state', data: state });
  says({ event: 'reading', data: { value: 3 } });
  says({ event: 'shop', data: {} });
  expect(hook.result.current).toEqual(state);
  expect(figures).toEqual([{ value: 3 }]);
});
