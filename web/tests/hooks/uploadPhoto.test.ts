import { afterEach, describe, expect, test } from '@jest/globals';
import { photoUrl, uploadPhoto } from '@/photos/uploadPhoto';
import { fetchDouble } from './bench';

const real = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = real;
});
const sends = async (answer: () => Response | Promise<Response>, type = 'image/png') => {
  const { asked, double } = fetchDouble(answer);
  globalThis.fetch = double;
  return { outcome: await uploadPhoto('LL 1/2', 'id', new Blob(['x'], { type })), asked };
};
const taken = { photo: 'id', width: 3, height: 2 };

test('the address of a picture, and of its thumbnail', () => {
  expect(photoUrl('LL 1/2', 'id')).toBe('/api/v1/jobs/LL%201%2F2/photos/id');
  expect(photoUrl('LL-1', 'id', 'thumbnail')).toBe('/api/v1/jobs/LL-1/photos/id?size=thumbnail');
});

describe('a picture', () => {
  test('is sent under its id as what it is', async () => {
    const { outcome, asked } = await sends(() => Response.json(taken, { status: 201 }));
    expect(outcome).toEqual({ ok: true, taken });
    expect(asked[0]?.url).toBe('/api/v1/jobs/LL%201%2F2/photos/id');
    expect(asked[0]?.init).toMatchObject({ method: 'PUT', headers: { 'Content-Type': 'image/png' } });
  });
  test.each(['', 'application/octet-stream'])(
    'of no known kind (%j) is sent as a picture all the same',
    async (type) => {
      const { asked } = await sends(() => Response.json(taken, { status: 201 }), type);
      expect(asked[0]?.init?.headers).toEqual({ 'Content-Type': 'image/jpeg' });
    },
  );
  test.each([
    [400, { problems: [{ message: 'is no picture' }] }, 'is no picture', false],
    [413, { message: '20 MB at most' }, '20 MB at most', false],
    [499, {}, 'The picture was not taken.', false],
    [500, { message: 'reference' }, 'reference', true],
    [503, {}, 'The picture was not taken.', true],
    [201, { photo: 'id', width: 3 }, 'The picture was not taken.', false],
    [201, { width: 3, height: 2 }, 'The picture was not taken.', false],
  ])(
    '%i: refused with its reason, and to be sent again only when the server failed',
    async (status, body, problem, again) => {
      const { outcome } = await sends(() => Response.json(body, { status }));
      expect(outcome).toEqual({ ok: false, problem, again });
    },
  );
  test('is still here when nobody answers', async () => {
    const { outcome } = await sends(() => Promise.reject(new TypeError('gone')));
    expect(outcome).toMatchObject({ ok: false, again: true, problem: expect.stringMatching(/still here/) });
  });
});
