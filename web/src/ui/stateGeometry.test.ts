import { expect, test } from '@jest/globals';
import { stateGeometry } from './stateGeometry';

test.each([4, 8, 24])(
  'every state stands in a box of half %d, and its line is thinner than what it goes round',
  (size) => {
    const { r, stroke, wedge, half, broken } = stateGeometry(size);
    // The line lies half outside of the ring.
    expect(r + stroke / 2).toBeLessThanOrEqual(size);
    expect(stroke).toBeLessThan(r);
    const numbers = (path: string) => (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);
    expect(Math.max(...numbers(wedge).map(Math.abs))).toBe(size);
    // The right half is from the top of the ring to its foot.
    expect(numbers(half).slice(0, 2)).toEqual([0, -r]);
    expect(numbers(half).slice(-2)).toEqual([0, r]);
    // A broken ring shows more line than gap, and both several times.
    const [dash = 0, gap = 0] = numbers(broken);
    expect(dash).toBeGreaterThan(gap);
    expect((2 * Math.PI * r) / (dash + gap)).toBeGreaterThan(2.5);
  },
);
