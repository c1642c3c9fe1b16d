/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import type { ReactElement } from 'react';
import { answered, fetchDouble, jobDouble, type JobDouble } from '../hooks/bench';

type Sent = { ok: true; answer: object } | { ok: false; lines: string[] };
type Options = { signal?: AbortSignal; onLine: (line: object) => void };
const sent: { url: string; file: File; type: string; options: Options; end: (outcome: Sent) => void }[] = [];
let job: JobDouble;
jest.unstable_mockModule('../../src/job/JobContext', () => ({ unnamed: 'at the bench', useJob: () => job }));
const { noAnswer, progressWords } = await import('../../src/files/sendFile');
jest.unstable_mockModule('../../src/files/sendFile', () => ({
  noAnswer,
  progressWords,
  sendFile: (url: string, file: File, type: string, options: Options) =>
    new Promise<Sent>((end) => sent.push({ url, file, type, options, end })),
}));
const { act, cleanup, fireEvent, render, screen } = await import('@testing-library/react');
const { alerts, button, field, press, type } = await import('./shopBench');
const { BenchProvider } = await import('../../src/frame/BenchContext');
const { ImportForm } = await import('../../src/app/import/_import/ImportForm');
const { ReadingsTaker } = await import('../../src/files/ReadingsTaker');

const real = globalThis.fetch;
const show = (element: ReactElement) => render(<BenchProvider zone="Europe/Berlin">{element}</BenchProvider>);
const choose = (label: RegExp, name: string) =>
  act(async () => {
    fireEvent.change(field(label), { target: { files: [new File(['{}'], name)] } });
    for (let i = 0; i < 5; i += 1) await Promise.resolve();
  });
const last = () => sent.at(-1) as NonNullable<(typeof sent)[number]>;
const ends = (outcome: Sent) =>
  act(async () => {
    last().end(outcome);
    for (let i = 0; i < 5; i += 1) await Promise.resolve();
  });

beforeEach(() => {
  job = jobDouble();
  sent.length = 0;
});
afterEach(() => {
  cleanup();
  globalThis.fetch = real;
});

describe('a job document', () => {
  test('goes under its own number or another, with progress, and leads to its ticket', async () => {
    show(<ImportForm />);
    expect(button('Import').disabled).toBe(true);
    await choose(/^Job document/, 'job.json');
    type(/^Ticket number here/, ' LL 9/1 ');
    await press('Import');
    expect([last().url, last().type]).toEqual(['/api/v1/import?as=LL%209%2F1', 'application/json']);
    expect(button('Checking …').disabled).toBe(true);
    act(() => last().options.onLine({ doing: 'waiting', place: 3 }));
    expect(screen.getByRole('status').textContent).toBe('Waiting: number 3 in the queue');
    await ends({ ok: true, answer: { ticket: 'LL-91', entries: 12 } });
    expect(screen.getByRole('alert').textContent).toMatch(/12 entries imported/);
    expect(screen.getByRole('link', { name: 'Open LL-91' }).getAttribute('href')).toBe('/jobs/LL-91');
    expect(button('Import').disabled).toBe(false);
  });
  test('one that is refused is told fault by fault, a long list cut', async () => {
    show(<ImportForm />);
    await choose(/^Job document/, 'job.json');
    await press('Import');
    expect(last().url).toBe('/api/v1/import');
    await ends({ ok: false, lines: Array.from({ length: 53 }, (_, i) => `fault ${i}`) });
    expect(alerts().join()).toMatch(/^Nothing was written/);
    expect(screen.getAllByRole('listitem')).toHaveLength(51);
    expect(screen.getByText('and 3 more')).toBeTruthy();
  });
});

describe('a file of readings', () => {
  const look = {
    dialect: { delimiter: ';', decimal: ',' },
    columns: [
      { name: 'group', known: true },
      { name: 'mood', known: false },
    ],
    rows: [['rim', 'good']],
    problems: [] as object[],
  };
  const answers = (status: number, body: object) => {
    globalThis.fetch = fetchDouble(() => answered(status, body)).double;
  };
  const label = /^Take readings from/;
  test('is shown as it was understood before it is taken; it can be stopped', async () => {
    answers(200, look);
    show(<ReadingsTaker />);
    await choose(label, 'mine.csv');
    expect(screen.getByText(/parted by semicolon/).textContent).toMatch(/mine\.csv.*decimals with a comma/);
    expect(screen.getByText('(passed over)')).toBeTruthy();
    await press('Take these readings');
    expect(last().url).toBe('/api/v1/jobs/T-1/readings?author=at+the+bench&delimiter=%3B&decimal=%2C');
    expect(field(label).disabled).toBe(true);
    act(() => last().options.onLine({ doing: 'checking', rows: 4000 }));
    expect(screen.getByRole('status').textContent).toBe('Checking: 4000 rows');
    await press('Stop');
    expect(last().options.signal?.aborted).toBe(true);
    await ends({ ok: false, lines: ['Stopped as asked.'] });
    expect(alerts().join()).toMatch(/Nothing was taken.*Stopped as asked/);
    expect(field(label).disabled).toBe(false);
  });
  test('says how much of it was new', async () => {
    answers(200, look);
    show(<ReadingsTaker />);
    await choose(label, 'mine.csv');
    await press('Take these readings');
    await ends({ ok: true, answer: { added: 7, known: 2 } });
    expect(alerts()).toEqual(['7 readings taken; 2 were here already.']);
    expect(screen.queryByRole('button', { name: 'Take these readings' })).toBeNull();
  });
  test('cannot be taken while its head has a fault, and can be left', async () => {
    answers(200, { ...look, problems: [{ path: 'line 1', message: 'has no column “part”' }] });
    show(<ReadingsTaker />);
    await choose(label, 'mine.csv');
    expect(button('Take these readings').disabled).toBe(true);
    expect(alerts()).toEqual(['line 1 has no column “part”']);
    await press('Not this file');
    expect(screen.queryByText(/mine\.csv/)).toBeNull();
    expect(sent).toEqual([]);
  });
  test.each([
    ['refused with words', () => answers(413, { message: 'Too much.' }), /Too much/],
    ['refused without', () => answers(500, {}), /It was refused/],
    [
      'met with silence',
      () => {
        globalThis.fetch = (() => Promise.reject(new Error('x'))) as typeof fetch;
      },
      /does not answer/,
    ],
  ])('a look that is %s says so', async (_, answering, said) => {
    answering();
    show(<ReadingsTaker />);
    await choose(label, 'mine.csv');
    expect(alerts().join()).toMatch(said);
    expect(screen.queryByText(/mine\.csv/)).toBeNull();
  });
});
