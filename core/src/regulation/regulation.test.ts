import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runSolver } from '../solvers';
import type { LandingOutput } from './landing.schema';
import type { LinkageOutput } from './linkage.schema';

const key = (id: string, travel: number, force: number, rate: number, more: object = {}) => ({
  id,
  travel,
  spring: { force, rate },
  ...more,
});
/** Three finger keys that carry a fourth, on a body that gives under the neighbours of d. */
const stack = {
  keys: [
    key('f', 2.4, 0.3, 0.02),
    key('e', 2.4, 0.28, 0.02),
    key('d', 2.4, 0.3, 0.02),
    key('fis', 2.3, 0.2, 0.01, { unevenness: 0.01 }),
  ],
  links: [
    { id: 'f', driver: 'f', follower: 'fis', gap: 0.13 },
    { id: 'e', driver: 'e', follower: 'fis', gap: 0.06 },
    { id: 'd', driver: 'd', follower: 'fis', gap: 0.1 },
  ],
  flex: [
    { pressed: 'e', key: 'd', perNewton: 0.06 },
    { pressed: 'f', key: 'd', perNewton: 0.04 },
  ],
};
const linkage = (input: object): LinkageOutput['presses'] => {
  const result = runSolver('linkage', input);
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return (result.output as LinkageOutput).presses;
};
const landing = (input: object): LandingOutput['checks'] => {
  const result = runSolver('landing', input);
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return (result.output as LandingOutput).checks;
};

