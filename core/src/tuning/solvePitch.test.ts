import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runSolver } from '../solvers';
import type { PitchOutput } from './pitch.schema';

const tube = {
  bore: [
    { at: 0, diameter: 15 },
    { at: 600, diameter: 15 },
  ],
  holes: [{ id: 'h1', at: 400, diameter: 9, chimney: 8 }],
  excitation: { kind: 'reed' },
};
const run = (input: object) => runSolver('pitch', input);
const notes = (input: object): PitchOutput['fingerings'] => {
  const result = run(input);
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return (result.output as PitchOutput).fingerings;
};
const open = { id: 'open', closed: [], near: 200 };
const shut = { id: 'shut', closed: ['h1'], near: 140 };

describe('what note a fingering gives', () => {
  test('as worked on paper: a reed on a cylinder with one hole', () => {
    const [a, b] = notes({ ...tube, fingerings: [open, shut] });
    expect(a?.frequency).toBeCloseTo(195.930653, 5);
    expect(a?.cents).toBeCloseTo(-35.588, 3);
    expect(a?.strength).toBeCloseTo(43.7447, 3);
    expect(b?.frequency).toBeCloseTo(139.358576, 5);
    expect(b?.strength).toBeCloseTo(35.0747, 3);
  });
  test('as worked on paper: a leak at the closed hole, a pad over the open one', () => {
    const leaks = [{ hole: 'h1', width: 10, gap: 0.05, land: 0.8 }];
    const [leaking, still] = notes({ ...tube, leaks, fingerings: [shut, open] });
    expect(leaking?.frequency).toBeCloseTo(139.379731, 5);
    expect(leaking?.strength).toBeCloseTo(30.4454, 3);
    // A leak at an open hole does nothing.
    expect(still?.frequency).toBeCloseTo(195.930653, 5);
    const padded = { ...tube, holes: [{ ...tube.holes[0], pad: { diameter: 12, height: 3 } }] };
    expect(notes({ ...padded, fingerings: [open] })[0]?.frequency).toBeCloseTo(192.899461, 5);
  });
  test('as worked on paper: an edge on a plain tube', () => {
    const flute = {
      bore: [
        { at: 0, diameter: 19 },
        { at: 620, diameter: 19 },
      ],
      holes: [],
      excitation: { kind: 'edge', at: 17, diameter: 11.5, length: 9 },
      fingerings: [
        { id: 'first', closed: [], near: 262 },
        { id: 'second', closed: [], near: 524 },
      ],
    };
    expect(notes(flute).map(({ frequency }) => frequency)).toEqual([
      expect.closeTo(268.139496, 4),
      expect.closeTo(537.550465, 4),
    ]);
  });
  test('nothing within half an octave is nothing', () => {
    expect(notes({ ...tube, fingerings: [{ id: 'x', closed: [], near: 20 }] })).toEqual([
      { id: 'x', frequency: null, cents: null, strength: null },
    ]);
  });
  test('a hole above what is blown does nothing, and the order of the lists says nothing', () => {
    const edge = { kind: 'edge', at: 50, diameter: 11, length: 9 };
    const base = { ...tube, excitation: edge, fingerings: [{ id: 'x', closed: [], near: 420 }] };
    const above = { id: 'above', at: 50, diameter: 5, chimney: 5 };
    const [plain] = notes(base);
    const [with_] = notes({ ...base, bore: [...tube.bore].reverse(), holes: [above, ...tube.holes] });
    expect(with_?.frequency).toBeCloseTo(plain?.frequency ?? 0, 9);
  });
  test('warm air is sharp by its speed of sound; a volume at the reed is flat; a flange is flat', () => {
    const at = (change: object) => notes({ ...tube, fingerings: [shut], ...change })[0]?.frequency ?? 0;
    const warm = at({ temperature: 30 }) / at({});
    expect(warm).toBeCloseTo(Math.sqrt((273.15 + 30) / (273.15 + 20)), 3);
    expect(at({ excitation: { kind: 'reed', volume: 1000 } })).toBeLessThan(at({}));
    expect(at({ end: 'flanged' })).toBeLessThan(at({}));
  });
  test('a cone sounds an octave series, a cylinder twelfths', () => {
    const cone = {
      bore: [
        { at: 0, diameter: 1 },
        { at: 600, diameter: 40 },
      ],
      holes: [],
      excitation: { kind: 'reed' },
      fingerings: [
        { id: '1', closed: [], near: 280 },
        { id: '2', closed: [], near: 560 },
      ],
    };
    const [first, second] = notes(cone);
    expect((second?.frequency ?? 0) / (first?.frequency ?? 1)).toBeCloseTo(2, 1);
    const [low, twelfth] = notes({
      ...tube,
      holes: [],
      fingerings: [
        { id: '1', closed: [], near: 140 },
        { id: '3', closed: [], near: 420 },
      ],
    });
    expect((twelfth?.frequency ?? 0) / (low?.frequency ?? 1)).toBeCloseTo(3, 1);
  });
  test('a wider open hole is sharper, a longer tube flatter', () => {
    fc.assert(
      fc.property(fc.integer({ min: 40, max: 110 }), fc.integer({ min: 0, max: 80 }), (tenths, longer) => {
        const note = (diameter: number, length: number) =>
          notes({
            ...tube,
            bore: [tube.bore[0], { at: length, diameter: 15 }],
            holes: [{ ...tube.holes[0], diameter }],
            fingerings: [open],
          })[0]?.frequency ?? 0;
        expect(note((tenths + 5) / 10, 600)).toBeGreaterThan(note(tenths / 10, 600));
        expect(note(tenths / 10, 600 + longer)).toBeLessThanOrEqual(note(tenths / 10, 600) + 1e-9);
      }),
      { numRuns: 25 },
    );
  });
  test.each<[string, object, RegExp]>([
    ['a hole below the bore', { holes: [{ id: 'x', at: 601, diameter: 5, chimney: 5 }] }, /“x” at 601 mm lies below/],
    ['an edge outside it', { excitation: { kind: 'edge', at: 700, diameter: 10, length: 9 } }, /lies outside the bore/],
    ['two holes of one id', { holes: [tube.holes[0], tube.holes[0]] }, /“h1”/],
    ['an unknown hole closed', { fingerings: [{ id: 'x', closed: ['h9'], near: 200 }] }, /“h9”/],
    ['a leak at an unknown hole', { leaks: [{ hole: 'h9', width: 1, gap: 1, land: 1 }] }, /“h9”/],
    ['a bore of kilometres', { bore: [tube.bore[0], { at: 1e9, diameter: 20 }] }, /longer than/],
    ['a bore without length', { bore: [tube.bore[0], tube.bore[0]], holes: [] }, /no length/],
  ])('%s has no answer', (_, change, words) =>
    expect(run({ ...tube, fingerings: [open], ...change })).toMatchObject({
      status: 'unsolvable',
      message: expect.stringMatching(words),
    }),
  );
  test('an edge must say where it is and how large', () =>
    expect(run({ ...tube, excitation: { kind: 'edge', at: 10 }, fingerings: [open] })).toMatchObject({
      status: 'invalid-input',
      problems: [{ path: '/excitation/diameter' }, { path: '/excitation/length' }],
    }));
});
