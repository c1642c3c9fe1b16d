import { describe, expect, test } from '@jest/globals';
import { chanceFrom } from '../simulation';
import { runSolver } from '../solvers';
import { solvePitch } from './solvePitch';
import { solveTune } from './solveTune';
import type { TuneInput } from './tune.schema';

const tube = {
  bore: [
    { at: 0, diameter: 15 },
    { at: 600, diameter: 15 },
  ],
  holes: [{ id: 'h1', at: 400, diameter: 9, chimney: 8 }],
  excitation: { kind: 'reed' as const },
  fingerings: [
    { id: 'open', closed: [], near: 200 },
    { id: 'shut', closed: ['h1'], near: 140 },
  ],
};
const upstream = { hole: 'h1', min: 9, max: 11, edge: 'upstream' as const };
const flat: TuneInput = { ...tube, measured: [{ fingering: 'open', cents: -20 }], adjust: [upstream] };

/** Six holes down a cylinder and the notes they give, one hole after the other closed from above. */
const six = (diameters: readonly number[], moved: readonly number[] = []) => {
  const ids = diameters.map((_, i) => `h${i + 1}`);
  return {
    bore: tube.bore,
    excitation: { kind: 'reed' as const, volume: 800 },
    holes: diameters.map((diameter, i) => ({
      id: `h${i + 1}`,
      at: 300 + 45 * i + (moved[i] ?? 0),
      diameter,
      chimney: 7,
      pad: { diameter: diameter + 4, height: 3 },
    })),
    fingerings: [...ids, 'low'].flatMap((_, i) => {
      const closed = ids.slice(0, i);
      const near = 240 / 2 ** (i / 9);
      return [
        { id: `first ${i}`, closed, near },
        { id: `third ${i}`, closed, near: 3 * near },
      ];
    }),
  };
};
const heard = (input: ReturnType<typeof six>) =>
  new Map(solvePitch(input).fingerings.map(({ id, cents }) => [id, cents ?? NaN]));

/** The loss as the contract writes it, of any diameters at all. */
function lossOf(input: TuneInput, diameters: ReadonlyMap<string, number>): number {
  const cents = (holes: TuneInput['holes']) =>
    new Map(solvePitch({ ...input, holes }).fingerings.map((each) => [each.id, each.cents ?? NaN]));
  const now = cents(input.holes);
  const then = cents(
    input.holes.map((hole) => {
      const to = diameters.get(hole.id) ?? hole.diameter;
      const up = input.adjust.find((each) => each.hole === hole.id)?.edge === 'upstream';
      return { ...hole, diameter: to, at: up ? hole.at - (to - hole.diameter) / 2 : hole.at };
    }),
  );
  const off = input.measured.map(
    (each) => each.cents + (then.get(each.fingering) ?? 0) - (now.get(each.fingering) ?? 0),
  );
  const cut = [...diameters].map(([id, to]) => to - (input.holes.find((hole) => hole.id === id)?.diameter ?? to));
  return (
    off.reduce((sum, each) => sum + Math.max(0, Math.abs(each) - (input.tolerance ?? 5)) ** 2, 0) +
    0.05 * cut.reduce((sum, each) => sum + each ** 2, 0)
  );
}
const diametersOf = (input: TuneInput, { changes } = solveTune(input)) =>
  new Map(changes.map(({ hole, to }) => [hole, to]));

