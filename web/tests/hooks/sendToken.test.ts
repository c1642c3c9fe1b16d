/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { sendToken } from '../../src/frame/sendToken';
import { tokenCookie, tokenHeader } from '../../src/server/gateHeaders';

// Nothing here asks with one; the page only has to know what it is.
(globalThis as { Request?: unknown }).Request ??= Blob;
const token = 'x'.repeat(32);
let asked: { address: string; said: string | null; more: RequestInit | undefined }[];
const real = window.fetch;
beforeEach(() => {
  asked = [];
  window.fetch = ((input: string | URL | Request, init?: RequestInit) => {
    const said = init?.headers instanceof Headers ? init.headers.get(tokenHeader) : null;
    asked.push({ address: String(input), said, more: init });
    return Promise.resolve({ ok: true });
  }) as typeof fetch;
  document.cookie = `other=1`;
  document.cookie = `${tokenCookie}=${token}`;
  // As it stands in the page: text, with nothing round it.
  (0, eval)(`(${sendToken.toString()})()`);
});
afterEach(() => {
  document.cookie = `${tokenCookie}=; max-age=0`;
  window.fetch = real;
});

test('whatever writes to this server says what the browser carries, and keeps all it says itself', async () => {
  const headers = { 'Content-Type': 'application/json' };
  await window.fetch('/api/v1/shop', { method: 'POST', headers, body: '{}' });
  await window.fetch(new URL('/api/v1/jobs/LL-1/photos/x', location.href), { method: 'put' });
  expect(asked.map(({ said }) => said)).toEqual([token, token]);
  expect(asked[0]?.more).toMatchObject({ method: 'POST', body: '{}' });
  expect((asked[0]?.more?.headers as Headers).get('content-type')).toBe('application/json');
});
test('what only reads, and what goes elsewhere, says nothing; a browser that carries nothing neither', async () => {
  await window.fetch('/api/v1/shop');
  await window.fetch('/api/v1/shop', { method: 'HEAD' });
  await window.fetch('https://elsewhere.example/x', { method: 'POST' });
  document.cookie = `${tokenCookie}=; max-age=0`;
  await window.fetch('/api/v1/shop', { method: 'POST' });
  expect(asked.map(({ said }) => said)).toEqual([null, null, null, null]);
});
