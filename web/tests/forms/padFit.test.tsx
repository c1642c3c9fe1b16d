/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { jobDouble, type JobDouble } from '../hooks/bench';

let job: JobDouble;
jest.unstable_mockModule('../../src/job/JobContext', () => ({ useJob: () => job }));
const { cleanup, render, screen } = await import('@testing-library/react');
const { press, type } = await import('./shopBench');
const { PadFit } = await import('../../src/app/jobs/[ticket]/strip/_stripdown/PadFit');

beforeEach(() => {
  job = jobDouble();
});
afterEach(cleanup);

const bodies = () => job.written.map(({ body }) => body);

test('how a pad stands in its cup is written as its stand, not as how far it opens', async () => {
  const shown = render(<PadFit hole="e" />);
  type(/^Stands/, '1,15');
  type(/^Scratch/, '270');
  await press('Write it down');
  expect(bodies()).toMatchObject([
    { point: { group: 'pad', part: 'e', measure: 'stand', clock: 0 }, value: 1.15, typed: '1,15' },
    { part: 'e', about: 'fit', hold: 'adhesive', mark: 270 },
  ]);
  shown.rerender(<PadFit hole="e" />);
  expect(screen.getByText(/It stood 1\.150 mm above the cup edge/)).toBeTruthy();
});

test('what is no length or no clock is said, and nothing is written', async () => {
  render(<PadFit hole="e" />);
  type(/^Stands/, 'high');
  await press('Write it down');
  expect(screen.getByRole('alert').textContent).toMatch(/“high” is not a length/);
  type(/^Stands/, '1');
  type(/^Scratch/, '400');
  await press('Write it down');
  expect(screen.getByRole('alert').textContent).toMatch(/0 to 359/);
  expect(bodies()).toEqual([]);
});
