import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { Readable } from 'node:stream';
import {
  emptyJobState,
  entryProblems,
  foldJob,
  gaugeOfReading,
  readJobDocument,
  shelfGauges,
  toJobDocument,
  type Entry,
  type JobState,
  type NewEntry,
  type ShelfGauge,
} from '@holotonos/core';
import { sql } from 'drizzle-orm';
import {
  announceAim,
  appendEntry,
  brackwaterJobs,
  importJob,
  isEmpty,
  jobByTicket,
  jobEntries,
  jobState,
  listJobs,
  loadDemo,
  migrateDatabase,
  NewerDatabase,
  openAnnouncer,
  openJob,
  readReadings,
  readingsToCsv,
  sqlState,
} from '../src';
import { randomJob } from '../../core/tests/randomJob';
import { migrations, testDatabase, type TestDatabase } from './database';
import { storyJobs } from './story';
import { entryOf, intakeOf, now } from './entries';

let store: TestDatabase;
beforeAll(async () => {
  store = await testDatabase();
});
afterAll(() => store.drop());

const film = gaugeOfReading(shelfGauges[0] as ShelfGauge);
const reading = (part = 'g', clock = 0, value = 0.05) =>
  entryOf('reading', {
    point: { group: 'pad', part, measure: 'gap', clock },
    value,
    typed: String(value),
    gauge: film,
  });

async function job(ticket: string): Promise<string> {
  expect((await openJob(store.db, intakeOf(ticket))).status).toBe('stored');
  return (await jobByTicket(store.db, ticket))?.id ?? '';
}

