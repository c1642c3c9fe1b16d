import { afterAll, expect, jest, test } from '@jest/globals';
import { spawn } from 'node:child_process';
import { existsSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { cluster } from './postgres.mjs';

jest.setTimeout(240_000);

const server = cluster('test-ground', { throwAway: true, durable: true });
afterAll(() => server.destroy());

async function ask(address: string, question: string): Promise<unknown> {
  const client = new pg.Client({ connectionString: `${address}/postgres` });
  await client.connect();
  try {
    return (await client.query(question)).rows[0];
  } finally {
    await client.end();
  }
}
const settings = () => join(server.folder(), 'cluster.json');
const pidFile = () => join(server.folder(), 'data/postmaster.pid');

test('a cluster is made, keeps its password to itself, and is the same when started again', async () => {
  const address = await server.start();
  await ask(address, 'create table kept (n int)');
  expect(statSync(settings()).mode & 0o777).toBe(0o600);
  expect(await server.start()).toBe(address);
  expect(server.stop()).toBe(true);
  expect(server.stop()).toBe(false);
  expect(await ask(await server.start(), 'select count(*)::int as n from kept')).toEqual({ n: 0 });
});

test('killed five times in a row it comes up at once each time, with all that was committed', async () => {
  for (let n = 1; n <= 5; n += 1) {
    await ask(await server.start(), `insert into kept values (${n})`);
    await server.crash();
  }
  expect(await ask(await server.start(), 'select count(*)::int as n from kept')).toEqual({ n: 5 });
});

test.each([
  ['empty', ''],
  ['half-written', '{"password": "1'],
  ['no object', '[]'],
])('a settings file that is %s costs the password, not the data, running or not', async (_, text) => {
  for (const stopped of [true, false]) {
    if (stopped) server.stop();
    writeFileSync(settings(), text);
    expect(await ask(await server.start(), 'select count(*)::int as n from kept')).toEqual({ n: 5 });
  }
});

test('a number that now belongs to a stranger is not taken for the server, and the stranger is left alone', async () => {
  await server.start();
  const remains = readFileSync(pidFile(), 'utf8');
  server.stop();
  const stranger = spawn(process.execPath, ['-e', 'setInterval(() => {}, 1000)', 'postgres', 'next']);
  try {
    writeFileSync(pidFile(), remains.replace(/^\d+/, String(stranger.pid)));
    expect(server.stop()).toBe(false);
    expect(await ask(await server.start(), 'select count(*)::int as n from kept')).toEqual({ n: 5 });
    expect(stranger.exitCode).toBeNull();
    expect(stranger.signalCode).toBeNull();
  } finally {
    stranger.kill('SIGKILL');
  }
});

test('rubbish in place of the server’s own file does not keep it from starting', async () => {
  server.stop();
  writeFileSync(pidFile(), 'x');
  expect(await ask(await server.start(), 'select 1 as n')).toEqual({ n: 1 });
});

test('what an interrupted making has left is in nobody’s way', async () => {
  server.destroy();
  expect(existsSync(server.folder())).toBe(false);
  await server.start();
  server.stop();
  rmSync(join(server.folder(), 'data'), { recursive: true });
  expect(await ask(await server.start(), 'select 1 as n')).toEqual({ n: 1 });
});
