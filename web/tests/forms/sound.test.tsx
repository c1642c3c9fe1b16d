/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { compassOf, namesToRead, playSheet, type EntryBody } from '@holotonos/core';
import type { ReactElement } from 'react';
import { jobDouble, type JobDouble } from '../hooks/bench';
import { drawnAnew } from './drawnAnew';

const now = '2026-11-25T10:00:00.000Z';
let job: JobDouble;
const { write, useWritten } = drawnAnew(() => job);
jest.unstable_mockModule('../../src/job/JobContext', () => ({
  unnamed: 'at the bench',
  useJob: () => {
    useWritten();
    const { ticket, state, type, shop, judgement } = job;
    return { ticket, state, type, shop, judgement, names: namesToRead(type), now, write };
  },
}));
jest.unstable_mockModule('../../src/job/JobShell', () => import('./jobFrame'));
const { SoundNav } = { SoundNav: () => null };
jest.unstable_mockModule('../../src/app/jobs/[ticket]/sound/_sound/SoundNav', () => ({ SoundNav }));
// Nothing is drawn on a canvas here.
const NoChart = () => null;
jest.unstable_mockModule('../../src/app/jobs/[ticket]/sound/_sound/CentsChart', () => ({ CentsChart: NoChart }));
let accepted = new Set<string>();
jest.unstable_mockModule('../../src/job/cautionsToday', () => ({
  useCautionsToday: () => ({
    accepted,
    accept: (cautions: string[]) => {
      accepted = new Set([...accepted, ...cautions]);
    },
  }),
}));
/** What the worker would answer about which holes to alter; null while nothing is chosen. */
let answer: object | null = null;
const tuned = jest.fn();
jest.unstable_mockModule('../../src/app/jobs/[ticket]/sound/_sound/useTuning', () => ({
  useTuning: (_state: unknown, _type: unknown, holes: string[]) => {
    tuned(holes);
    return { answer, progress: null, problem: null, doubts: new Map([['a', 0.21]]), stop: () => undefined };
  },
}));
jest.unstable_mockModule('../../src/tube/StripControl', () => ({ useStripControl: () => undefined }));
const { cleanup, fireEvent, render, screen } = await import('@testing-library/react');
const { BenchProvider } = await import('../../src/frame/BenchContext');
const { SheetView } = await import('../../src/app/jobs/[ticket]/sound/_sound/SheetView');
const { TuningView } = await import('../../src/app/jobs/[ticket]/sound/_sound/TuningView');
const { SuspectButton } = await import('../../src/app/jobs/[ticket]/sound/_sound/SuspectButton');
const { Trace } = await import('../../src/app/jobs/[ticket]/sound/_sound/Trace');

Object.assign(Element.prototype, { scrollIntoView: () => undefined });
const show = (element: ReactElement) => render(<BenchProvider zone="Europe/Berlin">{element}</BenchProvider>);
const bodies = (kind: string) => job.written.filter((each) => each.kind === kind).map(({ body }) => body);
const text = () => document.body.textContent ?? '';

beforeEach(() => {
  job = jobDouble();
  accepted = new Set(['hygiene', 'leakLight']);
  answer = null;
  tuned.mockClear();
});
afterEach(cleanup);

describe('the play test', () => {
  const desk = () => screen.getByRole('group', { name: 'Play test' });
  const press = (key: string) => fireEvent.keyDown(desk(), { key });
  const [first, second] = playSheet(jobDouble().type);

  test('nothing is written before the cautions are read', () => {
    accepted = new Set();
    show(<SheetView />);
    press('c');
    expect(job.written).toEqual([]);
    expect(screen.getByRole('alert').textContent).toMatch(/Read what stands above first/);
  });
  test('one key a line; what is good goes on, what failed stays at hand with where it may be', () => {
    show(<SheetView />);
    press('c');
    press('f');
    expect(bodies('tested')).toEqual([
      { line: first?.id, result: 'clear' },
      { line: second?.id, result: 'fuzzy' },
    ]);
    expect(text()).toContain('It failed: fuzzy');
    expect(text()).toContain('2 gone through, 1 failed');
    // A key of the noise pass says nothing of a sound.
    press('q');
    expect(bodies('tested')).toHaveLength(2);
    const [suspect] = screen.getAllByRole('button', { name: /^Suspect it: / });
    fireEvent.click(suspect as HTMLElement);
    expect(bodies('finding')).toMatchObject([{ status: 'suspected', severity: 2, part: second?.looksAt[0] }]);
    expect(text()).toContain('is among the findings');
  });
  test('a slip is struck and its line comes up again; it goes on where it was left', () => {
    const { unmount } = show(<SheetView />);
    press('c');
    press('s');
    press('Backspace');
    expect(bodies('strike')).toHaveLength(1);
    expect(screen.getByRole('heading', { level: 2 }).textContent).toBe(second?.play);
    unmount();
    show(<SheetView />);
    expect(screen.getByRole('heading', { level: 2 }).textContent).toBe(second?.play);
  });
  test('the last line is worked without air, and has words of its own', () => {
    show(<SheetView />);
    for (let i = 0; i < 40; i += 1) press('ArrowDown');
    press('c');
    expect(job.written).toEqual([]);
    press('n');
    expect(bodies('tested')).toEqual([{ line: 'no-air', result: 'noisy' }]);
    expect(text()).toContain('something clicks');
  });
});