describe('the logbook in the database', () => {
  test('the same entry sent ten times, and by two at once, is one entry', async () => {
    const id = await job('T-1');
    const entry = reading();
    const answers = await Promise.all(Array.from({ length: 10 }, () => appendEntry(store.db, 'T-1', entry)));
    expect(answers.map(({ status }) => status)).toEqual(Array(10).fill('stored'));
    expect(new Set(answers.map((answer) => (answer.status === 'stored' ? answer.entry.seq : 0)))).toEqual(new Set([2]));
    expect(answers.filter((answer) => answer.status === 'stored' && !answer.known)).toHaveLength(1);
    expect(await jobEntries(store.db, id)).toHaveLength(2);
  });

  test('an id that says something else is a conflict, and nothing changes', async () => {
    const id = await job('T-2');
    const entry = reading();
    await appendEntry(store.db, 'T-2', entry);
    expect(await appendEntry(store.db, 'T-2', { ...entry, author: 'Someone else' })).toEqual({ status: 'conflict' });
    expect(await jobEntries(store.db, id)).toHaveLength(2);
  });

  test.each([3, 5, 8])(
    'story %i of every kind: written whole, or entry by entry, it is what the core says',
    async (seed) => {
      const story = randomJob(seed, 60);
      const state = foldJob(story);
      expect(await importJob(store.db, `R-${seed}`, story)).toBe('imported');
      const whole = await jobState(store.db, (await jobByTicket(store.db, `R-${seed}`))?.id ?? '');
      expect(whole).toEqual(state);
      const renamed = story.map(({ seq: _, receivedAt: __, ...entry }) =>
        entry.kind === 'intake' ? { ...entry, body: { ...entry.body, ticket: `S-${seed}` } } : entry,
      ) as NewEntry[];
      const [first, ...rest] = renamed as [NewEntry, ...NewEntry[]];
      expect((await openJob(store.db, first)).status).toBe('stored');
      for (const entry of rest) expect((await appendEntry(store.db, `S-${seed}`, entry)).status).toBe('stored');
      const single = await jobState(store.db, (await jobByTicket(store.db, `S-${seed}`))?.id ?? '');
      const said = ({ points, findings, off, operations, rounds, costs }: JobState) => ({
        points,
        findings,
        off,
        operations,
        rounds,
        costs,
      });
      expect(said(single)).toEqual(said(state));
    },
  );

  test('sequence numbers have no gaps, however many write at once', async () => {
    const id = await job('T-3');
    await Promise.all(Array.from({ length: 40 }, (_, i) => appendEntry(store.db, 'T-3', reading('g', (i % 8) * 45))));
    expect((await jobEntries(store.db, id)).map(({ seq }) => seq)).toEqual(Array.from({ length: 41 }, (_, i) => i + 1));
  });

  test('bad and unfitting entries are refused and written nowhere', async () => {
    const id = await job('T-4');
    const bad = { ...reading(), body: { nonsense: true } } as unknown as NewEntry;
    expect((await appendEntry(store.db, 'T-4', bad)).status).toBe('refused');
    expect((await appendEntry(store.db, 'T-4', reading('no-such-hole'))).status).toBe('refused');
    expect((await appendEntry(store.db, 'T-4', entryOf('strike', { entry: randomUUID() }))).status).toBe('refused');
    expect((await appendEntry(store.db, 'T-none', reading())).status).toBe('no-job');
    expect(await jobEntries(store.db, id)).toHaveLength(1);
  });

  test.each([
    'update entries set author = $1',
    'delete from entries where author <> $1',
    'update jobs set ticket = $1',
    'delete from jobs where ticket <> $1',
  ])('the database refuses: %s', async (statement) => {
    await job(`T-5-${statement.length}`);
    await expect(store.pool.query(statement, ['x'])).rejects.toThrow(/append-only/);
  });
  test('the database refuses truncate', async () => {
    await expect(store.pool.query('truncate entries, jobs, photos, summaries, step_times, outcomes')).rejects.toThrow(
      /append-only/,
    );
  });

  test('opening a ticket twice with one intake is one job; another intake is refused', async () => {
    const entry = intakeOf('T-6');
    const [first, second] = [await openJob(store.db, entry), await openJob(store.db, entry)];
    expect([first.status, second.status]).toEqual(['stored', 'stored']);
    expect((await openJob(store.db, intakeOf('T-6'))).status).toBe('ticket-taken');
    expect((await openJob(store.db, reading())).status).toBe('refused');
  });

  test('the state this process remembers follows what others write', async () => {
    const id = await job('T-7');
    expect((await jobState(store.db, id)).seq).toBe(1);
    await appendEntry(store.db, 'T-7', reading());
    const state = await jobState(store.db, id);
    expect(state.seq).toBe(2);
    expect(state).toEqual(foldJob(await jobEntries(store.db, id)));
  });

  test('a new entry is announced to all who listen to its job, and to no one else', async () => {
    const [mine, other] = [await job('T-9'), await job('T-10')];
    const announcer = openAnnouncer(store.url);
    const heard: string[] = [];
    const stops = await Promise.all([
      announcer.listen(
        mine,
        () => heard.push('first'),
        () => undefined,
      ),
      announcer.listen(
        mine,
        () => heard.push('second'),
        () => undefined,
      ),
      announcer.listen(
        other,
        () => heard.push('other'),
        () => undefined,
      ),
    ]);
    await appendEntry(store.db, 'T-9', reading());
    const until = async (done: () => boolean) => {
      for (let tries = 0; tries < 100 && !done(); tries += 1) await new Promise((resolve) => setTimeout(resolve, 20));
    };
    await until(() => heard.length >= 2);
    expect(heard.sort()).toEqual(['first', 'second']);
    for (const stop of stops) stop();
    // The last to leave closes the connection; the next to come opens another.
    const again = await announcer.listen(
      mine,
      () => heard.push('again'),
      () => undefined,
    );
    await appendEntry(store.db, 'T-9', reading());
    await until(() => heard.includes('again'));
    expect(heard).toContain('again');
    again();
  });
  test('an aim is heard by every process that listens, and by none that does not', async () => {
    const heard: string[][] = [[], [], []];
    const announcers = heard.map((list) =>
      openAnnouncer(store.url, ({ token, point }) => list.push(token + point.part)),
    );
    const stops = await Promise.all(
      announcers.slice(0, 2).map((announcer) =>
        announcer.listen(
          null,
          () => undefined,
          () => undefined,
        ),
      ),
    );
    const point = { group: 'pad', part: 'g', measure: 'gap', clock: 0 } as const;
    await announceAim(store.db, { token: 'n° 1 ', ticket: 'T-9', point });
    for (let tries = 0; tries < 100 && heard.flat().length < 2; tries += 1)
      await new Promise((resolve) => setTimeout(resolve, 20));
    expect(heard).toEqual([['n° 1 g'], ['n° 1 g'], []]);
    for (const stop of stops) stop();
  });
  test('a broken listening connection is told to everyone', async () => {
    const announcer = openAnnouncer(store.url);
    let told = 0;
    await announcer.listen(
      await job('T-11'),
      () => undefined,
      () => (told += 1),
    );
    await store.pool.query(
      "select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen %' and datname = current_database()",
    );
    for (let tries = 0; tries < 100 && told === 0; tries += 1) await new Promise((resolve) => setTimeout(resolve, 20));
    expect(told).toBe(1);
  });
});

