import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { demoDatabase, type TestDatabase } from '../../store/tests/database';
import { demoTime } from './demo';
import { answering, authorOf, broken, readJson, replyTo } from '../src/server/replies';
import * as aim from '../src/app/api/v1/gauges/aim/route';
import * as calendar from '../src/app/api/v1/calendar.ics/route';
import * as health from '../src/app/api/health/route';
import * as importRoute from '../src/app/api/v1/import/route';
import * as jobs from '../src/app/api/v1/jobs/route';
import * as book from '../src/app/api/v1/jobs/[ticket]/book.zip/route';
import * as entries from '../src/app/api/v1/jobs/[ticket]/entries/route';
import * as exportRoute from '../src/app/api/v1/jobs/[ticket]/export/route';
import * as photos from '../src/app/api/v1/jobs/[ticket]/photos/[id]/route';
import * as readings from '../src/app/api/v1/jobs/[ticket]/readings/route';
import * as jobType from '../src/app/api/v1/jobs/[ticket]/type/route';
import * as look from '../src/app/api/v1/readings/look/route';
import * as schema from '../src/app/api/v1/schema/[name]/route';
import * as shop from '../src/app/api/v1/shop/route';
import * as solve from '../src/app/api/v1/solve/[name]/route';
import * as types from '../src/app/api/v1/types/route';
import * as typeRoute from '../src/app/api/v1/types/[id]/route';
import { loadBench, loadWeek } from '../src/server/bench';
import { loadJob, loadShop, shopFrame, unreadJob } from '../src/server/jobs';
import { getDb } from '../src/server/store';

let database: TestDatabase;
const said: string[] = [];
beforeAll(async () => {
  database = await demoDatabase(demoTime);
  process.env.DATABASE_URL = database.webUrl;
  jest.spyOn(console, 'error').mockImplementation((text) => void said.push(String(text)));
});
afterAll(async () => {
  const { holotonosStore, holotonosPulse, holotonosSolvers, holotonosScheduler } = globalThis as {
    holotonosPulse?: { close: () => Promise<void> };
    holotonosStore?: { close: () => Promise<void> };
    holotonosSolvers?: { terminate: () => Promise<unknown> };
    holotonosScheduler?: { terminate: () => Promise<unknown> };
  };
  await Promise.all([holotonosStore?.close(), holotonosPulse?.close()]);
  await holotonosSolvers?.terminate();
  await holotonosScheduler?.terminate();
  await database.drop();
});

const at = (path: string, init?: RequestInit) => new Request(`http://127.0.0.1:4600${path}`, init);
const post = (path: string, body: unknown) =>
  at(path, { method: 'POST', body: typeof body === 'string' ? body : JSON.stringify(body) });
const of = <T extends object>(params: T) => ({ params: Promise.resolve(params) });
const json = async (response: Response) => ({
  status: response.status,
  body: (await response.json()) as Record<string, unknown>,
});
const note = (change: object = {}) => ({
  id: randomUUID(),
  kind: 'note',
  body: { text: 'x' },
  author: 'Juno Tam',
  benchTime: '2026-11-23T09:00:00.000Z',
  ...change,
});
const write = async (entry: unknown, ticket = 'LL-203') =>
  json(await entries.POST(post('/api/v1/jobs/LL-201/entries', entry), of({ ticket })));