describe('which holes to change', () => {
  test('as worked on paper: a flat note from one hole, cut at its upper edge', () => {
    const { changes, notes, worst } = solveTune(flat);
    expect(changes).toEqual([{ hole: 'h1', from: 9, to: expect.closeTo(9.6875, 2), act: 'enlarge' }]);
    expect(notes[0]).toMatchObject({ fingering: 'open', before: -20 });
    expect(Math.abs((notes[0]?.after ?? 0) + 4.95)).toBeLessThan(0.1);
    expect(worst).toEqual({ before: 20, after: -(notes[0]?.after ?? 0) });
    expect(lossOf(flat, diametersOf(flat))).toBeLessThan(0.02365);
  });
  test('a note that was not measured is told by what the changes do to it', () => {
    const { changes, notes } = solveTune(flat);
    const cents = (diameter: number, at: number) =>
      solvePitch({ ...tube, holes: [{ id: 'h1', at, diameter, chimney: 8 }] }).fingerings[1]?.cents ?? 0;
    const to = changes[0]?.to ?? 9;
    expect(notes[1]).toEqual({
      fingering: 'shut',
      before: null,
      after: expect.closeTo(cents(to, 400 - (to - 9) / 2) - cents(9, 400), 9),
    });
  });
  test('a sharp note is filled; notes within the tolerance are left alone; nothing measured changes nothing', () => {
    const at = (cents: number, change: object = {}) =>
      solveTune({
        ...flat,
        measured: [{ fingering: 'open', cents }],
        adjust: [{ hole: 'h1', min: 7, max: 11 }],
        ...change,
      });
    expect(at(20).changes).toMatchObject([{ act: 'fill' }]);
    expect(at(4.9).changes).toEqual([]);
    expect(at(7, { tolerance: 8 }).changes).toEqual([]);
    expect(at(5.5, { tolerance: 0 }).changes).toMatchObject([{ act: 'fill' }]);
    expect(solveTune({ ...flat, measured: [] })).toMatchObject({ changes: [], worst: { before: 0, after: 0 } });
    expect(solveTune({ ...flat, adjust: [] })).toMatchObject({ changes: [], worst: { before: 20, after: 20 } });
  });
  test('no hole leaves what it is allowed, and what is out of reach is said by the worst note', () => {
    const { changes, worst } = solveTune({ ...flat, measured: [{ fingering: 'open', cents: -120 }] });
    expect(changes).toEqual([{ hole: 'h1', from: 9, to: 11, act: 'enlarge' }]);
    expect(worst.after).toBeGreaterThan(50);
    const pinned = solveTune({ ...flat, adjust: [{ hole: 'h1', min: 9, max: 9 }] });
    expect(pinned.changes).toEqual([]);
  });

  test.each([1, 2, 3])('no other diameters do better, near or far: seed %i', (seed) => {
    const chance = chanceFrom(seed);
    const plain = six([7, 7.5, 8, 8, 9, 9.5]);
    const input: TuneInput = {
      ...plain,
      measured: plain.fingerings.map(({ id }) => ({ fingering: id, cents: 40 * (chance.uniform() - 0.5) })),
      adjust: plain.holes.slice(0, 4).map(({ id, diameter }, i) => ({
        hole: id,
        min: diameter - 1.5,
        max: diameter + 2,
        ...(i % 2 === 0 && { edge: 'upstream' as const }),
      })),
    };
    const found = diametersOf(input);
    const mine = lossOf(input, found);
    for (let tries = 0; tries < 60; tries += 1) {
      const near = tries % 2 === 0;
      const other = new Map(
        input.adjust.map(({ hole, min, max }) => {
          const here = found.get(hole) ?? input.holes.find(({ id }) => id === hole)?.diameter ?? min;
          const to = near ? here + 0.2 * (chance.uniform() - 0.5) : min + (max - min) * chance.uniform();
          return [hole, Math.min(max, Math.max(min, to))];
        }),
      );
      expect(lossOf(input, other) * 1.01 + 0.5).toBeGreaterThanOrEqual(mine);
    }
  });

  test('holes that were cut wrong are found by the notes they spoil', () => {
    for (let seed = 1; seed <= 4; seed += 1) {
      const chance = chanceFrom(seed);
      const right = [7, 7.5, 8, 8, 9, 9.5];
      const wrong = new Map([1, 3].map((i) => [i, (chance.uniform() < 0.5 ? -1 : 1) * (0.4 + 0.5 * chance.uniform())]));
      const made = six(right.map((diameter, i) => diameter + (wrong.get(i) ?? 0)));
      // The pads stay what they are for the right holes.
      const ideal = { ...made, holes: made.holes.map((hole, i) => ({ ...hole, diameter: right[i] ?? 0 })) };
      const [is, should] = [heard(made), heard(ideal)];
      const { changes, worst } = solveTune({
        ...made,
        tolerance: 0,
        measured: [...is].map(([fingering, cents]) => ({ fingering, cents: cents - (should.get(fingering) ?? 0) })),
        adjust: made.holes
          .slice(0, 5)
          .map(({ id, diameter }) => ({ hole: id, min: diameter - 1.5, max: diameter + 1.5 })),
      });
      for (const [i, error] of wrong) {
        const change = changes.find(({ hole }) => hole === `h${i + 1}`);
        expect((change?.to ?? 0) - (change?.from ?? 0)).toBeCloseTo(-error, 1);
      }
      expect(worst.after).toBeLessThan(1);
    }
  });

  test.each<[string, Partial<TuneInput>, RegExp]>([
    [
      'a hole outside its own range',
      { adjust: [{ hole: 'h1', min: 9.5, max: 11 }] },
      /“h1” is 9\.00 mm wide now, outside the 9\.50 mm to 11\.00 mm/,
    ],
    ['a hole nobody knows', { adjust: [{ hole: 'h2', min: 9, max: 11 }] }, /“h2” is not among the holes/],
    ['a note nobody knows', { measured: [{ fingering: 'x', cents: 0 }] }, /“x” is not among the fingerings/],
    ['a hole twice', { adjust: [upstream, upstream] }, /two of the hole “h1”/],
    [
      'a note twice',
      {
        measured: [
          { fingering: 'open', cents: 1 },
          { fingering: 'open', cents: 2 },
        ],
      },
      /two of the note “open”/,
    ],
    [
      'a note without a resonance',
      { fingerings: [...tube.fingerings, { id: 'x', closed: [], near: 20 }] },
      /“x” has no resonance/,
    ],
  ])('%s has no answer', (_, change, words) =>
    expect(runSolver('tune', { ...flat, ...change })).toMatchObject({
      status: 'unsolvable',
      message: expect.stringMatching(words),
    }),
  );
  test('an edge must say where it is and how large', () =>
    expect(runSolver('tune', { ...flat, excitation: { kind: 'edge', at: 10 } })).toMatchObject({
      status: 'invalid-input',
      problems: [{ path: '/excitation/diameter' }, { path: '/excitation/length' }],
    }));
});
