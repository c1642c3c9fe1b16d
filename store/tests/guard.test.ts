import { afterAll, beforeAll, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { emptyJobState } from '@holotonos/core';
import pg from 'pg';
import {
  appendEntry,
  appendShopEntry,
  checkGuards,
  guards,
  importReadings,
  IncompleteDatabase,
  jobByTicket,
  jobEntries,
  jobState,
  letWrite,
  openJob,
  openStore,
  shopState,
  type Store,
} from '../src';
import { demoDatabase, testDatabase, type TestDatabase } from './database';
import { entryOf, intakeOf, now } from './entries';

const note = (text: string) => entryOf('note', { text });

let owner: TestDatabase;
let web: Store;
beforeAll(async () => {
  owner = await demoDatabase();
  web = openStore(owner.webUrl, 4);
});
afterAll(async () => {
  await web.close();
  await owner.drop();
});

describe('the web process', () => {
  test('does all its work: tickets, entries, files, the shop', async () => {
    expect(await openJob(web.db, intakeOf('G-1'))).toMatchObject({ status: 'stored' });
    expect(await appendEntry(web.db, 'G-1', note('x'))).toMatchObject({ status: 'stored' });
    const hours = { ...(await shopState(web.db)).hours, timeZone: 'Europe/Berlin' };
    expect(await appendShopEntry(web.db, entryOf('hours' as 'note', hours) as never)).toMatchObject({
      status: 'stored',
    });
    const header = 'group,part,measure,clock (deg),value (mm),gauge,gauge resolution (mm),gauge max error (mm)';
    async function* csv() {
      yield Buffer.from(`${header}\npad,e,gap,0,0.02,feeler-film,0.01,0.004\n`);
    }
    const options = { author: 'x', now, mintId: randomUUID };
    expect(await importReadings(web.db, 'G-1', csv(), options)).toMatchObject({ status: 'stored', added: 1 });
  });
  test.each([
    ['drop trigger entries_append_only on entries', 'must be owner'],
    ['alter table entries disable trigger all', 'must be owner'],
    ['alter table entries add column x text', 'must be owner'],
    ['create table mine (x int)', 'permission denied'],
    ['truncate entries', 'permission denied'],
    ['delete from entries', 'permission denied'],
    ["update entries set author = 'y'", 'permission denied'],
    ["update jobs set ticket = 'y'", 'permission denied'],
    ['update jobs set id = id', 'append-only'],
    ['drop function refuse_change() cascade', 'must be owner'],
    ["set session_replication_role = 'replica'", 'permission denied'],
    ['create role other', 'permission denied'],
    ['select * from drizzle.__drizzle_migrations', 'permission denied'],
  ])('cannot %s', async (statement, words) => {
    await expect(web.pool.query(statement)).rejects.toThrow(words);
  });
  test('is let in again and again, with a new password too', async () => {
    const other = Object.assign(new URL(owner.webUrl), { username: 'holotonos_other', password: 'one' });
    const enter = async (url: string) => {
      const client = new pg.Client({ connectionString: url });
      await client.connect();
      const { rows } = await client.query('select count(*)::int as n from entries');
      await client.end();
      return (rows[0] as { n: number }).n;
    };
    await letWrite(owner.url, other.href);
    expect(await enter(other.href)).toBeGreaterThan(100);
    other.password = 'two';
    // A user who is there already may be somebody's: a wrong password is said, not made right.
    await expect(letWrite(owner.url, other.href)).rejects.toThrow(/password authentication failed/);
    await letWrite(owner.url, other.href, { ours: true });
    await letWrite(owner.url, other.href);
    expect(await enter(other.href)).toBeGreaterThan(100);
    await owner.pool.query('drop owned by holotonos_other');
    await owner.pool.query('drop role holotonos_other');
  });
});

describe('a database that lacks its guards is not started on', () => {
  let hurt: TestDatabase;
  beforeEach(async () => {
    hurt = await testDatabase();
  });
  const refusal = async (statement: string) => {
    await hurt.pool.query(statement);
    const error = await checkGuards(hurt.url).catch((caught: unknown) => caught);
    await hurt.drop();
    expect(error).toBeInstanceOf(IncompleteDatabase);
    return (error as Error).message;
  };
  test('one that the migrations made has them all, and this list names them all', async () => {
    await checkGuards(hurt.url);
    const { rows } = await hurt.pool.query<{ table: string; name: string }>(
      'select tgrelid::regclass::text as table, tgname as name from pg_trigger where not tgisinternal order by 1, 2',
    );
    const found: Record<string, string[]> = {};
    for (const { table, name } of rows) (found[table] ??= []).push(name);
    expect(found).toEqual(guards);
    await hurt.drop();
  });
  test.each([
    ['drop trigger entries_append_only on entries', /lacks the trigger entries_append_only on entries\./],
    ['alter table photos disable trigger photos_no_truncate', /photos_no_truncate on photos, which is switched off/],
    ['drop table shop_entries', /lacks the table shop_entries\./],
    ['drop table stock_entries', /lacks the table stock_entries\./],
    ['drop function refuse_change() cascade', /entries_append_only on entries.*shop_entries_no_truncate/],
  ])('%s', async (statement, words) => {
    const says = await refusal(statement);
    expect(says).toMatch(words);
    expect(says).toMatch(/Restore the database/);
  });
});

describe('a database that is restored under a running process', () => {
  const ticket = 'R-1';
  let database: TestDatabase;
  const said: string[] = [];
  beforeEach(async () => {
    said.length = 0;
    jest.spyOn(console, 'error').mockImplementation((text) => void said.push(String(text)));
    database = await testDatabase();
    await openJob(database.db, intakeOf(ticket));
    for (const text of ['one', 'two', 'three']) await appendEntry(database.db, ticket, note(text));
  });
  const idOf = async () => (await jobByTicket(database.db, ticket))?.id ?? '';
  /** What a restore does: the tables are made anew and filled as they were at an earlier time. */
  const restore = async (upTo: number) => {
    await database.pool.query(`
      create table kept as select * from entries where seq <= ${upTo};
      alter table entries disable trigger all;
      truncate entries;
      insert into entries select * from kept;
      alter table entries enable trigger all;
      drop table kept;
    `);
  };
  const seqs = async () => (await jobEntries(database.db, await idOf())).map(({ seq }) => seq);

  test('serves no ghosts, and numbers go on without gaps', async () => {
    const id = await idOf();
    expect((await jobState(database.db, id)).seq).toBe(4);
    await restore(2);
    expect(await appendEntry(database.db, ticket, note('four'))).toMatchObject({ status: 'stored', entry: { seq: 3 } });
    expect(await seqs()).toEqual([1, 2, 3]);
    expect((await jobState(database.db, id)).notes.map(({ body }) => body.text)).toEqual(['one', 'four']);
    expect(said.join()).toMatch(/restored or exchanged/);
    await database.drop();
  });
  test('with as many entries as before, but others', async () => {
    const id = await idOf();
    await jobState(database.db, id);
    await restore(3);
    await database.pool.query(
      `insert into entries (job_id, seq, id, kind, body, author, bench_time)
       values ($1, 4, $2, 'note', '{"text":"other"}', 'x', now())`,
      [id, randomUUID()],
    );
    await new Promise((wait) => setTimeout(wait, 600));
    expect((await jobState(database.db, id)).notes.map(({ body }) => body.text)).toEqual(['one', 'two', 'other']);
    await database.drop();
  });
  test('the shop, too, is read anew before anything is written on it', async () => {
    const { db, pool } = database;
    const usual = (await shopState(db)).hours;
    const hoursIn = (timeZone: string) =>
      pool.query(
        `insert into shop_entries (seq, id, kind, body, author, bench_time) values (1, $1, 'hours', $2, 'x', now())`,
        [randomUUID(), JSON.stringify({ ...usual, timeZone })],
      );
    const words = { id: 'own-flame', text: 'Mind the flame.', operations: [], reason: 'the roof is straw' };
    const write = () => appendShopEntry(db, { ...entryOf('note', {}), kind: 'caution', body: words } as never);
    await hoursIn('Asia/Tokyo');
    expect((await shopState(db)).hours.timeZone).toBe('Asia/Tokyo');
    // To this process the database of each test is another.
    said.length = 0;
    expect(await write()).toMatchObject({ entry: { seq: 2 } });
    expect(said).toEqual([]);
    await restore(3);
    await pool.query('alter table shop_entries disable trigger all; truncate shop_entries');
    await hoursIn('Africa/Accra');
    await pool.query('alter table shop_entries enable trigger all');
    expect(await write()).toMatchObject({ entry: { seq: 2 } });
    expect(said.join()).toMatch(/restored or exchanged/);
    expect((await shopState(db)).hours.timeZone).toBe('Africa/Accra');
    await database.drop();
  });
  test('rows that vanish without a restore are noticed when the next is written', async () => {
    const id = await idOf();
    await jobState(database.db, id);
    await database.pool.query('alter table entries disable trigger all; delete from entries where seq > 2');
    await database.pool.query('alter table entries enable trigger all');
    expect(await appendEntry(database.db, ticket, note('five'))).toMatchObject({ entry: { seq: 3 } });
    expect(said.join()).toMatch(/has no entry 4 any more/);
    expect(await seqs()).toEqual([1, 2, 3]);
    await database.drop();
  });
  test('a hole is said and read again from the beginning', async () => {
    const id = await idOf();
    await jobState(database.db, id);
    await database.pool.query(
      `insert into entries (job_id, seq, id, kind, body, author, bench_time)
       values ($1, 7, $2, 'note', '{"text":"seven"}', 'x', now())`,
      [id, randomUUID()],
    );
    const state = await jobState(database.db, id);
    expect(said.join()).toMatch(/goes on with 7 after 4/);
    expect(state).not.toBe(emptyJobState);
    expect(state.notes.map(({ body }) => body.text)).toEqual(['one', 'two', 'three', 'seven']);
    await database.drop();
  });
});
