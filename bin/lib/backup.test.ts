import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { demoCopy, newDatabase, type Copy } from '../../store/tests/copies';
import { backup, prune, restore, stampedName, verify } from './backup';
import { main } from './cli';

jest.setTimeout(120_000);

let demo: Copy;
let empty: Copy;
const folder = mkdtempSync(join(tmpdir(), 'backup-'));
const file = (name: string) => join(folder, name);
let [out, err] = ['', ''];
beforeAll(async () => {
  demo = await demoCopy();
  empty = await newDatabase();
  jest.spyOn(process.stdout, 'write').mockImplementation((text) => {
    out += String(text);
    return true;
  });
  jest.spyOn(console, 'error').mockImplementation((text) => void (err += `${String(text)}\n`));
});
afterAll(async () => {
  jest.restoreAllMocks();
  await Promise.all([demo.drop(), empty.drop()]);
  rmSync(folder, { recursive: true, force: true });
});

/** Runs a command with a database named; gives its exit and what it said. */
async function run(url: string, args: string[]) {
  [out, err] = ['', ''];
  process.env['DATABASE_URL'] = url;
  try {
    return { status: await main(args), out, err };
  } finally {
    delete process.env['DATABASE_URL'];
  }
}
async function ask(url: string, question: string) {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return (await client.query<Record<string, unknown>>(question)).rows;
  } finally {
    await client.end();
  }
}
const entriesIn = async (url: string) => (await ask(url, 'select count(*)::int as n from entries'))[0]?.['n'];

