/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import type { MeasureState, MeasuringPoint, ReadingState } from '@holotonos/core';
import { cleanup, render } from '@testing-library/react';
import { FigureReadout } from '../../src/figure/FigureReadout';
import type { Figure } from '../../src/figure/useFigure';
import { strokesOf } from '../../src/frame/sounds';

/** Pitches that were sounded, Hz, with when each began, s. */
let sounded: [number, number][] = [];
class FakeContext {
  currentTime = 10;
  destination = {};
  resume = () => Promise.resolve();
  createOscillator() {
    const frequency = { value: 0 };
    return {
      frequency,
      connect: (to: unknown) => to,
      start: (at: number) => sounded.push([frequency.value, at]),
      stop: () => undefined,
    };
  }
  createGain() {
    const gain = { setValueAtTime: () => undefined, exponentialRampToValueAtTime: () => undefined };
    return { gain, connect: (to: unknown) => to };
  }
}
beforeEach(() => {
  sounded = [];
  localStorage.clear();
  Object.assign(globalThis, { AudioContext: FakeContext });
});
afterEach(cleanup);

const point: MeasuringPoint = { group: 'pad', part: 'e', measure: 'gap', clock: 0 };
const readout = (taken: number, verdict: MeasureState) => (
  <FigureReadout
    figure={{ problem: null, said: '', taken, gauge: null, aimed: '', edited: jest.fn() } as unknown as Figure}
    input={{ current: null }}
    point={point}
    where="E, front"
    next="then the back"
    last={{ reading: { value: 0.05 } as ReadingState, point }}
    unit="mm"
    verdict={verdict}
    limit="limit 0.030 mm"
    onKeyDown={() => undefined}
  />
);

test('there is no sound until somebody wants one', () => {
  const { rerender } = render(readout(0, 'within'));
  rerender(readout(1, 'outside'));
  expect(sounded).toEqual([]);
});
test('a figure that was taken ticks once, one that lies outside knocks twice; what stood there before is silent', () => {
  localStorage.setItem('holotonos-sounds', '{"on":true}');
  const { rerender } = render(readout(3, 'outside'));
  expect(sounded).toEqual([]);
  rerender(readout(4, 'within'));
  const [tick] = strokesOf('within');
  expect(sounded).toEqual([[tick?.pitch, 10]]);
  // Another part is looked at: nothing was taken.
  rerender(readout(4, 'outside'));
  expect(sounded).toHaveLength(1);
  rerender(readout(5, 'outside'));
  expect(sounded.slice(1)).toEqual(strokesOf('outside').map(({ pitch, at }) => [pitch, 10 + at]));
  expect(strokesOf('outside')).toHaveLength(2);
});
test('a browser that has no sounds stays silent, and a damaged note of them is none', () => {
  Reflect.deleteProperty(globalThis, 'AudioContext');
  localStorage.setItem('holotonos-sounds', '{"on":true}');
  const { rerender } = render(readout(0, 'within'));
  rerender(readout(1, 'within'));
  Object.assign(globalThis, { AudioContext: FakeContext });
  localStorage.setItem('holotonos-sounds', '{"on":tr');
  rerender(readout(2, 'within'));
  expect(sounded).toEqual([]);
});
