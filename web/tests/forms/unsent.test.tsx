/** @jest-environment jsdom */
import 'fake-indexeddb/auto';
import { afterAll, afterEach, beforeAll, expect, jest, test } from '@jest/globals';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import { randomUUID } from 'node:crypto';
import { answered, fetchDouble } from '../hooks/bench';
import { field, press, type } from './shopBench';

// A page that is left takes its router along; the list needs none but for its links.
jest.unstable_mockModule('@/ui/Link', () => ({
  Link: ({ href, children }: { href: string; children: string }) => <a href={href}>{children}</a>,
}));
Object.assign(globalThis, { structuredClone: (value: unknown) => JSON.parse(JSON.stringify(value)) });
const { UnsentList, waitingWords } = await import('../../src/frame/UnsentList');
const { keptInBrowser } = await import('../../src/outbox/kept');
const { ownLogs, queueOf, queueOfOwn } = await import('../../src/outbox/queues');
const { BenchProvider } = await import('../../src/frame/BenchContext');

const entry = (kind: string, body: object) => ({
  ...{ id: randomUUID() as string, kind, body },
  ...{ author: 'Juno Tam', benchTime: '2026-11-23T09:00:00.000Z' },
});
const real = globalThis.fetch;
let answer: (url: string) => Response | Promise<Response> = () => Promise.reject(new TypeError('nobody there'));
const { asked, double } = fetchDouble(() => answer(asked.at(-1)?.url ?? ''));
const show = (but?: string) =>
  render(
    <BenchProvider zone="UTC">
      <UnsentList but={but} />
    </BenchProvider>,
  );
const soon = (look: () => void) => waitFor(look, { timeout: 20_000 });

const note = entry('note', { text: 'x' });
const move = entry('move', { item: 'pad-16', why: 'taken', count: 2 });
beforeAll(async () => {
  globalThis.fetch = double;
  localStorage.setItem('holotonos-author', 'Perrin Oake');
  // What an earlier page of this browser left on its way.
  await keptInBrowser.keep('LL-201', note);
  await keptInBrowser.keep(ownLogs.stock, move);
  await keptInBrowser.keepAside('LL-202', { entry: entry('note', { text: '' }), problems: [] });
});
afterEach(cleanup);
afterAll(() => {
  globalThis.fetch = real;
});

test('what waits is named with whose it is, in a sentence', () => {
  const waits = (log: string, count: number, more: object = {}) => ({
    log,
    state: { waiting: Array.from({ length: count }, () => note), aside: [], reachable: false, ...more },
  });
  expect(waitingWords([])).toBe('');
  expect(waitingWords([waits('LL-1', 0)])).toBe('');
  // What is on its way waits for nobody.
  expect(waitingWords([waits('LL-1', 1, { reachable: true })])).toBe('');
  expect(waitingWords([waits('LL-1', 1)])).toBe(
    'The server does not answer: 1 entry of LL-1 waits here and will be sent.',
  );
  expect(waitingWords([waits('LL-1', 2), waits('LL-2', 0), waits(ownLogs.shop, 1)])).toBe(
    'The server does not answer: 2 entries of LL-1 and 1 entry of the shop wait here and will be sent.',
  );
  expect(waitingWords([waits(ownLogs.stock, 3, { asksWho: true })])).toBe(
    'Nobody is signed in: 3 entries of the drawers wait here and will be sent.',
  );
});
test('whichever page is open sends what an earlier one left, and says what does not get through', async () => {
  show();
  await soon(() => expect(screen.getByText(/1 entry of LL-201/)).toBeTruthy());
  await soon(() => expect(screen.getByText(/1 entry of the drawers/)).toBeTruthy());
  // What was set aside is decided at its own job.
  await soon(() => expect(screen.getByText('LL-202').getAttribute('href')).toBe('/jobs/LL-202'));
  expect(new Set(asked.map(({ url }) => url))).toEqual(new Set(['/api/v1/jobs/LL-201/entries', '/api/v1/stock']));
});
test('a page of a job leaves out its own, which stands in its frame', async () => {
  show('LL-202');
  await soon(() => expect(screen.getByText(/1 entry of LL-201/)).toBeTruthy());
  expect(screen.queryByText('LL-202')).toBeNull();
});
test('what of the drawers is not taken is shown with its words, changed, and sent as another entry', async () => {
  answer = (url) =>
    url === ownLogs.stock
      ? answered(400, { problems: [{ path: '/body/item', message: 'has no place in a drawer' }] })
      : answered(201, { entry: { ...note, seq: 1, receivedAt: note.benchTime } });
  show();
  await soon(() => expect(screen.getByText('Taken: 2 × pad-16')).toBeTruthy());
  const list = within(screen.getByRole('region', { name: 'Entries not taken' }));
  expect(list.getByText(/One entry of the drawers was not taken and waits here/)).toBeTruthy();
  expect(list.getByText(/item has no place in a drawer/)).toBeTruthy();
  await soon(() => expect(screen.queryByText(/LL-201/)).toBeNull());

  // What waits beside it is said each time, not the first time only.
  for (const n of [1, 2]) {
    const refuse = answer;
    answer = () => Promise.reject(new TypeError('nobody there'));
    queueOfOwn(ownLogs.stock).add(entry('move', { item: 'pad-16', why: 'taken', count: n }));
    await soon(() => expect(screen.getByText(/1 entry of the drawers waits here/)).toBeTruthy());
    answer = () => answered(201, { stock: {} });
    await soon(() => expect(screen.queryByText(/waits here and will be sent/)).toBeNull());
    answer = refuse;
  }
  await press('Change it: Taken: 2 × pad-16');
  type('count', 'two');
  await press('Send it so');
  expect(screen.getByText('count must be a figure.')).toBeTruthy();
  type('count', '0');
  await press('Send it so');
  expect(screen.getByText('count must be more than 0')).toBeTruthy();
  type('count', '3');
  expect(field('item').value).toBe('pad-16');
  answer = () => answered(201, { stock: {} });
  await press('Send it so');
  await soon(() => expect(screen.queryByRole('region', { name: 'Entries not taken' })).toBeNull());
  const newest = () => JSON.parse(String(asked.at(-1)?.init?.body)) as typeof move;
  await soon(() => expect(newest()).toMatchObject({ kind: 'move', body: { item: 'pad-16', count: 3 } }));
  const sent = newest();
  expect(sent.author).toBe('Perrin Oake');
  expect(sent.id).not.toBe(move.id);
  await soon(() => expect(queueOfOwn(ownLogs.stock).state).toMatchObject({ waiting: [], aside: [] }));
  expect(queueOf('LL-201').state.waiting).toEqual([]);
});
