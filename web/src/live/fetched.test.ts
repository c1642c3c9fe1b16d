import { afterEach, expect, test } from '@jest/globals';
import { fetched } from './fetched';

const real = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = real;
});
const gone = () => Promise.reject(new TypeError('Failed to fetch'));
const answers = (answer: () => Promise<unknown>) => {
  globalThis.fetch = answer as typeof fetch;
};

test('what the server has is what it says it is', async () => {
  answers(() => Promise.resolve({ ok: true, json: () => Promise.resolve({ n: 3 }) }));
  expect(await fetched('/api/v1/stock')).toEqual({ n: 3 });
});
test('is not known where nobody answers, where the answer is a fault, and where it breaks off in the middle', async () => {
  answers(gone);
  expect(await fetched('/api/v1/stock')).toBeNull();
  answers(() => Promise.resolve({ ok: false, json: () => Promise.resolve({ message: 'x' }) }));
  expect(await fetched('/api/v1/stock')).toBeNull();
  answers(() => Promise.resolve({ ok: true, json: gone }));
  expect(await fetched('/api/v1/stock')).toBeNull();
});
