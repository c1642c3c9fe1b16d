import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { once } from 'node:events';
import { createServer, request as ask, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout as pause } from 'node:timers/promises';
import { answer } from '../answer.mjs';

const refusal = { status: 413, body: { error: 'too-large', message: '8 MB at most can be taken here.' } };
const MB = Buffer.alloc(1024 * 1024, ' ');

let patience = 2000;
const server = createServer((request, response) => answer(request, response, refusal, patience));
const post = (length: number) =>
  ask({
    port: (server.address() as AddressInfo).port,
    method: 'POST',
    headers: { 'Content-Length': length },
  });

beforeAll(async () => {
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});

test('who is refused in the middle of sending reads why, and the connection holds until all is sent', async () => {
  const sender = post(9 * MB.length);
  const broken: unknown[] = [];
  sender.on('error', (error) => broken.push(error));
  const answered = once(sender, 'response');
  for (let i = 0; i < 9; i += 1) {
    sender.write(MB);
    await pause(20);
  }
  sender.end();
  const [response] = (await answered) as [IncomingMessage];
  const text = (await response.setEncoding('utf8').toArray()).join('');
  expect(response.statusCode).toBe(413);
  expect(JSON.parse(text)).toEqual(refusal.body);
  expect(broken).toEqual([]);
});

test('who goes on sending for ever is cut off', async () => {
  patience = 100;
  const sender = post(1e12);
  // What breaks it off may be told as an error first, or not.
  sender.on('error', () => undefined);
  sender.on('response', (response) => response.resume().on('error', () => undefined));
  const broken = new Promise((resolve) => sender.on('close', resolve));
  const drip = setInterval(() => sender.write(MB), 10);
  await broken.finally(() => clearInterval(drip));
  expect(sender.destroyed).toBe(true);
});
