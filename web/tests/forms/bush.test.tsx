/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { foldShop, solveBushing, type BushingInput, type ShopEntry } from '@holotonos/core';
import { randomUUID } from 'node:crypto';
import { jobDouble, type JobDouble } from '../hooks/bench';

let job: JobDouble;
jest.unstable_mockModule('../../src/job/JobContext', () => ({ useJob: () => job }));
// The worker is another file’s matter: here the solver itself answers.
jest.unstable_mockModule('../../src/job/useSolved', () => ({
  useSolved: (_: string, input: BushingInput | null) => {
    if (input === null || Number.isNaN(input.hole.diameter)) return null;
    try {
      return { status: 'solved', output: solveBushing(input) };
    } catch (error) {
      return { status: 'unsolvable', said: [(error as Error).message] };
    }
  },
}));
const { cleanup, render, screen } = await import('@testing-library/react');
const { alerts, field, press, type } = await import('./shopBench');
const { BushingPanel } = await import('../../src/app/jobs/[ticket]/measure/_measure/BushingPanel');

const sizes = {
  id: randomUUID(),
  seq: 1,
  kind: 'sizes',
  body: { cutters: [4, 4.5, 5], bushes: [3.8, 4.3, 4.8] },
  author: 'Juno Tam',
  benchTime: '2026-11-23T09:00:00.000Z',
  receivedAt: '2026-11-23T09:00:00.000Z',
} as unknown as ShopEntry;

beforeEach(() => {
  job = jobDouble({ instrument: 'oboe', shop: foldShop([sizes]) });
});
afterEach(cleanup);
const bodies = () => job.written.map(({ body }) => body);

describe('a bush for a stripped post', () => {
  test('is written down for the post with the sizes it was worked out with, and tried', async () => {
    const post = job.type.posts[0]?.id ?? '';
    const shown = render(<BushingPanel part={post} />);
    type(/^Stripped hole/, '4.6');
    type(/^Wood to the bore/, '6.8');
    await press('Write it down for this post');
    expect(bodies()).toMatchObject([{ post, hole: 4.6, wall: 6.8, cutter: 5, outer: 4.8 }]);
    shown.rerender(<BushingPanel part={post} />);
    expect(screen.getByText(/^As worked out: cutter 5/)).toBeTruthy();
    for (const [typed, says] of [
      ['deep', /not a length/],
      ['0', /more than 0/],
    ] as const) {
      type(/^Trial cut/, typed);
      await press('Write the trial down');
      expect(alerts().join()).toMatch(says);
    }
    expect(job.written).toHaveLength(1);
    // Looked at again, it begins with what was written down.
    cleanup();
    const again = render(<BushingPanel part={post} />);
    expect([field(/^Stripped hole/).value, field(/^Wood to the bore/).value]).toEqual(['4.6', '6.8']);
    const depth = job.state.bushes.get(post)?.depth ?? 0;
    type(/^Trial cut/, String(depth + 0.3));
    await press('Write the trial down');
    again.rerender(<BushingPanel part={post} />);
    expect(screen.getByText(/set the stop 0\.30 mm back/)).toBeTruthy();
    await press('No bush after all');
    again.rerender(<BushingPanel part={post} />);
    expect(job.state.bushes.size).toBe(0);
    expect(screen.queryByText(/As worked out/)).toBeNull();
  });
  test('is not offered where the wood is too thin, and not at all where posts are soldered', () => {
    const shown = render(<BushingPanel part={job.type.posts[0]?.id ?? ''} />);
    type(/^Wood to the bore/, '3');
    expect(screen.queryByRole('button', { name: 'Write it down for this post' })).toBeNull();
    expect(screen.getByText(/would reach the bore/)).toBeTruthy();
    job = jobDouble();
    shown.rerender(<BushingPanel part={job.type.posts[0]?.id ?? ''} />);
    expect(screen.queryByText(/A bush for/)).toBeNull();
  });
});
