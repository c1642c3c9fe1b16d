import { expect, test } from '@jest/globals';
import { refusalOf } from '../edge.mjs';

test.each([
  '/',
  '/jobs/LL-201?part=e',
  '/api/v1/jobs/LL-201/entries',
  '/jobs/%F0%9F%8E%B7',
  '/a..b',
  '/jobs/LL-201/x.pdf',
  '/x?path=../%zz',
])('%s may go on', (url) => expect(refusalOf({ method: 'GET', url })).toBeNull());
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
  const refusal = refusalOf({ method: 'GET', url });
  expect(refusal?.status).toBe(status);
  expect(refusal?.body.message).toMatch(/\.$/);
});
test.each(['TRACE', 'PROPFIND', 'LINK', 'CONNECT', 'get'])('nobody answers to %s', (method) =>
  expect(refusalOf({ method, url: '/' })?.status).toBe(405),
);
test.each(['GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS'])('%s is left to the route', (method) =>
  expect(refusalOf({ method, url: '/' })).toBeNull(),
);
