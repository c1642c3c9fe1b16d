import { describe, expect, test } from '@jest/globals';
import { sax, TestJob, told } from '../../tests/testJob';
import { judgeJob } from '../judgement';
import { foldShop, freshShop } from '../shop';
import { planBasis } from '../shop';
import { sizeKinds } from '../vocabulary';
import { sizesWith, sizeWords, usualSizes, type Sizes } from '.';

const entry = (body: object, seq = 1) =>
  ({
    id: `00000000-0000-4000-8000-00000000000${seq}`,
    seq,
    kind: 'sizes',
    author: 'x',
    benchTime: '2026-11-23T09:00:00.000Z',
    body,
  }) as never;

/** A hinge tube 0.07 loose on its rod, with a hair of end play. */
function worn() {
  const job = new TestJob({ practice: 'stage' });
  const figures = { 'tube-outer': 5, 'tube-inner': 2.57, 'tube-length': 20, 'rod': 2.5, 'post-gap': 20.03 } as const;
  for (const [measure, value] of Object.entries(figures))
    job.read({ group: 'hinge', part: 'd-key', measure, clock: 0 } as never, value, 'micrometer');
  return job;
}
const advice = (sizes?: Sizes) => {
  const job = worn();
  return told(judgeJob(job.state, sax, undefined, sizes).parts.get('hinge:d-key')?.says);
};

describe('the sizes in the drawers', () => {
  test('each kind has words and usual sizes, in order', () => {
    for (const kind of sizeKinds) {
      expect(sizeWords[kind].length).toBeGreaterThan(5);
      expect(usualSizes[kind]).toEqual([...usualSizes[kind]].sort((a, b) => a - b));
    }
  });
  test('are those the shop has written down last; what it has not spoken of stays', () => {
    const shop = foldShop([entry({ rods: [2.6, 2.55], shims: [0.04] }), entry({ rods: [2.58] }, 2)]);
    expect(shop.sizes).toEqual({ ...usualSizes, rods: [2.58], shims: [0.04] });
    expect(freshShop.sizes).toEqual(usualSizes);
    expect(planBasis(shop).sizes).toEqual(shop.sizes);
    expect(sizesWith(usualSizes, { rods: [3, 2, 3] }).rods).toEqual([2, 3]);
  });
  test('a loose hinge is offered the rod that lies there, and none that does not', () => {
    expect(advice()).not.toMatch(/rod of/i);
    expect(advice(sizesWith(usualSizes, { rods: [2.51, 2.55, 2.6] }))).toMatch(/2\.55/);
    expect(advice(sizesWith(usualSizes, { rods: [2.51] }))).not.toMatch(/rod/i);
  });
  test('a leaking pad is shimmed with what there is', () => {
    const job = new TestJob({ practice: 'keeper' });
    job.pad('e', [0.12, 0.08, 0, 0.08, 0.12, 0.08, 0, 0.08]);
    const shims = (list: number[]) =>
      judgeJob(job.state, sax, undefined, sizesWith(usualSizes, { shims: list })).pads.get('e')?.seat?.shims ?? [];
    expect(new Set(shims([0.04]).flatMap(({ pieces }) => pieces))).toEqual(new Set([0.04]));
    expect(shims([])).toEqual([]);
    expect(new Set(shims([0.07]).flatMap(({ pieces }) => pieces))).toEqual(new Set([0.07]));
  });
});
