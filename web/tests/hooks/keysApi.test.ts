/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { fetchDouble, answered } from './bench';

const forgetPages = jest.fn();
jest.unstable_mockModule('../../src/frame/keeper', () => ({ forgetPages }));
const { askDoor } = await import('../../src/frame/keysApi');

const real = globalThis.fetch;
beforeEach(() => {
  forgetPages.mockClear();
});
afterEach(() => {
  globalThis.fetch = real;
});
const answers = (status: number, body: object) => (globalThis.fetch = fetchDouble(() => answered(status, body)).double);

test.each(['/sign-in/email', '/hands', '/sign-out', '/first-owner'])(
  '%s takes along what was kept for other eyes, once it is done',
  async (path) => {
    answers(401, { message: 'No.' });
    expect(await askDoor(path, {})).toEqual({ ok: false, message: 'No.' });
    expect(forgetPages).not.toHaveBeenCalled();
    answers(200, { done: true });
    expect(await askDoor(path, {})).toEqual({ ok: true, body: { done: true } });
    expect(forgetPages).toHaveBeenCalledTimes(1);
  },
);
test('asking, and what changes nobody, leaves it', async () => {
  answers(200, { people: [] });
  await askDoor('/people');
  await askDoor('/keys', { name: 'Juno Tam' });
  expect(forgetPages).not.toHaveBeenCalled();
});
test('what went wrong comes back in words', async () => {
  globalThis.fetch = (() => Promise.reject(new TypeError('nobody there'))) as typeof fetch;
  expect(await askDoor('/people')).toEqual({
    ok: false,
    message: 'The server does not answer. Try again in a moment.',
  });
  answers(429, {});
  expect(await askDoor('/hands', {})).toMatchObject({ ok: false, message: expect.stringContaining('Wait a minute') });
  answers(500, {});
  expect(await askDoor('/hands', {})).toMatchObject({ ok: false, message: expect.stringContaining('500') });
});
