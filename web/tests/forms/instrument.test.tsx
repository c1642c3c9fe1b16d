/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { jobDouble, type JobDouble } from '../hooks/bench';
import { drawnAnew } from './drawnAnew';

let job: JobDouble;
const { write, useWritten } = drawnAnew(() => job);
jest.unstable_mockModule('../../src/job/JobContext', () => ({
  useJob: () => {
    useWritten();
    const { ticket, state, type: instrument, names, shop } = job;
    return { ticket, state, type: instrument, names, shop, write };
  },
}));
let list = 'holes';
jest.unstable_mockModule('next/navigation', () => ({ useSearchParams: () => new URLSearchParams({ list }) }));
jest.unstable_mockModule('../../src/job/JobShell', () => import('./jobFrame'));
jest.unstable_mockModule('@/tube/StripControl', () => ({ useStripControl: () => undefined }));
const { cleanup, fireEvent, render, screen, within } = await import('@testing-library/react');
const { alerts } = await import('./shopBench');
const { BenchProvider } = await import('../../src/frame/BenchContext');
const { InstrumentView } = await import('../../src/app/jobs/[ticket]/instrument/_instrument/InstrumentView');

const show = () =>
  render(
    <BenchProvider zone="Europe/Berlin">
      <InstrumentView />
    </BenchProvider>,
  );
const pick = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
/** The form of the part that was picked. */
const formOf = () => within(screen.getByRole('button', { name: 'Change it' }).closest('form') as HTMLElement);
const fill = (label: string, value: string) => fireEvent.change(formOf().getByLabelText(label), { target: { value } });
const change = () => pick('Change it');
const put = () => job.written.at(-1)?.body as { put?: Record<string, Record<string, unknown>[]> } | undefined;

beforeEach(() => {
  job = jobDouble();
  list = 'holes';
});
afterEach(cleanup);

describe('a part of the instrument, as it is known now', () => {
  test('stands in its form; what is typed is read in the unit of the job, the rest is kept as it was', () => {
    show();
    pick('Low B');
    const [before] = job.type.holes.filter(({ name }) => name === 'Low B');
    fill('Diameter, mm', '2in');
    change();
    expect(put()).toEqual({ put: { holes: [{ ...before, diameter: 50.8 }] } });
    expect(job.type.holes.find(({ name }) => name === 'Low B')?.diameter).toBe(50.8);
  });
  test('what is emptied is gone', () => {
    list = 'keys';
    show();
    const key = job.type.keys.find(({ rod, over }) => rod !== undefined && over !== undefined);
    if (!key) throw new Error('a saxophone has a key that passes over something');
    pick(key.name);
    fill('Turns on', '');
    change();
    const { rod: _, ...left } = key;
    expect(put()).toEqual({ put: { keys: [left] } });
  });
  test('rubbish is refused in words, and nothing is written', () => {
    show();
    pick('Low B');
    fill('Diameter, mm', 'wide');
    change();
    expect([job.written.length, alerts().filter(Boolean)]).toEqual([0, [expect.stringMatching(/^Diameter: “wide”/)]]);
  });
  test('what is still loose is told with its part', () => {
    show();
    pick('Low B');
    fill('From its upper end, mm', '4000');
    change();
    const loose = screen.getByText('Still loose:').closest('div') as HTMLElement;
    expect(
      within(loose)
        .getAllByRole('listitem')
        .map(({ textContent }) => textContent),
    ).toEqual([expect.stringMatching(/^Low B: lies 4000 mm along Bell, which is [\d.]+ mm long$/)]);
  });
  test('one that is not there can be added, and taken out', () => {
    list = 'fittings';
    show();
    const named = screen.getByLabelText('Fitting, in your own words');
    fireEvent.change(named, { target: { value: 'Lyre holder' } });
    pick('Add it');
    expect(put()?.put?.fittings).toMatchObject([{ name: 'Lyre holder', kind: 'other', assumed: ['at', 'clock'] }]);
    pick(/^Lyre holder/);
    pick('Take it out');
    expect(job.type.fittings.map(({ name }) => name)).not.toContain('Lyre holder');
  });
});
