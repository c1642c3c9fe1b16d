import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runSolver } from '../solvers';
import { TestJob } from '../../tests/testJob';
import { misfits, type NewEntry } from '../job';
import { solveBushing, type BushingInput } from '.';

const input: BushingInput = {
  hole: { diameter: 3.1 },
  wall: 7,
  leave: 1.5,
  cutters: [3.2, 3.5, 4, 4.5],
  bushes: [
    { outer: 3.4, length: 4 },
    { outer: 3.9, length: 6 },
    { outer: 4.3, length: 5 },
  ],
  gap: [0.04, 0.08],
};

describe('bushing', () => {
  test('the smallest cutter that cleans the hole and has a bush with room for adhesive', () => {
    const output = solveBushing(input);
    expect(output).toMatchObject({ cutter: 3.5, bush: { outer: 3.4, length: 4, cutTo: null } });
    expect(output.gap).toBeCloseTo(0.05, 12);
    // 4 mm of bush, 0.1 below the surface, 0.05 of adhesive at its end.
    expect(output.depth).toBeCloseTo(4.15, 12);
    expect(output.left).toBeCloseTo(2.85, 12);
    expect(output.adhesive).toBeCloseTo((Math.PI / 4) * (3.5 ** 2 * 4.05 - 3.4 ** 2 * 4), 9);
  });
  test('a bush that would reach the bore is cut to length', () => {
    const output = solveBushing({ ...input, wall: 5, bushes: [{ outer: 3.4, length: 4 }] });
    expect(output.bush.cutTo).toBeCloseTo(5 - 1.5 - 0.1 - 0.04, 12);
    expect(output.left).toBeGreaterThanOrEqual(1.5 - 1e-9);
  });
  test.each<[string, Partial<BushingInput>, RegExp]>([
    ['a wall too thin', { wall: 4, leave: 1.5 }, /would reach the bore/],
    ['no cutter large enough', { cutters: [3.2] }, /No cutter of 3.30 mm or more/],
    ['no bush with the right gap', { bushes: [{ outer: 3.3, length: 4 }] }, /No cutter/],
  ])('%s is refused in words', (_name, change, words) => {
    const result = runSolver('bushing', { ...input, ...change });
    expect(result.status === 'unsolvable' && result.message).toMatch(words);
  });
  test.each<[string, object, string]>([
    ['a reversed gap', { gap: [0.2, 0.1] }, '/gap'],
    ['leaving more than there is', { leave: 8 }, '/leave'],
    ['no cutters', { cutters: [] }, '/cutters'],
    ['an unknown field', { glue: 'any' }, '/glue'],
  ])('%s is bad input', (_name, change, path) => {
    const result = runSolver('bushing', { ...input, ...change });
    expect(result.status === 'invalid-input' && result.problems.map((problem) => problem.path)).toContain(path);
  });
  test('whatever it answers, the bore is never reached, the gap is kept and the bush sits below the surface', () => {
    const size = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        fc.record({
          hole: fc.record({ diameter: size(2, 4) }),
          wall: size(4, 10),
          leave: size(0.5, 3),
          cutters: fc.array(size(2.5, 6), { minLength: 1, maxLength: 6 }),
          bushes: fc.array(fc.record({ outer: size(2.4, 6), length: size(2, 8) }), { minLength: 1, maxLength: 6 }),
        }),
        (random) => {
          const result = runSolver('bushing', { ...random, gap: [0.02, 0.2] });
          if (result.status !== 'solved') return;
          const { left, gap, cutter, bush, depth } = result.output as ReturnType<typeof solveBushing>;
          expect(left).toBeGreaterThanOrEqual(random.leave - 1e-9);
          expect(gap).toBeGreaterThanOrEqual(0.02 - 1e-9);
          expect(gap).toBeLessThanOrEqual(0.2 + 1e-9);
          expect(cutter).toBeGreaterThanOrEqual(random.hole.diameter + 0.2 - 1e-9);
          expect((bush.cutTo ?? bush.length) + 0.1).toBeLessThanOrEqual(depth + 1e-9);
        },
      ),
      { numRuns: 500 },
    );
  });
});

describe('a bush written down for a post', () => {
  const job = new TestJob({ instrumentType: 'oboe' });
  const post = job.state.instrument?.posts[0]?.id ?? '';
  const bush = { post, hole: 4, wall: 7, cutter: 4.2, depth: 5.25, outer: 4, gap: 0.1, left: 1.75 };
  const wrong = (more: object) =>
    misfits(job.state, { kind: 'post-bush', body: { ...bush, ...more } } as unknown as NewEntry).map(
      ({ path }) => path,
    );
  test('fits what its cutter opens, stays out of the bore, and stands in a post of the instrument', () => {
    expect(wrong({})).toEqual([]);
    expect(wrong({ outer: 4.3 })).toEqual(['/body/outer']);
    expect(wrong({ depth: 7 })).toEqual(['/body/depth']);
    expect(wrong({ post: 'nowhere' })).toEqual(['/body/post']);
  });
});