describe('entries', () => {
  test('are written once, however often they are sent', async () => {
    const entry = note();
    const [first, second] = [await write(entry), await write(entry)];
    expect([first.status, second.status]).toEqual([201, 200]);
    expect(second.body).toMatchObject({ known: true, entry: (first.body as { entry: object }).entry });
    expect(await write({ ...entry, body: { text: 'y' } })).toMatchObject({ status: 409, body: { error: 'conflict' } });
  });
  test.each([
    ['a time before all clocks', { benchTime: '0001-01-01T00:00:00+14:00' }, '/benchTime'],
    ['a leap second', { benchTime: '2026-06-30T23:59:60Z' }, '/benchTime'],
    ['an id in capitals', { id: 'ABCDEF00-0000-4000-8000-000000000001' }, '/id'],
    ['an id with a scheme', { id: 'urn:uuid:abcdef00-0000-4000-8000-000000000001' }, '/id'],
    ['NUL in the author', { author: 'a\0b' }, '/author'],
    ['half a character in the author', { author: 'a\ud800' }, '/author'],
    ['NUL in a text', { body: { text: 'a\0b' } }, '/body/text'],
    ['half a character in a text', { body: { text: '\udc00' } }, '/body/text'],
    ['a body that is none', { body: null }, '/body'],
    ['an unknown kind', { kind: '__proto__' }, '/kind'],
    ['a kind nobody writes', { kind: 'unreadable', body: { kind: 'x', problem: 'x', was: '' } }, '/kind'],
  ])('%s is refused by its place', async (_, change, path) => {
    const { status, body } = await write(note(change));
    expect([status, body.error]).toEqual([400, 'invalid-input']);
    expect((body.problems as { path: string }[]).map((each) => each.path)).toContain(path);
  });
  test.each(['nothing', '[1', '\ufeff', 'NaN'])('%j is no JSON', async (text) =>
    expect(
      await json(await entries.POST(post('/api/v1/jobs/LL-201/entries', text), of({ ticket: 'LL-203' }))),
    ).toMatchObject({ status: 400 }),
  );
  test.each(['LL-999', '%00', 'a\0b', '../LL-203', '', 'x'.repeat(500), '\ud800'])(
    'there is no ticket %j',
    async (ticket) => {
      expect((await write(note(), ticket)).status).toBe(404);
      expect((await entries.GET(at('/'), of({ ticket }))).status).toBe(404);
      for (const route of [exportRoute, jobType]) expect((await route.GET(at('/'), of({ ticket }))).status).toBe(404);
    },
  );
  test('are given from the first where nobody says after which', async () => {
    const all = await json(await entries.GET(at('/'), of({ ticket: 'LL-201' })));
    expect((all.body.entries as { seq: number }[])[0]?.seq).toBe(1);
  });
  test.each([
    ['0', 200],
    ['5', 200],
    ['2147483647', 200],
    ['2147483648', 400],
    ['-1', 400],
    ['1.5', 400],
    ['x', 400],
  ])('after %s', async (after, status) => {
    const answer = await json(await entries.GET(at(`/?after=${after}`), of({ ticket: 'LL-201' })));
    expect(answer.status).toBe(status);
    if (after === '5') expect((answer.body.entries as { seq: number }[])[0]?.seq).toBe(6);
    if (status === 200) expect(answer.body.more).toBe(false);
    else
      expect(answer.body).toMatchObject({
        problems: [{ path: '/after', message: 'must be a whole number, 2147483647 at most' }],
      });
  });
});

const intake = (change: object = {}) =>
  note({
    kind: 'intake',
    body: {
      ticket: 'T-1',
      owner: 'x',
      instrumentType: 'oboe',
      family: 'oboe',
      practice: 'stage',
      scope: 'repair',
      unit: 'mm',
      ...change,
    },
  });