describe('tuning', () => {
  const read = (part: string, value: number) =>
    job.write('reading', {
      point: { group: 'pitch', part, measure: 'cents', clock: 0 },
      value,
      typed: String(value),
      gauge: { id: 'pitch-meter', name: 'Pitch meter', resolution: 1, maxPermissibleError: 2 },
    } as EntryBody<'reading'>);
  const flatA = () => {
    for (const { id } of compassOf(job.type).slice(0, 8)) read(id, 0);
    read('b-flat-4-1', -30);
    read('b-flat-5-2', -26);
  };
  const change = { hole: 'a', from: 20, to: 20.6, act: 'enlarge' };
  const solved = (after: number) => ({
    changes: [change],
    worst: { before: 30, after: Math.abs(after) },
    notes: [
      { fingering: 'b-flat-4-1', before: -30, after },
      { fingering: 'g4-1', before: 0, after: 0.1 },
    ],
  });

  test('asks for notes first', () => {
    show(<TuningView />);
    expect(text()).toContain('Read at least five notes');
  });
  test('a hole whose notes are flat together is asked about by itself, and can be left out', () => {
    flatA();
    show(<TuningView />);
    expect(tuned).toHaveBeenLastCalledWith(['a']);
    expect(text()).toContain('flat together');
    fireEvent.click(screen.getByLabelText('A'));
    expect(tuned).toHaveBeenLastCalledWith([]);
  });
  test('what is proposed is told with its doubt, and cut in small steps: no more than that, and never nothing', () => {
    flatA();
    answer = solved(-8);
    show(<TuningView />);
    expect(text()).toMatch(/open from 20\.00 mm to 20\.60 mm \(± 0\.21 mm\), at the upstream edge/);
    // A note that hardly moves is not in the list of those that do.
    expect(screen.queryByRole('rowheader', { name: 'G4' })).toBeNull();
    const field = screen.getByLabelText('I have opened it by') as HTMLInputElement;
    for (const [typed, words] of [
      ['0.9', /cut in small steps/],
      ['wide', /not a length/],
      ['0', /more than 0/],
    ] as const) {
      fireEvent.change(field, { target: { value: typed } });
      fireEvent.submit(field.form as HTMLFormElement);
      expect(text()).toMatch(words);
      expect([field.value, bodies('pass')]).toEqual([typed, []]);
    }
    fireEvent.change(field, { target: { value: '0.1' } });
    fireEvent.submit(field.form as HTMLFormElement);
    expect(bodies('pass')).toMatchObject([{ pass: 'cut', group: 'hole', part: 'a', amount: 0.1 }]);
    expect((bodies('pass')[0] as { disturbs: string[] }).disturbs).toEqual(
      expect.arrayContaining(['hole:a', 'rim:a', 'pad:a']),
    );
    // What was read is spoilt by it.
    expect(text()).toContain('Read at least five notes');
  });
  test('what would put a note out is not proposed, and has no field to log it', () => {
    flatA();
    answer = {
      ...solved(-8),
      notes: [
        { fingering: 'b-flat-4-1', before: -30, after: -8 },
        { fingering: 'g4-1', before: 2, after: 19 },
      ],
    };
    show(<TuningView />);
    expect(screen.getByRole('alert').textContent).toMatch(/Not proposed: it would put out G4 from \+2 ¢ to \+19 ¢/);
    expect(screen.queryByLabelText('I have opened it by')).toBeNull();
  });
  test('a practice that leaves holes says what it would take, and cuts nothing', () => {
    expect(job.write('practice-change', { practice: 'keeper', reason: 'an old one' })).toBe(true);
    flatA();
    answer = solved(-8);
    show(<TuningView />);
    expect(text()).toContain('leaves holes as they were made');
    expect(screen.queryByLabelText('I have opened it by')).toBeNull();
  });
  test('nothing gained is said', () => {
    flatA();
    answer = { ...solved(-30), changes: [] };
    show(<TuningView />);
    expect(text()).toContain('nothing is gained');
  });
});

describe('small parts', () => {
  test('a place is suspected once; one that was declined can be suspected again', () => {
    show(<SuspectButton kind="pad-leaking" part="e" note="by ear" />);
    fireEvent.click(screen.getByRole('button', { name: 'Suspect it: E' }));
    expect(screen.queryByRole('button')).toBeNull();
    const { finding } = bodies('finding')[0] as { finding: string };
    const declined = { finding, kind: 'pad-leaking', part: 'e', severity: 2, status: 'declined' };
    cleanup();
    job.write('finding', declined as never);
    show(<SuspectButton kind="pad-leaking" part="e" note="by ear" />);
    expect(screen.getByRole('button')).toBeTruthy();
  });
  test('the trace of a note says how far it is now, and stays within its picture', () => {
    const { rerender } = render(<Trace cents={[]} />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe('Nothing held');
    rerender(<Trace cents={[0, 2, -14, 900]} />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(/now 900 cents/);
    const heights = (document.querySelector('polyline')?.getAttribute('points') ?? '')
      .split(' ')
      .map((point) => Number(point.split(',')[1]));
    expect(Math.min(...heights)).toBeGreaterThanOrEqual(0);
    expect(heights[2]).toBeGreaterThan(heights[1] ?? 0);
  });
});
