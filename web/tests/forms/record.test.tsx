/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { jobPlan, planBasis } from '@holotonos/core';
import { jobDouble, type JobDouble } from '../hooks/bench';

const now = '2026-11-25T10:00:00.000Z';
let job: JobDouble;
jest.unstable_mockModule('../../src/job/JobContext', () => ({
  useJob: () => {
    const { ticket, state, type, names, shop, write, judgement } = job;
    const plan = jobPlan(state, type, judgement, now, planBasis(shop, new Map() as never));
    return { ticket, state, type, names, shop, now, write, judgement, plan };
  },
}));
jest.unstable_mockModule('../../src/job/JobShell', () => import('./jobFrame'));
const { cleanup, render, screen, within } = await import('@testing-library/react');
const { press, type } = await import('./shopBench');
const { BenchProvider } = await import('../../src/frame/BenchContext');
const { RecordView } = await import('../../src/app/jobs/[ticket]/record/_record/RecordView');

const show = () =>
  render(
    <BenchProvider zone="Europe/Berlin">
      <RecordView />
    </BenchProvider>,
  );
const sections = () => screen.getAllByRole('heading', { level: 2 }).map((each) => each.textContent);
const links = () => screen.getAllByRole('link').map((each) => [each.textContent, each.getAttribute('href')]);

beforeEach(() => {
  job = jobDouble();
});
afterEach(cleanup);

describe('the record of a job', () => {
  test('nobody has done anything to says so, and has no empty lists', () => {
    show();
    expect(sections()).toEqual([
      'T-1: Alto saxophone',
      'Intake',
      'Found',
      'Done',
      'Figures, before and after',
      'Left, and why',
      'Decisions',
      'Struck out',
      'For the owner',
      'Sign off',
      'Take it with you',
    ]);
    for (const words of ['Nothing yet.', 'Nothing was measured.', 'None written down.', 'Not signed yet'])
      expect(screen.queryAllByText(words).length).toBeGreaterThan(0);
    expect(screen.queryByRole('table')).toBeNull();
  });
  test('tells what was looked at and measured, each in its section', () => {
    job.write('tick', { group: 'pad', part: 'low-b', says: 'light' });
    job.write('reading', {
      point: { group: 'hinge', part: 'low-b-key', measure: 'end-play', clock: 0 },
      value: 0.2,
      typed: '0.2',
      gauge: { id: 'feeler', name: 'Feeler gauges', resolution: 0.01, maxPermissibleError: 0.01 },
    });
    show();
    expect(sections()).toContain('Looked at, without a figure');
    expect(within(screen.getByRole('article')).getByText(/light shows/)).toBeDefined();
    const table = screen.getByRole('table');
    expect(within(table).getByRole('rowheader').textContent).toMatch(/^hinge of Low B key, end play/);
    const [before, after, limit] = within(table)
      .getAllByRole('cell')
      .map(({ textContent }) => textContent);
    expect([before, after, limit]).toEqual([
      '–',
      expect.stringMatching(/^0\.20* ± 0\.\d+ mm$/),
      expect.stringMatching(/mm/),
    ]);
  });
});

describe('signing off', () => {
  test('is asked for until it is done; a card for the check-up is offered where there is a day for it', async () => {
    show();
    expect(links().map(([words]) => words)).not.toContain('Check-up card');
    type('In a few words', 'Plays as it should.');
    await press('Sign the record');
    expect(job.written.at(-1)).toMatchObject({ kind: 'sign-off', body: { summary: 'Plays as it should.' } });
    cleanup();
    show();
    expect(sections()).not.toContain('Sign off');
    expect(screen.getByText(/Signed by Juno Tam, .*Plays as it should\./)).toBeDefined();
    expect(links().map(([words]) => words)).not.toContain('Check-up card');
  });
  test('with a day for the check-up', () => {
    job.write('sign-off', { ownerCautions: ['Keep it dry.'], checkUp: '2027-05-25' });
    show();
    expect(links()).toEqual(
      expect.arrayContaining([
        ['Record as PDF', '/api/v1/jobs/T-1/record.pdf'],
        ['Check-up card', '/api/v1/jobs/T-1/check-up.pdf'],
        ['Check-up for a calendar', '/api/v1/jobs/T-1/check-up.ics'],
      ]),
    );
    expect(screen.getByText('Keep it dry.')).toBeDefined();
    expect(screen.getByText(/Next check-up 25 May 2027/)).toBeDefined();
  });
});