describe('tickets', () => {
  test('are opened once; the number is then taken', async () => {
    const first = intake();
    expect((await json(await jobs.POST(post('/api/v1/jobs', first)))).status).toBe(201);
    expect((await json(await jobs.POST(post('/api/v1/jobs', first)))).status).toBe(200);
    expect(await json(await jobs.POST(post('/api/v1/jobs', { ...first, author: 'somebody' })))).toMatchObject({
      status: 409,
      body: { message: expect.stringMatching(/other words/) },
    });
    expect(await json(await jobs.POST(post('/api/v1/jobs', intake())))).toMatchObject({
      status: 409,
      body: { message: expect.stringMatching(/in use/) },
    });
    expect((await json(await jobs.POST(post('/api/v1/jobs', intake({ ticket: 'no good!' }))))).status).toBe(400);
    expect((await json(await jobs.POST(post('/api/v1/jobs', note())))).status).toBe(400);
  });
  test('go out whole and come in under another number', async () => {
    const out = await exportRoute.GET(at('/'), of({ ticket: 'LL-204' }));
    expect(out.headers.get('content-disposition')).toContain('LL-204.holotonos.json');
    const text = await out.text();
    expect(
      await json(await importRoute.POST(at('/api/v1/import?as=LL-804', { method: 'POST', body: text }))),
    ).toMatchObject({
      status: 201,
      body: { ticket: 'LL-804' },
    });
    expect((await importRoute.POST(at('/api/v1/import?as=LL-804', { method: 'POST', body: text }))).status).toBe(409);
    expect((await importRoute.POST(at('/api/v1/import?as=no%20good', { method: 'POST', body: text }))).status).toBe(
      400,
    );
    expect((await importRoute.POST(post('/api/v1/import', { format: 'other' }))).status).toBe(400);
  });
});

describe('readings and the measuring book', () => {
  test('of one group or all; a group that is none is refused', async () => {
    const all = await (await readings.GET(at('/'), of({ ticket: 'LL-201' }))).text();
    const rims = await (await readings.GET(at('/?group=rim'), of({ ticket: 'LL-201' }))).text();
    expect(rims.length).toBeLessThan(all.length);
    expect(
      rims
        .split('\r\n')
        .slice(1, -1)
        .every((row) => row.includes(',rim,')),
    ).toBe(true);
    expect((await readings.GET(at('/?group=none'), of({ ticket: 'LL-201' }))).status).toBe(400);
  });
  test('come back in and are known; a time before all clocks is named by line and column, and nothing is taken', async () => {
    const all = await (await readings.GET(at('/'), of({ ticket: 'LL-201' }))).text();
    const back = await json(
      await readings.POST(at('/api/v1/jobs/LL-201/readings', { method: 'POST', body: all }), of({ ticket: 'LL-201' })),
    );
    expect(back).toMatchObject({ status: 200, body: { added: 0 } });
    const row = all.split('\r\n')[1]?.split(',') ?? [];
    const bad = [all.split('\r\n')[0], ['', '0001-01-01T00:00:00+14:00', ...row.slice(2)].join(',')].join('\r\n');
    const refused = await json(
      await readings.POST(at('/api/v1/jobs/LL-201/readings', { method: 'POST', body: bad }), of({ ticket: 'LL-201' })),
    );
    expect(refused).toMatchObject({ status: 400, body: { problems: [{ path: 'line 2, column “bench time”' }] } });
    expect(
      (
        await readings.POST(
          at('/api/v1/jobs/LL-201/readings?author=%00', { method: 'POST', body: all }),
          of({ ticket: 'LL-201' }),
        )
      ).status,
    ).toBe(400);
    expect(
      (
        await readings.POST(
          at('/api/v1/jobs/LL-201/readings?delimiter=x', { method: 'POST', body: all }),
          of({ ticket: 'LL-201' }),
        )
      ).status,
    ).toBe(400);
    expect(
      (await readings.POST(at('/api/v1/jobs/LL-201/readings', { method: 'POST' }), of({ ticket: 'LL-201' }))).status,
    ).toBe(400);
  });
  test('told line by line, the last line is the outcome', async () => {
    const all = await (await readings.GET(at('/'), of({ ticket: 'LL-201' }))).text();
    const asked = at('/api/v1/jobs/LL-201/readings', {
      method: 'POST',
      body: all,
      headers: { accept: 'application/x-ndjson' },
    });
    const lines = (await (await readings.POST(asked, of({ ticket: 'LL-201' }))).text()).trim().split('\n');
    expect(JSON.parse(lines.at(-1) ?? '')).toMatchObject({ status: 'stored', added: 0 });
  });
  test.each([
    ['refused', 'LL-201', 'group\nx\n'],
    ['no-job', 'LL-999', 'group\nx\n'],
  ])('told line by line, one that is not taken ends with %s', async (status, ticket, body) => {
    const headers = { accept: 'application/x-ndjson' };
    const asked = at(`/api/v1/jobs/${ticket}/readings`, { method: 'POST', body, headers });
    const lines = (await (await readings.POST(asked, of({ ticket }))).text()).trim().split('\n');
    expect(JSON.parse(lines.at(-1) ?? '')).toMatchObject({ status });
    const book_ = at(`/api/v1/jobs/${ticket}/book.zip`, { method: 'POST', body, headers });
    const last = (await (await book.POST(book_, of({ ticket }))).text()).trim().split('\n').at(-1);
    expect((JSON.parse(last ?? '') as { status: string }).status).toMatch(/refused|no-job/);
  });
  test('a document is told line by line too', async () => {
    const asked = at('/api/v1/import', { method: 'POST', body: '{', headers: { accept: 'application/x-ndjson' } });
    const answer = await importRoute.POST(asked);
    expect(answer.headers.get('content-type')).toBe('application/x-ndjson');
    expect(JSON.parse(await answer.text())).toMatchObject({ status: 'refused', problems: [{ path: '' }] });
  });
  test('a book goes out and comes in; what is no zip is refused', async () => {
    const out = await book.GET(at('/'), of({ ticket: 'LL-201' }));
    const bytes = await out.arrayBuffer();
    expect(
      await json(
        await book.POST(at('/api/v1/jobs/LL-201/book.zip', { method: 'POST', body: bytes }), of({ ticket: 'LL-201' })),
      ),
    ).toMatchObject({ status: 200, body: { added: 0 } });
    expect((await book.POST(post('/api/v1/jobs/LL-201/book.zip', 'no zip'), of({ ticket: 'LL-201' }))).status).toBe(
      400,
    );
    expect((await book.GET(at('/'), of({ ticket: 'LL-999' }))).status).toBe(404);
  });
  test('a file is looked at before anything of it is taken', async () => {
    expect(await json(await look.POST(post('/api/v1/readings/look', 'group;part\nrim;e')))).toMatchObject({
      status: 200,
      body: { dialect: { delimiter: ';' } },
    });
  });
});

