import { describe, expect, test } from '@jest/globals';
import { runSolver } from '../solvers';
import type { PadChoiceOutput } from './padChoice.schema';
import { padChoiceOrNone } from './solvePadChoice';

const input = {
  cup: { diameter: 31.2, depth: 3.0 },
  stand: 1.1,
  bed: 0.4,
  axisDistance: 27.5,
  limits: { gap: 0.03 },
  stock: [
    { id: 'a', diameter: 31, thickness: 3.6 },
    { id: 'b', diameter: 31, thickness: 4.0 },
    { id: 'c', diameter: 30.5, thickness: 3.7 },
  ],
};
const run = (change: object = {}) => runSolver('pad-choice', JSON.parse(JSON.stringify({ ...input, ...change })));
const solved = (change: object = {}): PadChoiceOutput => {
  const result = run(change);
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return result.output as PadChoiceOutput;
};
const pad = (id: string, diameter: number, thickness: number) => ({ id, diameter, thickness });

describe('a pad for a cup', () => {
  test('as worked on paper', () => {
    expect(solved()).toEqual({
      pad: input.stock[0],
      need: expect.closeTo(3.7, 9),
      error: expect.closeTo(-0.1, 9),
      predicted: { side: 'back', gap: expect.closeTo(0.072093, 6) },
      bedNeeded: expect.closeTo(0.5, 9),
      remedy: 'bed',
    });
  });
  test('nearest in thickness first, then the wider, then as the stock lists them', () => {
    expect(solved({ stock: [pad('x', 31, 3.9), pad('y', 31, 3.6)] }).pad.id).toBe('y');
    expect(solved({ stock: [pad('x', 31, 3.6), pad('y', 31.1, 3.8)] }).pad.id).toBe('y');
    expect(solved({ stock: [pad('x', 31, 3.6), pad('y', 31, 3.8)] }).pad.id).toBe('x');
  });
  test.each([
    [3.7, null, 'as-is'],
    [3.71, 'front', 'as-is'],
    [3.8, 'front', 'bed'],
    [3.2, 'back', 'other-stock'],
    [4.05, 'front', 'other-stock'],
    [3.35, 'back', 'bed'],
  ])('%f mm thick opens at the %s: %s', (thickness, side, remedy) =>
    expect(solved({ stock: [pad('x', 31, thickness)] })).toMatchObject({ predicted: { side }, remedy }),
  );
  test('a bed that would be too thin is shimmed or bent, not floated', () => {
    expect(solved({ bed: 0.2, stock: [pad('x', 31, 4.1)] })).toMatchObject({
      bedNeeded: expect.closeTo(0, 9),
      remedy: 'shim-or-bend',
    });
  });
  test('a thin pad opens where it would: too thick at the front by more than too thin at the back', () => {
    const gap = (thickness: number) => solved({ stock: [pad('x', 31, thickness)] }).predicted.gap;
    expect(gap(3.8)).toBeGreaterThan(gap(3.6));
    expect(gap(3.8)).toBeCloseTo((0.1 * 31) / (27.5 - 15.5), 9);
  });
  test.each<[string, object, string | RegExp]>([
    ['no pad that goes in', { stock: [pad('x', 32, 3.7)] }, /No pad of the stock/],
    ['a pad that reaches its own axis', { axisDistance: 15.5 }, /reaches its own hinge axis/],
    ['two pads of one id', { stock: [pad('x', 31, 3), pad('x', 30, 3)] }, /“x”/],
  ])('%s has no answer', (_, change, words) =>
    expect(run(change)).toMatchObject({ status: 'unsolvable', message: expect.stringMatching(words) }),
  );
  test('asked for one or none, the same pads go in, and none is null', () => {
    expect(padChoiceOrNone(input)).toEqual(solved());
    expect(padChoiceOrNone({ ...input, stock: [pad('x', 31.2, 3.7)] })).toEqual(
      solved({ stock: [pad('x', 31.2, 3.7)] }),
    );
    expect(padChoiceOrNone({ ...input, stock: [pad('x', 32, 3.7)] })).toBeNull();
    expect(padChoiceOrNone({ ...input, axisDistance: 15.5 })).toBeNull();
    expect(() => padChoiceOrNone({ ...input, stock: [pad('x', 31, 3), pad('x', 30, 3)] })).toThrow(/“x”/);
  });
  test('room that runs backwards is refused', () =>
    expect(run({ clearance: [0.3, 0] })).toMatchObject({
      status: 'invalid-input',
      problems: [{ path: '/clearance' }],
    }));
});