describe('a press', () => {
  test('as worked on paper', () => {
    const [alone, all] = linkage({
      ...stack,
      presses: [
        { id: 'd', forces: { d: 0.7 } },
        { id: 'all', forces: { d: 0.65, e: 0.65, f: 0.65 } },
      ],
    });
    const of = (press: typeof alone, id: string) => press?.keys.find((each) => each.id === id);
    expect(of(alone, 'd')).toMatchObject({ travel: expect.closeTo(2.412138, 6), sealed: true, gap: 0 });
    expect(of(alone, 'fis')).toMatchObject({
      travel: expect.closeTo(2.307894, 6),
      sealed: false,
      gap: expect.closeTo(0.002106, 6),
    });
    expect(alone?.links.find(({ id }) => id === 'd')?.force).toBeCloseTo(0.254654, 6);
    expect(of(all, 'd')).toMatchObject({ travel: expect.closeTo(2.450428, 6), gap: expect.closeTo(0.014572, 6) });
    expect(of(all, 'fis')?.sealed).toBe(true);
  });
  test('nothing pressed: open keys at their stop, closed ones on their rims under their springs', () => {
    const [rest] = linkage({
      keys: [key('a', 2, 0.3, 0), key('b', 1.5, 0.4, 0.02, { rest: 'closed', stiffness: 8 })],
      presses: [{ id: 'none', forces: {} }],
    });
    expect(rest?.keys[0]).toMatchObject({ travel: 0, sealed: false, gap: 2, padForce: 0 });
    // Its pad carries what the spring gives: K·(q − h) = s there.
    expect(rest?.keys[1]).toMatchObject({ travel: expect.closeTo(1.55, 3), sealed: true });
    expect(rest?.keys[1]?.padForce).toBeCloseTo(0.4, 2);
  });
  test('a closed key opens when it is pressed, and one that holds another shut keeps it so', () => {
    const closed = key('g-sharp', 1.5, 0.4, 0.02, { rest: 'closed' });
    const [open] = linkage({ keys: [closed], presses: [{ id: 'p', forces: { 'g-sharp': 2 } }] });
    expect(open?.keys[0]).toMatchObject({ travel: 0, sealed: false });
    const held = linkage({
      keys: [closed, key('f', 2, 0.3, 0.02)],
      links: [{ id: 'l', driver: 'f', follower: 'g-sharp', acts: 'holds-shut', gap: -0.05 }],
      presses: [
        { id: 'both', forces: { 'g-sharp': 1, 'f': 5 } },
        { id: 'lever', forces: { 'g-sharp': 1 } },
      ],
    });
    expect(held[0]?.keys[0]?.sealed).toBe(true);
    expect(held[1]?.keys[0]?.sealed).toBe(false);
  });
  test('held shut at rest: pressing the driver sets the follower free', () => {
    const mechanism = {
      keys: [key('octave', 1.2, 0.5, 0, { rest: 'closed' }), key('lever', 2, 0.8, 0.01)],
      links: [{ id: 'l', driver: 'lever', follower: 'octave', acts: 'holds-shut-at-rest', gap: 0 }],
    };
    const [rest, free] = linkage({
      ...mechanism,
      presses: [
        { id: 'rest', forces: { octave: 1 } },
        { id: 'free', forces: { octave: 1, lever: 2 } },
      ],
    });
    expect(rest?.keys[0]?.gap).toBeLessThan(0.05);
    expect(free?.keys[0]?.travel).toBe(0);
  });
  test('the state is the least of its energy: no key gains by moving a little either way', () => {
    const size = fc.integer({ min: 5, max: 60 }).map((tenths) => tenths / 10);
    const mechanisms = fc.record({
      keys: fc.array(
        fc.record({
          travel: size,
          force: fc.integer({ min: 10, max: 90 }).map((x) => x / 100),
          rate: fc.integer({ min: 0, max: 8 }).map((x) => x / 100),
          unevenness: fc.integer({ min: 0, max: 10 }).map((x) => x / 100),
          rest: fc.constantFrom('open', 'closed'),
          press: fc.integer({ min: 0, max: 300 }).map((x) => x / 100),
        }),
        { minLength: 2, maxLength: 12 },
      ),
      links: fc.array(
        fc.record({
          from: fc.nat(11),
          to: fc.nat(11),
          gap: fc.integer({ min: -20, max: 30 }).map((x) => x / 100),
          ratio: fc.integer({ min: 5, max: 15 }).map((x) => x / 10),
          acts: fc.constantFrom('carries', 'holds-shut', 'holds-shut-at-rest'),
        }),
        { maxLength: 14 },
      ),
    });
    fc.assert(
      fc.property(mechanisms, ({ keys, links }) => {
        const named = keys.map(({ press: _, force, rate, ...rest }, i) => ({
          id: `k${i}`,
          ...rest,
          spring: { force, rate },
        }));
        const linked = links
          .map(({ from, to, ...rest }, i) => ({
            id: `l${i}`,
            driver: `k${from % keys.length}`,
            follower: `k${to % keys.length}`,
            ...rest,
          }))
          .filter(({ driver, follower }) => driver !== follower);
        const forces = Object.fromEntries(keys.map(({ press }, i) => [`k${i}`, press]));
        const [found] = linkage({ keys: named, links: linked, presses: [{ id: 'p', forces }] });
        const q = found?.keys.map(({ travel }) => travel) ?? [];
        const index = (id: string) => Number(id.slice(1));
        const energy = (at: readonly number[]) => {
          const motion = (i: number) =>
            keys[i]?.rest === 'open' ? (at[i] ?? 0) : (keys[i]?.travel ?? 0) - (at[i] ?? 0);
          let sum = 0;
          keys.forEach(({ travel: h, force: s, rate: r, unevenness: e, rest, press }, i) => {
            const x = at[i] ?? 0;
            sum += rest === 'open' ? s * x + 0.5 * r * x * x : -(s + r * h) * x + 0.5 * r * x * x;
            sum -= (rest === 'open' ? 1 : -1) * press * x;
            sum += 2 * Math.max(0, x - h) ** 2 + 2 * Math.max(0, x - h - e) ** 2;
          });
          for (const { driver, follower, gap, ratio, acts } of linked) {
            const [d, f] = [index(driver), index(follower)];
            const left = (keys[f]?.travel ?? 0) - (at[f] ?? 0);
            const v = {
              'carries': ratio * motion(d) - gap - motion(f),
              'holds-shut': ratio * (motion(d) - (keys[d]?.travel ?? 0)) - gap + left,
              'holds-shut-at-rest': left - ratio * motion(d) - gap,
            }[acts as 'carries'];
            sum += 30 * Math.max(0, v) ** 2;
          }
          return sum;
        };
        const here = energy(q);
        for (let i = 0; i < q.length; i += 1)
          for (const step of [1e-4, -1e-4]) {
            const moved = q.map((x, j) => (j === i ? Math.max(0, x + step) : x));
            expect(energy(moved)).toBeGreaterThanOrEqual(here - 1e-9);
          }
      }),
      { numRuns: 300, endOnFailure: true },
    );
  });
});