describe('everything else', () => {
  test('solvers answer with their states', async () => {
    const asked = async (name: string, body: unknown) =>
      (await solve.POST(post('/api/v1/solve/rim', body), of({ name }))).status;
    const question = {
      readings: [9.02],
      gauge: { resolution: 0.01, maxPermissibleError: 0.02 },
      limits: { upper: 9.1 },
    };
    expect(await asked('conformity', question)).toBe(200);
    expect(await asked('conformity', { ...question, readings: [] })).toBe(400);
    expect(await asked('__proto__', question)).toBe(404);
    expect(await asked('constructor', question)).toBe(404);
  });
  test('schemas and types by name', async () => {
    expect((await schema.GET(at('/'), of({ name: 'job-document' }))).status).toBe(200);
    expect((await json(await schema.GET(at('/'), of({ name: 'constructor' })))).body.message).toMatch(
      /^There is no schema “constructor”\. There are: job-document, \S+, /,
    );
    expect((await typeRoute.GET(at('/'), of({ id: 'oboe' }))).status).toBe(200);
    for (const id of ['none', 'a\0b', '__proto__']) expect((await typeRoute.GET(at('/'), of({ id }))).status).toBe(404);
    expect(((await json(await types.GET())).body.types as unknown[]).length).toBeGreaterThan(9);
    expect((await types.POST(post('/api/v1/types', { id: 'x' }))).status).toBe(400);
  });
  test('the shop takes entries and answers with what it is then', async () => {
    const gauge = {
      id: 'messuhr',
      name: 'Messuhr',
      kind: 'indicator',
      resolution: 0.01,
      maxPermissibleError: 0.01,
      calibrateEvery: 12,
    };
    const entry = note({ kind: 'gauge', body: gauge });
    const first = await json(await shop.POST(post('/api/v1/shop', entry)));
    expect(first.status).toBe(201);
    expect((first.body.gauges as { id: string }[]).map(({ id }) => id)).toContain('messuhr');
    expect((await shop.POST(post('/api/v1/shop', entry))).status).toBe(200);
    expect((await shop.POST(post('/api/v1/shop', { ...entry, body: { ...gauge, name: 'x' } }))).status).toBe(409);
    expect(
      (await shop.POST(post('/api/v1/shop', { ...entry, id: randomUUID(), benchTime: '0001-01-01T00:00:00Z' }))).status,
    ).toBe(400);
    expect((await json(await shop.GET())).status).toBe(200);
  });
  test('the calendar is in the zone of the shop', async () => {
    const whole = await calendar.GET(at('/'));
    expect(whole.headers.get('content-type')).toBe('text/calendar; charset=utf-8');
    expect(whole.headers.get('content-disposition')).toMatch(/bench\.ics/);
    const text = await whole.text();
    expect(text).toMatch(/BEGIN:VEVENT/);
    expect(text).toMatch(/LL-201 due/);
    const one = await (await calendar.GET(at('/?ticket=LL-202'))).text();
    expect([/LL-202/.test(one), /LL-201/.test(one)]).toEqual([true, false]);
    const [person] = (await loadShop()).shop.people;
    const own = await (await calendar.GET(at(`/?person=${person?.id}`))).text();
    expect(own.length).toBeLessThan(text.length);
  });
  test('pictures have ids in one spelling', async () => {
    const id = randomUUID();
    expect(
      (
        await photos.PUT(
          at('/api/v1/jobs/LL-201/photos/x', { method: 'PUT', body: 'x' }),
          of({ ticket: 'LL-201', id: id.toUpperCase() }),
        )
      ).status,
    ).toBe(400);
    expect(
      (await photos.PUT(at('/api/v1/jobs/LL-201/photos/x', { method: 'PUT', body: 'x' }), of({ ticket: 'LL-201', id })))
        .status,
    ).toBe(400);
    expect((await photos.GET(at('/'), of({ ticket: 'LL-201', id }))).status).toBe(404);
  });
  test('a gauge is aimed at a point of a ticket', async () => {
    const point = { group: 'rim', part: 'low-e', measure: 'height', clock: 0 };
    expect((await aim.POST(post('/api/v1/gauges/aim', { ticket: 'LL-201', token: 't', point }))).status).toBe(204);
    expect((await aim.POST(post('/api/v1/gauges/aim', { ticket: 'LL-999', token: 't', point }))).status).toBe(404);
    for (const body of [
      null,
      [],
      { ticket: 5, token: 't', point },
      { ticket: 'LL-201', token: 5, point },
      { ticket: 'LL-201', token: 't' },
    ])
      expect((await aim.POST(post('/api/v1/gauges/aim', body))).status).toBe(400);
  });
  test('health', async () =>
    expect(await json(await health.GET())).toEqual({ status: 200, body: { app: 'holotonos' } }));
});