describe('documents', () => {
  test('a job survives export and import, word for word', async () => {
    const [sax] = storyJobs();
    const text = JSON.stringify(toJobDocument('LL-201', sax?.entries ?? [], '2026-11-23T09:00:00.000Z'));
    const read = readJobDocument(JSON.parse(text));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(await importJob(store.db, 'LL-201', read.document.entries)).toBe('imported');
    const id = (await jobByTicket(store.db, 'LL-201'))?.id ?? '';
    expect(await jobEntries(store.db, id)).toEqual(sax?.entries);
    expect(await importJob(store.db, 'LL-201', read.document.entries)).toBe('ticket-taken');
  });

  const entries = (): Entry[] => structuredClone(storyJobs()[2]?.entries ?? []);
  test.each<[string, (list: Entry[]) => void, string]>([
    ['a gap in the order', (list) => list.splice(3, 1), '/entries/3/seq'],
    ['an entry twice', (list) => list.splice(3, 0, { ...(list[2] as Entry), seq: 4 }), '/entries/3/id'],
    ['a wrong type', (list) => Object.assign(list[1]?.body ?? {}, { operation: 7 }), '/entries/1/body/operation'],
    ['no intake', (list) => list.shift(), '/entries/0/kind'],
    ['a stranger', (list) => Object.assign(list[1] as object, { kind: 'spell' }), '/entries/1/kind'],
  ])('a damaged document is refused: %s', (_name, damage, path) => {
    const list = entries();
    damage(list);
    const read = readJobDocument(toJobDocument('LL-203', list, '2026-11-23T09:00:00.000Z'));
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.problems.map((problem) => problem.path)).toContain(path);
  });
  test('every problem is named, not only the first', () => {
    const list = entries();
    for (const at of [1, 2, 3]) Object.assign(list[at] as object, { author: '' });
    const read = readJobDocument(toJobDocument('LL-203', list, '2026-11-23T09:00:00.000Z'));
    expect(read.ok ? [] : read.problems.map(({ path }) => path)).toEqual([
      '/entries/1/author',
      '/entries/2/author',
      '/entries/3/author',
    ]);
  });
});

const readCsv = (text: string, options: Parameters<typeof readReadings>[1]) =>
  readReadings([{ name: '', bytes: Readable.from([Buffer.from(text)]) }], options);

describe('readings as CSV', () => {
  const jobs = storyJobs();
  test('come back as they went out', async () => {
    const state = jobs[0]?.state ?? emptyJobState;
    const csv = readingsToCsv(state);
    expect(csv.split('\r\n')[0]).toContain('value (mm)');
    const read = await readCsv(csv, { author: 'x', now, mintId: randomUUID });
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const live = state.entries.filter((entry) => entry.kind === 'reading' && !state.struck.has(entry.id));
    expect(read.entries).toEqual(live.map(({ seq: _seq, receivedAt: _at, ...entry }) => entry));
    expect(read.entries.length).toBeGreaterThan(100);
  });
  test('take inches where the header says so', async () => {
    const csv =
      'group,part,measure,clock (deg),value (thou),gauge,gauge resolution (mm),gauge max error (mm)\npad,g,gap,45,2,feeler-film,0.01,0.004\n';
    const read = await readCsv(csv, { author: 'Juno Tam', now, mintId: randomUUID });
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const [entry] = read.entries;
    expect(entry?.kind === 'reading' && entry.body.value).toBeCloseTo(0.0508, 12);
    expect(entryProblems(entry)).toEqual([]);
  });
  test('bad rows are named by line and column, and nothing is taken', async () => {
    const csv =
      'group,part,measure,clock (deg),value (mm),gauge,gauge resolution (mm),gauge max error (mm)\npad,g,gap,45,zwei,f,0.01,0.004\npad,g,gap,45\n';
    expect(await readCsv(csv, { author: 'x', now, mintId: randomUUID })).toEqual({
      ok: false,
      problems: [
        { path: 'line 2, column “value (mm)”', message: '“zwei” is not a figure' },
        { path: 'line 3', message: 'has 4 columns, the header 8' },
      ],
    });
    expect(await readCsv('a,b\n1,2\n', { author: 'x', now, mintId: randomUUID })).toMatchObject({ ok: false });
    expect(await readCsv('"', { author: 'x', now, mintId: randomUUID })).toMatchObject({ ok: false });
  });
});

