import { expect, jest, test } from '@jest/globals';
import type { Pool } from 'workerpool';
import { GET as keys } from '../src/app/api/v1/keys.pdf/route';
import { GET as card } from '../src/app/api/v1/jobs/[ticket]/card.pdf/route';
import { GET as checkUp } from '../src/app/api/v1/jobs/[ticket]/check-up.pdf/route';
import { GET as playTest } from '../src/app/api/v1/jobs/[ticket]/play-test.pdf/route';
import { GET as board } from '../src/app/api/v1/jobs/[ticket]/board.pdf/route';
import { GET as assembly } from '../src/app/api/v1/jobs/[ticket]/assembly.pdf/route';
import { GET as estimate } from '../src/app/api/v1/jobs/[ticket]/estimate.pdf/route';
import { GET as record } from '../src/app/api/v1/jobs/[ticket]/record.pdf/route';
import { webDatabase } from './demo';

webDatabase({ demo: true });
const request = (path: string) => new Request(`http://127.0.0.1${path}`);
const of = (ticket: string) => ({ params: Promise.resolve({ ticket }) });
async function sheet(answer: Response) {
  const bytes = Buffer.from(await answer.arrayBuffer());
  return {
    status: answer.status,
    file: /filename="([^"]*)"/.exec(answer.headers.get('content-disposition') ?? '')?.[1],
    isPdf: bytes.subarray(0, 5).toString() === '%PDF-',
    pictures: bytes.toString('latin1').match(/\/Subtype \/Image/g)?.length ?? 0,
  };
}

test.each([
  ['LL-201-record', () => record(request('/'), of('LL-201'))],
  ['LL-201-bench-card', () => card(request('/'), of('LL-201'))],
  ['LL-201-play-test', () => playTest(request('/'), of('LL-201'))],
  ['LL-201-screw-board', () => board(request('/'), of('LL-201'))],
  ['LL-201-way-back', () => assembly(request('/'), of('LL-201'))],
  ['keys', () => keys()],
  ['LL-201-estimate', () => estimate(request('/'), of('LL-201'))],
])('%s is drawn on the thread of the printer and comes as a file', async (name, get) => {
  expect(await sheet(await get())).toMatchObject({ status: 200, file: `${name}.pdf`, isPdf: true });
});

test('a sheet brings along the shipped font in both its weights, and no other', async () => {
  const text = Buffer.from(await (await keys()).arrayBuffer()).toString('latin1');
  const faces = [...text.matchAll(/\/BaseFont \/\w+\+([\w-]+)/g)].map(([, face]) => face ?? '');
  expect([...new Set(faces)].sort()).toEqual(['AtkinsonHyperlegibleNext-Bold', 'AtkinsonHyperlegibleNext-Regular']);
});

test('photographs of a record go to the thread and into the file', async () => {
  expect((await sheet(await record(request('/'), of('LL-201')))).pictures).toBeGreaterThan(0);
});

test('what a job has no sheet of is not found, nor is a ticket that is none', async () => {
  expect((await checkUp(request('/'), of('LL-201'))).status).toBe(404);
  expect((await estimate(request('/?estimate=none'), of('LL-201'))).status).toBe(404);
  expect((await record(request('/'), of('LL-999'))).status).toBe(404);
});

test('a sheet is drawn once for all who ask for it, at once or later; that of another ticket is another', async () => {
  const drawn = jest.spyOn((globalThis as { holotonosPrinter?: Pool }).holotonosPrinter as Pool, 'exec');
  const bytes = async (ticket: string) =>
    Buffer.from(await (await playTest(request('/'), of(ticket))).arrayBuffer()).toString('base64');
  const [first, same, other] = await Promise.all(['LL-202', 'LL-202', 'LL-203'].map(bytes));
  expect(drawn).toHaveBeenCalledTimes(2);
  expect(await bytes('LL-202')).toBe(first);
  expect([same === first, other === first]).toEqual([true, false]);
  expect(drawn).toHaveBeenCalledTimes(2);
  drawn.mockRestore();
});

test('while a sheet is drawn this thread goes on; too many at once are asked to wait', async () => {
  let turns = 0;
  const timer = setInterval(() => (turns += 1), 5);
  const tickets = ['LL-201', 'LL-202', 'LL-203', 'LL-204'];
  const asked = [board, card, assembly, playTest, record].flatMap((get) =>
    tickets.map((ticket) => get(request('/'), of(ticket))),
  );
  const statuses = (await Promise.all(asked)).map(({ status }) => status);
  clearInterval(timer);
  expect(turns).toBeGreaterThan(20);
  expect(statuses.filter((status) => status === 429).length).toBeGreaterThan(0);
  expect(statuses.filter((status) => status === 200).length).toBeGreaterThan(5);
  expect(new Set(statuses)).toEqual(new Set([200, 429]));
});