describe('which lands first', () => {
  test('as worked on paper', () => {
    const checks = ['f', 'e', 'd'].map((press) => ({ id: press, press, pads: [press, 'fis'] }));
    const [f, e, d] = landing({ ...stack, checks });
    expect(f?.pads).toEqual([
      { id: 'f', force: expect.closeTo(0.570663, 5) },
      { id: 'fis', force: expect.closeTo(0.967066, 5) },
    ]);
    expect(f?.lag).toBeCloseTo(0.043711, 5);
    expect(e?.pads).toEqual([
      { id: 'fis', force: expect.closeTo(0.590587, 5) },
      { id: 'e', force: expect.closeTo(0.77211, 5) },
    ]);
    expect(e?.lag).toBeCloseTo(-0.025615, 5);
    expect(d?.lag).toBeCloseTo(0.013716, 5);
  });
  test('a pad that seals without a press, one that never does, and neither', () => {
    const keys = [key('a', 2, 0.3, 0.02), key('shut', 1, 0.5, 0, { rest: 'closed' }), key('far', 2, 0.3, 0.02)];
    const [one, none] = landing({
      keys,
      checks: [
        { id: 'one', press: 'a', pads: ['far', 'a', 'shut'] },
        { id: 'none', press: 'shut', pads: ['a', 'far'] },
      ],
    });
    expect(one?.pads.map(({ id, force }) => [id, force === null ? null : force > 0])).toEqual([
      ['shut', false],
      ['a', true],
      ['far', null],
    ]);
    expect(one).not.toHaveProperty('lag');
    expect(none?.lag).toBeNull();
  });
  test('what is held stays held', () => {
    const alone = landing({ ...stack, checks: [{ id: 'd', press: 'd', pads: ['d'] }] })[0]?.pads[0]?.force ?? 0;
    const held = landing({ ...stack, checks: [{ id: 'd', press: 'd', held: { e: 0.65, f: 0.65 }, pads: ['d'] }] });
    expect(held[0]?.pads[0]?.force).toBeGreaterThan(alone);
  });
});

test.each<[string, string, object, RegExp]>([
  ['linkage', 'an unknown key in a press', { ...stack, presses: [{ id: 'p', forces: { x: 1 } }] }, /“x”/],
  [
    'linkage',
    'two keys of one id',
    { keys: [...stack.keys, stack.keys[0]], presses: [{ id: 'p', forces: {} }] },
    /“f”/,
  ],
  [
    'linkage',
    'two presses of one id',
    {
      ...stack,
      presses: [
        { id: 'p', forces: {} },
        { id: 'p', forces: {} },
      ],
    },
    /“p”/,
  ],
  [
    'linkage',
    'a key linked to itself',
    {
      keys: stack.keys,
      links: [{ id: 'self', driver: 'f', follower: 'f', gap: 0 }],
      presses: [{ id: 'p', forces: {} }],
    },
    /“f” to itself/,
  ],
  [
    'linkage',
    'flex of nobody',
    { keys: stack.keys, flex: [{ pressed: 'y', key: 'f', perNewton: 1 }], presses: [{ id: 'p', forces: {} }] },
    /“y”/,
  ],
  ['landing', 'a pad nobody has', { ...stack, checks: [{ id: 'c', press: 'f', pads: ['z'] }] }, /“z”/],
  [
    'landing',
    'a key pressed and held',
    { ...stack, checks: [{ id: 'c', press: 'f', held: { f: 1 }, pads: ['f'] }] },
    /holds it/,
  ],
])('%s: %s has no answer', (name, _, input, words) =>
  expect(runSolver(name, input)).toMatchObject({ status: 'unsolvable', message: expect.stringMatching(words) }),
);