describe('what goes wrong is told apart', () => {
  const fault = (code: string, message = 'x') =>
    Object.assign(new Error('Failed query: insert … params: secret words'), {
      cause: Object.assign(new Error(message), { code }),
    });
  test.each(['ECONNREFUSED', 'ECONNRESET', '57P01', '57P03', '08006', '53300'])(
    '%s: the database does not answer',
    async (code) =>
      expect(await json(replyTo(fault(code)))).toMatchObject({ status: 503, body: { error: 'unavailable' } }),
  );
  test('so does a pool that waits in vain', async () =>
    expect((await json(replyTo(new Error('timeout exceeded when trying to connect')))).status).toBe(503));
  test('a full disk is called one', async () =>
    expect(await json(replyTo(fault('53100')))).toMatchObject({ status: 507, body: { error: 'disk-full' } }));
  test.each(['22021', '22P05', '22008', '23514'])('%s: it refuses what it was given', async (code) =>
    expect((await json(replyTo(fault(code)))).status).toBe(400),
  );
  test.each([
    new Error('undefined is not a function'),
    fault('42P01', 'relation is missing'),
    'a text',
    null,
    undefined,
  ])('anything else is a fault with a number that stands in the log, without what was written: %p', async (error) => {
    said.length = 0;
    const { status, body } = await json(await answering(() => Promise.reject(error)));
    expect([status, body.error]).toEqual([500, 'fault']);
    expect(body.message).toContain(String(body.reference));
    expect(said.join('\n')).toContain(String(body.reference));
    expect(said.join('\n')).not.toContain('secret');
  });
  test('two faults have two numbers', async () => {
    const number = async () => (await json(broken(new Error('x')))).body.reference;
    expect(await number()).not.toBe(await number());
  });
  test('a body is read no further than its limit, whatever it says of its length', async () => {
    const long = 'x'.repeat(5000);
    const aimed = (init: RequestInit) => at('/api/v1/gauges/aim', { method: 'POST', ...init });
    expect(await readJson(aimed({ body: long }))).toMatchObject({ ok: false });
    const full = `"${'x'.repeat(4094)}"`;
    expect(await readJson(aimed({ body: full }))).toMatchObject({ ok: true });
    expect(await readJson(aimed({ body: full, headers: { 'content-length': '4096' } }))).toMatchObject({ ok: true });
    expect(await readJson(aimed({ body: `${full} ` }))).toMatchObject({ ok: false });
    const lying = aimed({ body: `"${long}"`, headers: { 'content-length': '10' } });
    const read = await readJson(lying);
    expect(read.ok ? 0 : read.response.status).toBe(413);
  });
  test('who says so has a name of some length', () => {
    expect(authorOf(at('/?author=%20Juno%20Tam '))).toEqual({ ok: true, author: 'Juno Tam', signed: false });
    expect(authorOf(at('/'))).toEqual({ ok: true, author: 'imported', signed: false });
    expect(authorOf(at(`/?author=${'x'.repeat(81)}`)).ok).toBe(false);
  });
});

