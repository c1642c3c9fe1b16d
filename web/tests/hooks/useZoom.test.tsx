/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { act, cleanup, render, screen } from '@testing-library/react';
import { useZoom } from '../../src/tube/useZoom';

let zoom: ReturnType<typeof useZoom>;
function Drawing() {
  const now = useZoom(400, 100);
  zoom = now;
  return (
    <svg ref={now.svg} data-testid="drawing" width="400" height="100">
      <g transform={now.transform.toString()} data-testid="inside">
        <rect className="movable" data-testid="part" />
      </g>
    </svg>
  );
}
const scale = () => zoom.transform.k;
const at = () => zoom.transform.invert([200, 50]);
const on = (id: string, event: Event) => act(() => void screen.getByTestId(id).dispatchEvent(event));
const wheel = (more: WheelEventInit) =>
  new WheelEvent('wheel', { deltaY: -120, clientX: 200, clientY: 50, bubbles: true, cancelable: true, ...more });
const mouse = (name: string, x: number, more: MouseEventInit = {}) =>
  new MouseEvent(name, { clientX: x, clientY: 50, bubbles: true, cancelable: true, view: window, ...more });
const drag = (id: string, more: MouseEventInit = {}) => {
  on(id, mouse('mousedown', 200, more));
  act(() => void window.dispatchEvent(mouse('mousemove', 150, more)));
  act(() => void window.dispatchEvent(mouse('mouseup', 150, more)));
};

beforeEach(async () => {
  render(<Drawing />);
  // What zooms comes in a piece of its own.
  await act(async () => {
    await import('../../src/tube/zooming');
    await new Promise((resolve) => setTimeout(resolve, 20));
  });
});
afterEach(cleanup);

test('stands whole until somebody zooms; by steps, between whole and ten times, and back', () => {
  expect([scale(), at()]).toEqual([1, [200, 50]]);
  act(() => zoom.by(2));
  expect(scale()).toBe(2);
  act(() => zoom.by(100));
  expect(scale()).toBe(10);
  act(() => zoom.by(0.001));
  expect(scale()).toBe(1);
  act(() => zoom.by(4));
  act(() => zoom.fit());
  expect([scale(), at()]).toEqual([1, [200, 50]]);
});

test('the wheel zooms with Ctrl held; without it the page scrolls', () => {
  on('drawing', wheel({}));
  expect(scale()).toBe(1);
  on('drawing', wheel({ ctrlKey: true }));
  expect(scale()).toBeGreaterThan(1);
});

test('a drag pans, but not one of a part that is moved, nor with another button; a double click zooms nothing', () => {
  act(() => zoom.by(4));
  const middle = at();
  drag('part');
  drag('drawing', { button: 2 });
  on('drawing', mouse('dblclick', 200));
  expect([scale(), at()]).toEqual([4, middle]);
  drag('drawing');
  expect(scale()).toBe(4);
  expect(at()[0]).toBeCloseTo((middle[0] ?? 0) + 50 / 4, 9);
});

test('a spot is brought into view at the scale there is, no further than the drawing goes', () => {
  act(() => zoom.by(5));
  act(() => zoom.show(120, 40));
  expect([scale(), ...at().map(Math.round)]).toEqual([5, 120, 40]);
  act(() => zoom.show(0, 0));
  expect(at().map(Math.round)).toEqual([40, 10]);
});

test('a drawing that has gone is zoomed no more', () => {
  const { by, show, fit } = zoom;
  cleanup();
  expect(() => {
    by(2);
    show(1, 1);
    fit();
  }).not.toThrow();
});