describe('bin/holotonos backup, verify, restore', () => {
  test('all comes back into an empty database, and each says what it holds', async () => {
    const made = await run(demo.url, ['backup', file('shop.gz')]);
    expect(made).toMatchObject({ status: 0, err: '' });
    expect(made.out).toMatch(/shop\.gz: \d+ tickets, \d+ entries, \d+ photos, .* as of 20\d\d-.* \(\d+\.\d MB\)/);
    const told = (text: string) => /\d+ tickets.*Z/.exec(text)?.[0];
    const read = await run(demo.url, ['verify', file('shop.gz')]);
    expect([read.status, told(read.out)]).toEqual([0, told(made.out)]);
    const back = await run(empty.url, ['restore', file('shop.gz')]);
    expect([back.status, told(back.out)]).toEqual([0, told(made.out)]);
    expect(await entriesIn(empty.url)).toBe(await entriesIn(demo.url));
  });

  test('what is there is never written over: it is refused, or kept aside under a name that is said', async () => {
    const before = await entriesIn(empty.url);
    const refused = await run(empty.url, ['restore', file('shop.gz')]);
    expect(refused.status).toBe(2);
    expect(refused.err).toMatch(/not empty.*--aside/s);
    await ask(empty.url, 'create table mine (n int)');
    // Whoever works with it keeps it.
    const bench = new pg.Client({ connectionString: empty.url });
    await bench.connect();
    const busy = await run(empty.url, ['restore', file('shop.gz'), '--aside']);
    await bench.end();
    expect([busy.status, busy.err]).toEqual([2, expect.stringContaining('bin/start --stop')]);
    const aside = await run(empty.url, ['restore', file('shop.gz'), '--aside']);
    expect(aside).toMatchObject({ status: 0, err: '' });
    const kept = /database (\S+);/.exec(aside.out)?.[1] ?? '';
    const keptUrl = Object.assign(new URL(empty.url), { pathname: `/${kept}` }).href;
    expect([await entriesIn(empty.url), await entriesIn(keptUrl)]).toEqual([before, before]);
    expect(await ask(keptUrl, 'select * from mine')).toEqual([]);
    await expect(ask(empty.url, 'select * from mine')).rejects.toThrow('mine');
    await ask(empty.url, `drop database ${kept}`);
  });

  test('a damaged file is refused, and no database is made for it', async () => {
    writeFileSync(file('cut.gz'), readFileSync(file('shop.gz')).subarray(0, 5000));
    const nowhere = Object.assign(new URL(empty.url), { pathname: '/never_made' }).href;
    for (const command of [['verify'], ['restore'], ['restore', '--aside']]) {
      const { status, err: said } = await run(nowhere, [...command, file('cut.gz')]);
      expect([status, said]).toEqual([2, expect.stringMatching(/damaged.*another backup/s)]);
    }
    expect(await ask(empty.url, "select 1 from pg_database where datname = 'never_made'")).toEqual([]);
  });

  test.each([
    [['backup'], /Name the file/],
    [['backup', 'a', '--to', 'b'], /Name the file/],
    [['backup', 'a', '--keep', '3'], /go with --to/],
    [['backup', 'a', 'b'], /one argument too many/],
    [['backup', '--to', 'b', '--every', 'day'], /--every is a figure/],
    [['backup', '--to', 'b', '--keep', '0'], /--keep is a figure/],
    [['verify'], /Name the backup/],
    [['verify', '/no/such/file'], /no file/],
    [['restore'], /Name the backup/],
  ])('%j is refused in words', async (args, why) => {
    const { status, err: said } = await run(demo.url, args);
    expect([status, said]).toEqual([2, expect.stringMatching(why)]);
  });

  test('nothing is overwritten, and what cannot be reached is said', async () => {
    expect((await run(demo.url, ['backup', file('shop.gz')])).err).toContain('is there already');
    expect((await run(demo.url, ['backup', file('no/such/a.gz')])).err).toContain('no folder');
    const missing = Object.assign(new URL(demo.url), { pathname: '/never_made' }).href;
    expect((await run(missing, ['backup', file('b.gz')])).err).toContain('no database “never_made”');
    expect((await run('mysql://x', ['backup', file('b.gz')])).err).toContain('DATABASE_URL must look like');
    expect(existsSync(file('b.gz'))).toBe(false);
  });

  test('into a folder under its date; the newest are kept, and nothing else is touched', async () => {
    const kept = join(folder, 'kept');
    const old = stampedName(new Date('2026-01-02T03:04:05Z'));
    expect(old).toBe('holotonos-20260102T030405000Z.jsonl.gz');
    expect((await run(demo.url, ['backup', '--to', kept])).status).toBe(0);
    for (const name of [old, 'holotonos-mine.jsonl.gz', 'notes.txt']) writeFileSync(join(kept, name), '');
    const again = await run(demo.url, ['backup', '--to', kept, '--keep', '2']);
    expect(again.status).toBe(0);
    const names = readdirSync(kept);
    expect(names).toEqual(expect.arrayContaining(['holotonos-mine.jsonl.gz', 'notes.txt']));
    expect(names).not.toContain(old);
    expect(prune(kept, 1).length).toBeLessThanOrEqual(1);
    expect(readdirSync(kept).filter((name) => /\d{8}T/.test(name))).toHaveLength(1);
  });

  test('on a timer until it is told to stop; one that fails does not end it', async () => {
    const timed = join(folder, 'timed');
    process.env['DATABASE_URL'] = Object.assign(new URL(demo.url), { pathname: '/never_made' }).href;
    [out, err] = ['', ''];
    // A hundredth of an hour is 36 s: the first is tried at once, the next is not waited for.
    const running = backup(['--to', timed, '--every', '0.01']);
    for (let tries = 0; tries < 200 && err === ''; tries += 1) await new Promise((done) => setTimeout(done, 50));
    expect(err).toContain('Not backed up this time: There is no database');
    process.emit('SIGTERM');
    expect(await running).toBe(0);
    delete process.env['DATABASE_URL'];
    expect(readdirSync(timed)).toEqual([]);
  });
});

test('each command is one of bin/holotonos', async () => {
  for (const command of [verify, restore]) await expect(command([])).rejects.toThrow('Name the backup');
});