describe('the demo', () => {
  test('is the same every time, well-formed, and tells the four stories', () => {
    const [once, again] = [brackwaterJobs(), brackwaterJobs()];
    expect(once.map(({ entries }) => entries)).toEqual(again.map(({ entries }) => entries));
    for (const { entries } of once) for (const entry of entries) expect(entryProblems(entry, 'stored')).toEqual([]);
    const all = once.flatMap(({ state }) => [...state.findings.values()].map(({ status }) => status));
    expect(all).toEqual(expect.arrayContaining(['stop-gap', 'cured', 'suspected', 'confirmed']));
    expect(once.every(({ state }) => state.intake !== null)).toBe(true);
    expect(once.filter(({ state }) => state.struck.size > 0).length).toBeGreaterThanOrEqual(2);
    const stale = once.flatMap(({ state }) =>
      [...state.points.values()].flatMap(({ readings }) => readings.filter((r) => r.stale)),
    );
    expect(stale.length).toBeGreaterThan(8);
  });
  test('is loaded only into an empty database', async () => {
    const fresh = await testDatabase();
    expect(await isEmpty(fresh.db)).toBe(true);
    expect(await loadDemo(fresh.db)).toBe(4);
    expect(await loadDemo(fresh.db)).toBe(0);
    expect((await listJobs(fresh.db)).map(({ ticket }) => ticket).sort()).toEqual([
      'LL-201',
      'LL-202',
      'LL-203',
      'LL-204',
    ]);
    for (const { id, ticket } of await listJobs(fresh.db)) {
      const entries = await jobEntries(fresh.db, id);
      expect(entries.map(({ kind }) => kind)).not.toContain('unreadable');
      // What the demo says could have been written by hand: each entry is taken on the way in again.
      expect(readJobDocument(toJobDocument(ticket, entries, now))).toMatchObject({ ok: true });
    }
    await fresh.drop();
  });
});

describe('migrations', () => {
  test('two starts at once collide in nothing, and a third changes nothing', async () => {
    const fresh = await testDatabase({ migrated: false });
    await Promise.all([migrateDatabase(fresh.url, migrations), migrateDatabase(fresh.url, migrations)]);
    await migrateDatabase(fresh.url, migrations);
    expect(await isEmpty(fresh.db)).toBe(true);
    await fresh.drop();
  });
  test('a database of a newer program is left alone', async () => {
    const fresh = await testDatabase();
    await fresh.db.execute(
      sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', 99999999999999)`,
    );
    await expect(migrateDatabase(fresh.url, migrations)).rejects.toThrow(NewerDatabase);
    await fresh.drop();
  });
  test('the state behind an error is found', async () => {
    const error = await store.db.execute(sql`select * from nowhere`).catch((caught: unknown) => caught);
    expect(sqlState(error)).toBe('42P01');
  });
  test('every group goes out as CSV and comes back, stations and forces among them', async () => {
    const [sax] = storyJobs();
    const state = foldJob(sax?.entries ?? []);
    const text = readingsToCsv(state);
    const groups = new Set([...state.points.values()].map(({ point }) => point.group));
    expect([...groups].sort()).toEqual(['body-line', 'hinge', 'joint', 'pad', 'post', 'rim']);
    const read = await readCsv(text, { author: 'x', now: '2026-11-23T09:00:00.000Z', mintId: randomUUID });
    if (!read.ok) throw new Error(JSON.stringify(read.problems.slice(0, 3)));
    const bodies = (entries: readonly { id: string; kind: string; body: unknown }[]) =>
      new Map(entries.filter(({ kind }) => kind === 'reading').map(({ id, body }) => [id, body]));
    const struck = new Set(state.struck.keys());
    expect(bodies(read.entries)).toEqual(bodies(state.entries.filter(({ id }) => !struck.has(id))));
    const force = text.split('\r\n')[0] + '\r\n,,,spring,e-key,force,0,,,0.9,,force-gauge,Force gauge,0.01,0.02,,,\r\n';
    const inch = await readCsv(force.replace('value (mm)', 'value (in)'), {
      author: 'x',
      now: '2026-11-23T09:00:00.000Z',
      mintId: randomUUID,
    });
    const [header] = text.split('\r\n');
    const late = `${header}\r\n,,,link,f-to-f-sharp,lateness,0,,d-key+e-key,-0.02,,feeler-film,Film,0.01,0.005,,,\r\n`;
    const held = await readCsv(late, { author: 'x', now: '2026-11-23T09:00:00.000Z', mintId: randomUUID });
    expect(held.ok && held.entries[0]?.body).toMatchObject({
      point: { measure: 'lateness', held: ['d-key', 'e-key'] },
      value: -0.02,
    });
    expect(inch.ok && inch.entries[0]?.kind === 'reading' && inch.entries[0].body).toMatchObject({
      value: 0.9,
      typed: '0.900 N',
    });
  });
});
