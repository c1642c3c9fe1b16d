/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import type { EarlierVisit } from '@holotonos/core';
import { jobDouble, type JobDouble } from '../hooks/bench';

let job: JobDouble;
jest.unstable_mockModule('../../src/job/JobContext', () => ({ useJob: () => job }));
const { cleanup, fireEvent, render, screen } = await import('@testing-library/react');
const { BenchProvider } = await import('../../src/frame/BenchContext');
const { button, field, press, type } = await import('./shopBench');
const { EarlierVisits, KnownAgain } = await import('../../src/app/jobs/[ticket]/_overview/EarlierVisits');
beforeEach(() => {
  job = jobDouble();
});
afterEach(cleanup);

const row = (place: string, then: number, now: number, certain: boolean): EarlierVisit['since'][number] => ({
  group: 'pad',
  part: place,
  place,
  what: 'widest gap',
  unit: 'mm',
  then: { value: then, uncertainty: 0.01 },
  now: { value: now, uncertainty: 0.01 },
  moved: now - then,
  certain,
});
const visit = (more: Partial<EarlierVisit> = {}): EarlierVisit => ({
  ticket: 'A-1',
  openedAt: '2024-03-01T09:00:00.000Z',
  signedAt: '2024-04-01T09:00:00.000Z',
  by: 'Perrin Oake',
  summary: 'Padded anew.',
  left: [{ what: 'Dent, bell', why: 'Away from a seal.' }],
  marks: ['E: pad at 270°'],
  photos: [{ photo: 'p-1', width: 800, height: 600, caption: 'the engraving' }],
  since: [row('E', 0.02, 0.2, true), row('F', 0.2, 0.1, true), row('D', 0.02, 0.021, false)],
  ...more,
});
const show = (visits: EarlierVisit[]) =>
  render(
    <BenchProvider zone="UTC">
      <EarlierVisits visits={visits} />
    </BenchProvider>,
  );

test('what moved stands beside what it went home with; what was left and marked is there', () => {
  show([visit()]);
  const rows = screen.getAllByRole('row').map((each) => each.textContent);
  expect(rows[1]).toBe('E: widest gap0.020 mm0.200 mmmore');
  expect(rows[2]).toBe('F: widest gap0.200 mm0.100 mmless');
  expect(rows[3]).toMatch(/as it was$/);
  expect(screen.getByText(/signed 1 Apr 2024 by Perrin Oake/)).toBeTruthy();
  expect(screen.getByText('What was left then (1)')).toBeTruthy();
  expect(screen.getByText('E: pad at 270°')).toBeTruthy();
  expect(screen.getByRole('link', { name: 'A-1' }).getAttribute('href')).toBe('/jobs/A-1/record');
  expect(screen.getByRole('img', { name: 'the engraving' }).getAttribute('src')).toBe(
    '/api/v1/jobs/A-1/photos/p-1?size=thumbnail',
  );
});
test('says when nothing has moved, when nobody signed, and nothing at all where it was never here', () => {
  const shown = show([visit({ since: [row('D', 0.02, 0.021, false)], signedAt: null, left: [], marks: [] })]);
  expect(screen.getByText(/Nothing has moved by more/)).toBeTruthy();
  expect(screen.getByText(/never signed/)).toBeTruthy();
  expect(screen.queryByText(/What was left/)).toBeNull();
  shown.unmount();
  show([]);
  expect(document.body.textContent).toBe('');
});
test('somebody knows it again: the ticket is written down, and taken back', async () => {
  const again = render(
    <BenchProvider zone="UTC">
      <KnownAgain />
    </BenchProvider>,
  );
  const fold = again.container.querySelector('details') as HTMLDetailsElement;
  expect(screen.queryByLabelText('On ticket')).toBeNull();
  fold.open = true;
  fireEvent(fold, new Event('toggle'));
  expect(button('It is the same instrument').disabled).toBe(true);
  type('On ticket', ' A-1 ');
  await press('It is the same instrument');
  expect(job.written.at(-1)).toEqual({ kind: 'same-instrument', body: { ticket: 'A-1', was: true } });
  expect(field('On ticket').value).toBe('');
  await press('Not the same: A-1');
  expect(job.written.at(-1)?.body).toEqual({ ticket: 'A-1', was: false });
});
