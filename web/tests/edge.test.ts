import { describe, expect, test } from '@jest/globals';
import { bodyAt, weightText } from '../bodies.mjs';
import { guardsOf, namesOf, refusalOf } from '../edge.mjs';

const names = namesOf();
const headers = { host: '127.0.0.1:4600' };

test.each([
  '/',
  '/jobs/LL-201?part=e',
  '/api/v1/jobs/LL-201/entries',
  '/jobs/%F0%9F%8E%B7',
  '/a..b',
  '/jobs/LL-201/x.pdf',
  '/x?path=../%zz',
])('%s may go on', (url) => expect(refusalOf({ method: 'GET', url, headers, names })).toBeNull());
test.each([
  ['/jobs/%', 400],
  ['/jobs/%zz/plan', 400],
  ['/jobs/%ff', 400],
  ['/jobs/%ed%a0%80', 400],
  ['/api/v1/jobs/%c3%28/board.pdf?x=1', 400],
  ['http://elsewhere/', 400],
  ['/jobs/a%00b', 404],
  ['/jobs/x%0d%0aSet-Cookie:y', 404],
  ['/jobs/../etc', 404],
  ['/jobs/%2e%2e/plan', 404],
  ['/jobs/..%2f..%2fetc', 404],
  ['/jobs/..%5c..', 404],
  ['/./jobs', 404],
  [`/${'x'.repeat(9000)}`, 414],
])('%s is refused', (url, status) => {
  const refusal = refusalOf({ method: 'GET', url, headers, names });
  expect(refusal?.status).toBe(status);
  expect(refusal?.body.message).toMatch(/\.$/);
});
test.each(['TRACE', 'PROPFIND', 'LINK', 'CONNECT', 'get'])('nobody answers to %s', (method) =>
  expect(refusalOf({ method, url: '/api/v1/jobs', headers, names })?.status).toBe(405),
);
test.each(['GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS'])('%s is left to the route', (method) =>
  expect(refusalOf({ method, url: '/api/v1/jobs', headers, names })).toBeNull(),
);

describe('who may speak', () => {
  const asks = (more: Record<string, string | undefined>, method = 'GET', told?: string) =>
    refusalOf({ method, url: '/api/v1/jobs/LL-201/entries', headers: { ...headers, ...more }, names: namesOf(told) });

  test.each(['127.0.0.1', 'localhost:4600', 'LOCALHOST', '[::1]:4600', '127.0.0.1:80'])('%s is this machine', (host) =>
    expect(asks({ host })).toBeNull(),
  );
  test.each([
    'elsewhere.example',
    'elsewhere.example:4600',
    '127.0.0.1.elsewhere.example',
    'localhost.elsewhere.example',
    '127.0.0.1@elsewhere.example',
    '192.0.2.7:4600',
    '',
    undefined,
  ])('a page under the name %s is not answered, though it points here', (host) => {
    for (const method of ['GET', 'HEAD', 'POST']) expect(asks({ host }, method)).toMatchObject({ status: 421 });
    expect(asks({ host })?.body.message).toMatch(/bin\/start --name NAME/);
  });
  test('a name it was told is its own', () => {
    expect(asks({ host: 'Shop.example' }, 'GET', 'bench.example, shop.example')).toBeNull();
    expect(asks({ host: 'bench.example:8443' }, 'GET', 'bench.example shop.example')).toBeNull();
    expect(asks({ host: 'other.example' }, 'GET', 'bench.example')).toMatchObject({ status: 421 });
  });

  test.each([undefined, 'http://127.0.0.1:4600', 'https://127.0.0.1:4600'])('origin %s may write', (origin) =>
    expect(asks({ origin }, 'POST')).toBeNull(),
  );
  test.each(['http://elsewhere.example', 'http://127.0.0.1:8080', 'http://localhost:4600', 'null', '', 'file://'])(
    'origin “%s” may not write, but may be answered',
    (origin) => {
      for (const method of ['POST', 'PUT', 'PATCH', 'DELETE'])
        expect(asks({ origin }, method)).toMatchObject({ status: 403, body: { error: 'cross-site' } });
      expect(asks({ origin }, 'GET')).toBeNull();
    },
  );
  test.each([
    ['cross-site', 403],
    ['same-site', 403],
    ['same-origin', undefined],
    ['none', undefined],
  ])('a browser that says %s', (site, status) => expect(asks({ 'sec-fetch-site': site }, 'POST')?.status).toBe(status));
});

