/** @jest-environment jsdom */
import { randomUUID } from 'node:crypto';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { fitPromise, judgeJob, jobPlan, type EntryBody } from '@holotonos/core';
import { jobDouble } from '../hooks/bench';

const now = '2026-11-23T10:00:00.000Z';
let job = jobDouble();
const planned = () => jobPlan(job.state, job.type, judgeJob(job.state, job.type), now);
jest.unstable_mockModule('../../src/job/JobContext', () => ({
  useJob: () => Object.assign(Object.create(job) as typeof job, { plan: planned() }),
}));
const { cleanup, fireEvent, render, screen } = await import('@testing-library/react');
const { isBeyond, Promised, usePromise } = await import('../../src/app/jobs/[ticket]/_plan/Promised');

function Shown() {
  return <Promised fit={usePromise()} />;
}
const promise = (minutes: number | undefined, scope = 'repair') => {
  const { promise: _, ...intake } = job.state.intake as EntryBody<'intake'>;
  const body = { ...intake, scope, ...(minutes !== undefined && { promise: minutes }) } as EntryBody<'intake'>;
  expect(job.write('intake', body)).toBe(true);
};
const leak = (part: string) => {
  const body = { finding: randomUUID(), kind: 'pad-leaking', part, severity: 2, status: 'confirmed' };
  expect(job.write('finding', body as never)).toBe(true);
};
const bodies = (kind: string) => job.written.filter((each) => each.kind === kind).map(({ body }) => body as never);
beforeEach(() => {
  job = jobDouble();
});
afterEach(cleanup);

describe('promised hours', () => {
  test('are not spoken of in an overhaul, and can be promised in a repair', () => {
    promise(undefined, 'overhaul');
    expect(render(<Shown />).container.textContent).toBe('');
    cleanup();
    promise(undefined);
    render(<Shown />);
    expect(screen.getByText('No hours are promised')).toBeTruthy();
    fireEvent.click(screen.getByText('Promise hours …'));
    const field = screen.getByLabelText('Hours promised in all');
    const before = job.written.length;
    for (const wrong of ['', 'two', '0', '-1']) {
      fireEvent.change(field, { target: { value: wrong } });
      fireEvent.click(screen.getByText('Promise them'));
      expect(screen.getByRole('alert').textContent).toBe('Type hours, more than 0.');
      expect((field as HTMLInputElement).value).toBe(wrong);
    }
    expect(job.written).toHaveLength(before);
    fireEvent.change(field, { target: { value: '1,5' } });
    fireEvent.click(screen.getByText('Promise them'));
    expect(bodies('intake').at(-1)).toMatchObject({ ticket: 'T-1', owner: 'o', promise: 90 });
  });
  test('say what fits, which notes come back, and what is left with the notes that suffer from it', () => {
    for (const part of ['c', 'low-b']) leak(part);
    const { planned: all } = fitPromise(planned().steps, job.state, job.type, 6000);
    promise(Math.floor(all) - 1);
    const { container } = render(<Shown />);
    expect(container.textContent).toMatch(/(\d+) of (\d+) notes that fail now play again/);
    expect(screen.getByText(/Low B: Pad leaking/).textContent).toMatch(/B♭3, B3$/);
    expect(screen.queryByText(/^C: Pad leaking/)).toBeNull();
  });
  test('what does not fit is left with one press, each with its reason in words for the owner', () => {
    for (const part of ['c', 'low-b']) leak(part);
    promise(1);
    render(<Shown />);
    fireEvent.click(screen.getByText('Leave the 2 steps that do not fit'));
    expect(bodies('operation-skipped')).toEqual([
      expect.objectContaining({
        operation: 'reseat-pad:c',
        reason: expect.stringMatching(/26 notes from B♭3 to C6 may fail/),
      }),
      expect.objectContaining({
        operation: 'reseat-pad:low-b',
        reason: 'Beyond the 1 min that were promised; B♭3, B3 may fail.',
      }),
    ]);
    expect([...job.state.findings.values()].map(({ status }) => status)).toEqual(['stop-gap', 'stop-gap']);
  });
  test('a step that fits, or is behind us, is not beyond them; without a promise none is', () => {
    leak('e');
    const [step] = planned().steps;
    if (!step) throw new Error('a leak asks for a step');
    const fit = { within: new Set<string>() } as never;
    expect([isBeyond(null, step), isBeyond(fit, step)]).toEqual([false, true]);
    expect(isBeyond({ within: new Set([step.id]) } as never, step)).toBe(false);
    expect(isBeyond(fit, { ...step, status: 'done' })).toBe(false);
  });
});
