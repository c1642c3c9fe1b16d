/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import type { FindingKind, KnownOutcome, TimesSeen } from '@holotonos/core';
import { act, cleanup, render, screen, within } from '@testing-library/react';
import { BenchProvider } from '../../src/frame/BenchContext';
import type { LearnedHere } from '../../src/server/learned';
import { jobDouble, type JobDouble } from '../hooks/bench';
import { alerts, button, press, shopBench, type } from './shopBench';

const since = '2026-03-04T09:00:00.000Z';
let job: JobDouble;
jest.unstable_mockModule('../../src/job/JobContext', () => ({ unnamed: 'at the bench', useJob: () => job }));
const { LearnedSections } = await import('../../src/app/shop/_shop/LearnedView');
const { SeenBefore } = await import('../../src/job/SeenBefore');

const outcome = (n: number, change: Partial<KnownOutcome> = {}): KnownOutcome => ({
  ...{ finding: `00000000-0000-4000-8000-00000000000${n}`, kind: 'pad-leaking', part: 'e', place: 'E', foundAt: since },
  ...{ cause: null, cures: [{ step: 'reseat-pad', minutes: 10 * n, at: since, cameBack: false }], wasNone: false },
  ...{ ticket: `L-${n}`, family: 'saxophone', serial: '', maker: '' },
  ...change,
});
/** what the server knows, and every address it was asked at */
let known: KnownOutcome[] | null;
let asked: string[];
beforeEach(() => {
  asked = [];
  known = [outcome(1), outcome(2, { cause: { kind: 'rod-bent', part: 'x' } })];
  globalThis.fetch = ((address: string) => {
    asked.push(address);
    return Promise.resolve({ ok: known !== null, json: () => Promise.resolve({ outcomes: known }) });
  }) as unknown as typeof fetch;
  job = jobDouble();
});
afterEach(cleanup);

const time = (change: Partial<TimesSeen> = {}): TimesSeen => ({
  ...{ kind: 'dress-rim', family: 'saxophone', person: 'Juno Tam', since },
  ...{ logs: 2 * Math.log(2), squares: 2 * Math.log(2) ** 2, times: 2 },
  ...change,
});
const learned: LearnedHere = {
  times: [time(), time({ person: 'Perrin Oake', logs: 0, squares: 0, times: 1 })],
  faults: [{ family: 'saxophone', kind: 'pad-leaking', times: 2 }],
  jobs: [
    {
      ticket: 'L-7',
      unit: 'in',
      lessons: [
        {
          ...{ group: 'joint', part: 'neck-receiver', place: 'Neck in its receiver', seen: 2, since },
          what: ['One pass does ', { value: 0.0254, unit: 'mm' }],
        },
      ],
    },
  ],
};
const page = () => shopBench((shop, write) => <LearnedSections {...{ learned, shop, write }} />);
const settled = () => act(async () => new Promise((done) => setTimeout(done, 0)));

test('times stand with what they say against the table, how far they scatter, and since when', () => {
  page();
  const row = screen.getByRole('row', { name: /Level the rim.*Juno Tam/ });
  expect(row.textContent).toMatch(/× 2\.00× or ÷ 1\.002 times since 4 Mar 2026/);
  expect(screen.getByRole('row', { name: /Perrin Oake/ }).textContent).toMatch(/as the table says–once, 4 Mar 2026/);
  type('Find work, family or person', 'perrin rim');
  expect(screen.queryByRole('row', { name: /Juno Tam/ })).toBeNull();
  expect(screen.getByRole('row', { name: /Perrin Oake/ })).toBeTruthy();
});

test('a doubtful lesson is put aside with its reason, and taken up again', async () => {
  const bench = page();
  const name = 'Put aside: Level the rim, saxophone, Juno Tam';
  await press(name);
  expect(button('Put it aside').disabled).toBe(true);
  type('Why is it doubted?', 'a file that was new');
  bench.refuses = 'nothing is taken just now';
  await press('Put it aside');
  expect(alerts().join()).toContain('nothing is taken just now');
  bench.refuses = null;
  await press('Put it aside');
  expect(bench.written).toEqual([
    {
      kind: 'lesson',
      body: {
        lesson: 'time dress-rim saxophone Juno Tam',
        title: 'Level the rim, saxophone, Juno Tam',
        aside: true,
        reason: 'a file that was new',
      },
    },
  ]);
  expect(screen.queryByRole('button', { name })).toBeNull();
  expect(screen.getByText(/Because: a file that was new/)).toBeTruthy();
  await press(/^Take up again: Level the rim/);
  expect(bench.written.at(-1)?.body).toMatchObject({ aside: false });
  expect(button(name)).toBeTruthy();
});

test('what cannot be read is said; closed and opened it is asked for again', async () => {
  known = null;
  page();
  await press(/Pad leaking, saxophone/);
  await settled();
  expect(alerts().join()).toContain('It could not be read');
});

test('a kind of fault opens to what put it right, ticket by ticket; what is put aside is counted no longer', async () => {
  const bench = page();
  await press(/Pad leaking, saxophone/);
  await settled();
  expect(asked).toEqual(['/api/v1/memory/faults?family=saxophone&kind=pad-leaking']);
  const said = () => screen.getByText('E.').parentElement?.textContent;
  expect(said()).toMatch(
    /Settled 2 times since 4 Mar 2026\. Behind it: rod bent \(once\)\. Put right by: .* \(2 times; 15 min, 10 to 20\)/,
  );
  await press(/^Put aside: Pad leaking, E, L-2/);
  type('Why is it doubted?', 'the light was off');
  await press('Put it aside');
  expect(bench.written[0]?.body).toMatchObject({ lesson: 'fault 00000000-0000-4000-8000-000000000002' });
  expect(said()).toMatch(/Settled once since 4 Mar 2026\. Put right by/);
});

test('what one instrument taught is told in its own unit, and leads to where it was learned', () => {
  page();
  const line = screen.getByText(/One pass does/);
  expect(line.textContent).toContain('0.001');
  expect(within(line).getByRole('link').getAttribute('href')).toBe('/jobs/L-7/measure?group=joint&part=neck-receiver');
});

const seen = (part: string, but?: string, kind: FindingKind = 'noise') =>
  render(
    <BenchProvider zone="Europe/Berlin">
      <SeenBefore kind={kind} part={part} {...(but && { but })} />
    </BenchProvider>,
  );

test('beside a suggestion it says what was seen here and elsewhere, and asks once for many', async () => {
  known = [outcome(1, { kind: 'noise' }), outcome(2, { kind: 'noise', part: 'f', place: 'F' })];
  seen('e');
  seen('f', outcome(2).finding);
  await settled();
  expect(asked).toEqual(['/api/v1/memory/faults?family=saxophone&kind=noise']);
  const [first, second] = screen.getAllByLabelText('Seen in this shop').map((each) => each.textContent);
  expect(first).toMatch(/Settled once at this part since 4 Mar 2026.*Settled once elsewhere on saxophones since/);
  // The one that is asked about is not told of itself.
  expect(second).not.toContain('at this part');
});

test('where nothing was seen, or nothing can be asked, it says nothing; what did not come is asked for again', async () => {
  known = null;
  seen('e', undefined, 'dirt');
  await settled();
  expect(screen.queryByLabelText('Seen in this shop')).toBeNull();
  cleanup();
  known = [];
  seen('e', undefined, 'dirt');
  await settled();
  expect(asked).toHaveLength(2);
  expect(screen.queryByLabelText('Seen in this shop')).toBeNull();
});
