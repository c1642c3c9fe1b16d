/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import type { Role } from '@holotonos/core';
import { cleanup, render, screen } from '@testing-library/react';
import { randomUUID } from 'node:crypto';
import { useSyncExternalStore } from 'react';
import { BenchProvider } from '../../src/frame/BenchContext';
import { jobDouble, type JobDouble } from '../hooks/bench';
import { button, press, type } from './shopBench';

let job: JobDouble;
const shown = new Set<() => void>();
const listen = (onChange: () => void) => {
  shown.add(onChange);
  return () => shown.delete(onChange);
};
const write: JobDouble['write'] = (kind, body) => {
  const taken = job.write(kind, body);
  for (const onChange of shown) onChange();
  return taken;
};
jest.unstable_mockModule('../../src/job/JobContext', () => ({
  useJob: () => {
    useSyncExternalStore(listen, () => job.written.length);
    const { ticket, state, names } = job;
    return { ticket, state, names, plan: { steps: [] }, write };
  },
}));
const { LooksWaiting, MasterLookAt } = await import('../../src/job/MasterLook');

let finding: string;
beforeEach(() => {
  job = jobDouble();
  finding = randomUUID();
  job.write('finding', { finding, kind: 'noise', part: 'e', severity: 2, status: 'suspected' });
});
afterEach(() => {
  cleanup();
  shown.clear();
});
const show = (role: Role | null = null) =>
  render(
    <BenchProvider zone="UTC" {...(role && { keeping: 'shut' as const, asker: { name: 'Somebody', role } })}>
      <LooksWaiting />
      <MasterLookAt about="finding" of={finding} name="Noise, E" />
    </BenchProvider>,
  );
const last = () => job.written.at(-1);
const names = () => screen.queryAllByRole('button').map((each) => each.getAttribute('aria-label') ?? each.textContent);

describe('a master’s look', () => {
  test('is asked for with what to look for, and stands in the list of what waits', async () => {
    show('apprentice');
    await press('Ask for a master’s look: Noise, E');
    type('What should be looked at? (if you like)', '  is it the spring? ');
    await press('Ask');
    expect(last()).toEqual({
      kind: 'look-asked',
      body: { about: 'finding', of: finding, question: 'is it the spring?' },
    });
    const waiting = screen.getByRole('region', { name: 'Waiting for a master' });
    expect(waiting.textContent).toContain('E. Juno Tam asks for a master’s look: is it the spring?');
    expect(waiting.querySelector('a')?.getAttribute('href')).toBe('/jobs/T-1/findings');
    // Who learns may not answer, and asks no second time before there is an answer.
    expect(names()).toEqual([]);
  });
  test('without a question it asks none', async () => {
    show();
    await press('Ask for a master’s look: Noise, E');
    await press('Ask');
    expect(last()?.body).toEqual({ about: 'finding', of: finding });
    expect(screen.getAllByText('Juno Tam asks for a master’s look.').length).toBeGreaterThan(0);
  });
  test('is answered by who may judge: good in one press', async () => {
    write('look-asked', { about: 'finding', of: finding });
    show('technician');
    await press('It is good: Noise, E');
    expect(last()?.body).toMatchObject({ good: true });
    expect(screen.getByText(/^Looked at and good, Juno Tam/)).toBeTruthy();
    expect(screen.queryByRole('region', { name: 'Waiting for a master' })).toBeNull();
    expect(names()).toEqual([]);
  });
  test('or sent back with a reason, and can be asked for again', async () => {
    write('look-asked', { about: 'finding', of: finding });
    show('owner');
    await press('Send it back: Noise, E');
    expect(button('Send it back').disabled).toBe(true);
    type('What has to be done otherwise?', 'listen at the octave');
    await press('Send it back');
    expect(last()?.body).toMatchObject({ good: false, reason: 'listen at the octave' });
    expect(screen.getByText(/^Sent back, Juno Tam.*: listen at the octave$/)).toBeTruthy();
    expect(names()).toEqual(['Ask for a master’s look: Noise, E']);
  });
  test('what a job does not take stays in its form', async () => {
    show();
    await press('Ask for a master’s look: Noise, E');
    type('What should be looked at? (if you like)', 'is it the spring?');
    job.closed = true;
    await press('Ask');
    expect(screen.getByLabelText<HTMLInputElement>('What should be looked at? (if you like)').value).toBe(
      'is it the spring?',
    );
  });
});