describe('what a body may be', () => {
  const sends = (url: string, more: Record<string, string>, method = 'POST') =>
    refusalOf({ method, url, headers: { ...headers, 'content-length': '10', ...more }, names });
  const entries = '/api/v1/jobs/LL-201/entries';

  test.each([
    [entries, 'application/json'],
    [entries, 'Application/JSON; charset=UTF-8'],
    [`${entries}?x=1`, 'application/json;charset="utf-8"'],
    ['/api/v1/jobs/LL-201/readings', 'text/csv; charset=utf-8; header=present'],
    ['/api/v1/jobs/LL-201/book.zip', 'application/zip'],
    ['/api/v1/jobs/LL-201/photos/x', 'image/heic'],
  ])('%s takes %s', (url, type) => expect(sends(url, { 'content-type': type })).toBeNull());
  test.each([
    [entries, 'text/plain'],
    [entries, 'text/plain;application/json'],
    [entries, ''],
    [entries, 'application/jsonp'],
    [entries, 'application/x-www-form-urlencoded'],
    [entries, 'application/json; charset=utf-16'],
    ['/api/v1/jobs/LL-201/readings', 'multipart/form-data; boundary=text/csv'],
    ['/api/v1/jobs/LL-201/photos/x', 'text/html'],
  ])('%s does not take %s', (url, type) => {
    const refusal = sends(url, { 'content-type': type });
    expect(refusal).toMatchObject({ status: 415, body: { error: 'type' } });
    expect(refusal?.body.message).toMatch(/must be sent as (application\/json|text\/csv|image\/\*)/);
  });
  test('a body that does not say how long it is needs its kind too; none needs none', () => {
    const chunked = { ...headers, 'transfer-encoding': 'chunked' };
    expect(refusalOf({ method: 'POST', url: entries, headers: chunked, names })).toMatchObject({ status: 415 });
    expect(refusalOf({ method: 'POST', url: entries, headers, names })).toBeNull();
  });

  test('each address has a limit of its own, and says it', () => {
    const json = { 'content-type': 'application/json' };
    const MB = 1024 * 1024;
    for (const [url, most] of [
      [entries, MB],
      ['/api/v1/shop', MB / 16],
      ['/api/v1/import', 128 * MB],
      ['/api/v1/solve/schedule', 8 * MB],
      ['/api/v1/gauges/aim', 4096],
    ] as const) {
      expect(sends(url, { ...json, 'content-length': String(most) })).toBeNull();
      const over = sends(url, { ...json, 'content-length': String(most + 1) });
      expect(over).toMatchObject({ status: 413, body: { message: `${weightText(most)} at most can be taken here.` } });
    }
    expect([weightText(4096), weightText(MB / 4), weightText(20 * MB)]).toEqual(['4 KB', '256 KB', '20 MB']);
  });
  test('a page takes nothing at all', () => {
    expect(sends('/jobs/LL-201', { 'content-type': 'application/json' })).toMatchObject({ status: 405 });
    expect(bodyAt('/jobs/LL-201')).toEqual({ most: 0, types: [] });
  });
});

test('scripts carry the number of their own answer, and nobody may frame or embed it', () => {
  const guards = guardsOf('abc');
  const policy = guards['Content-Security-Policy'] ?? '';
  expect(policy).toContain("script-src 'self' 'nonce-abc' 'wasm-unsafe-eval';");
  expect(/script-src[^;]*unsafe-inline/.test(policy)).toBe(false);
  expect(policy).toContain("frame-ancestors 'none'");
  expect(guards).toMatchObject({
    'X-Content-Type-Options': 'nosniff',
    'Cross-Origin-Resource-Policy': 'same-origin',
    'Cross-Origin-Opener-Policy': 'same-origin',
  });
  expect(guards['Permissions-Policy']).toMatch(/camera=\(\).*geolocation=\(\)/);
});