describe('what pages read', () => {
  const now = '2026-11-25T10:00:00.000Z';
  test('a job with its instrument; none for another number', async () => {
    expect(await loadJob('LL-202')).toMatchObject({ ticket: 'LL-202', type: { family: 'oboe' } });
    expect(await loadJob('LL-999')).toBeNull();
  });
  test('the bench with its tickets, a schedule, and the zone of the shop', async () => {
    const bench = await loadBench(now, { limit: 40 });
    expect(bench.lines.map(({ ticket }) => ticket)).toEqual(
      expect.arrayContaining(['LL-201', 'LL-202', 'LL-203', 'LL-204']),
    );
    expect(bench.schedule?.tasks.length).toBeGreaterThan(20);
    expect(bench.question.input.calendar?.timeZone).toBe('Europe/Berlin');
    expect(bench.unread).toEqual([]);
    expect(await shopFrame()).toEqual({ zone: 'Europe/Berlin', lockMinutes: 15 });
    expect((await loadShop()).shop.people).toHaveLength(3);
  });
  test('the week over the tickets that come first; whoever asks in the same minute is told the same', async () => {
    const week = await loadWeek(now);
    expect(week.question.input.tickets?.map(({ id }) => id)).toEqual(week.summaries.map(({ ticket }) => ticket));
    expect(week.later).toBe(0);
    const again = await loadWeek('2026-11-25T10:00:30.000Z');
    expect(again.question).toEqual(week.question);
    expect(again.schedule).toBe(week.schedule);
    expect((await loadWeek('2026-11-25T10:01:00.000Z')).schedule).not.toBe(week.schedule);
  });
  test('lists follow the shop’s own work: a few tickets at once, many beside the page', async () => {
    const rule = { id: 'dents', rule: { finding: 'dent', operations: ['burnish'] } };
    const behind = async () => (await loadBench(now, { limit: 1 })).behind;
    const write = (retired: boolean) =>
      shop.POST(post('/api/v1/shop', { ...note(), kind: 'cure-rule', body: { ...rule, retired } }));
    expect((await write(false)).status).toBe(201);
    expect(await behind()).toBe(false);
    for (let n = 0; n < 10; n += 1) await jobs.POST(post('/api/v1/jobs', intake({ ticket: `MANY-${n}` })));
    expect(await behind()).toBe(false);
    expect((await write(true)).status).toBe(201);
    expect(await behind()).toBe(true);
    let tries = 0;
    while ((await behind()) && tries < 100) tries += 1;
    expect(tries).toBeLessThan(100);
  });
  test('a clock is forgotten by the times the shop really takes', async () => {
    await jobs.POST(
      post('/api/v1/jobs', intake({ ticket: 'CLOCK-1', instrumentType: 'alto-saxophone', family: 'saxophone' })),
    );
    const write = (kind: string, body: object) =>
      entries.POST(
        post('/api/v1/jobs/CLOCK-1/entries', { ...note(), kind, body, benchTime: '2026-11-25T07:30:00.000Z' }),
        of({ ticket: 'CLOCK-1' }),
      );
    const finding = {
      finding: randomUUID(),
      kind: 'rim-warped',
      part: 'e',
      severity: 2,
      status: 'confirmed',
      evidence: [],
    };
    expect((await write('finding', finding)).status).toBe(201);
    expect((await write('operation-started', { operation: 'dress-rim:e', cautionsAccepted: [] })).status).toBe(201);
    const clock = async () => (await loadBench(now, { limit: 1 })).clocks.find(({ ticket }) => ticket === 'CLOCK-1');
    expect(await clock()).toMatchObject({ minutes: 150, forgotten: true });
    await database.pool.query(
      "insert into step_times select id, 'dress-rim', 'saxophone', 'Juno Tam', 100 * ln(2.5), 100 from jobs where ticket = 'CLOCK-1'",
    );
    expect(await clock()).toMatchObject({ minutes: 150, forgotten: false });
  });
  test('a shop without hours is told why there is no schedule', async () => {
    const hours = { timeZone: 'Europe/Berlin', week: {}, closed: [], resources: { oven: 1, vice: 2 } };
    await shop.POST(post('/api/v1/shop', { ...note(), kind: 'hours', body: hours }));
    for (const { id, name } of (await loadShop()).shop.people)
      await shop.POST(
        post('/api/v1/shop', { ...note(), kind: 'person', body: { id, name, skills: [], retired: true } }),
      );
    const { schedule, unscheduled } = await loadWeek(now);
    expect(schedule).toBeNull();
    expect(unscheduled).toMatch(/no open hours/);
  });
  test('a ticket that cannot be shown is told, and the others go on', async () => {
    const { rows } = await database.pool.query("insert into jobs (ticket) values ('LL-902') returning id");
    await database.pool.query(
      "insert into entries (job_id, seq, id, kind, body, author, bench_time) values ($1, 1, $2, 'intake', '{}', 'x', now())",
      [rows[0].id, randomUUID()],
    );
    const bench = await loadBench(now, { limit: 40 });
    expect(bench.unread).toEqual([{ ticket: 'LL-902', problem: expect.stringMatching(/^intake: /) }]);
    expect(bench.lines.map(({ ticket }) => ticket)).toContain('LL-201');
    expect(await unreadJob('LL-902')).toMatchObject({ ticket: 'LL-902' });
    expect(await unreadJob('LL-201')).toBeNull();
    expect(await unreadJob('LL-999')).toBeNull();
    expect((await exportRoute.GET(at('/'), of({ ticket: 'LL-902' }))).status).toBe(200);
    expect(getDb()).toBe(getDb());
  });
});
