// Bad requests of every kind, made from the routes and schemas themselves, so that a new one is attacked too.
import { readdirSync, readFileSync } from 'node:fs';
import { request } from 'node:http';
import { join, resolve, sep } from 'node:path';
import {
  entryBodies,
  entryKinds,
  shopEntryBodies,
  shopEntryKinds,
  solvers,
  stockEntryBodies,
  stockEntryKinds,
  type Chance,
} from '@holotonos/core';
import { damagesOf, sampleOf, type Schema } from '../../core/tests/fromSchema';
import { instrumentTypeSchema } from '../../core/src/instruments/instrumentType.schema';
import { newEntrySchema } from '../../core/src/job/entry.schema';
import { measuringPointSchema } from '../../core/src/readings/point.schema';
import { jobDocumentSchema } from '../../core/src/record/jobDocument.schema';
import { bodyAt } from '../bodies.mjs';

const app = resolve(import.meta.dirname, '../src/app');
const files = (name: RegExp) =>
  (readdirSync(app, { recursive: true }) as string[]).filter((file) => name.test(file.split(sep).at(-1) ?? ''));
const addressOf = (file: string) => `/${file.split(sep).slice(0, -1).join('/')}`.replace(/^\/$/, '');

/** Every address of the application, with the methods it knows; pages know GET. */
export const routes: { address: string; methods: string[] }[] = [
  ...files(/^route\.tsx?$/).map((file) => ({
    address: addressOf(file),
    methods: [
      ...readFileSync(join(app, file), 'utf8').matchAll(
        /export (?:const|async function|function) (GET|POST|PUT|DELETE)\b/g,
      ),
    ].map(([, method]) => method ?? ''),
  })),
  ...files(/^page\.tsx$/).map((file) => ({ address: addressOf(file) || '/', methods: ['GET'] })),
  // Streams that are meant to stay open are opened by their own tests.
].filter(({ address }) => !/events$/.test(address));

export interface BadRequest {
  method: string;
  path: string;
  body?: string | Buffer;
  headers: Record<string, string>;
  /** the id of the entry that must not be stored when this is refused */
  id?: string;
}

const strangeNames = [
  '%00',
  'a%00b',
  '%ff',
  '%c3%28',
  '%ed%a0%80',
  '..%2f..%2fetc',
  '..',
  '%2e%2e',
  '%',
  '%zz',
  '__proto__',
  'constructor',
  'LL-201%0d%0aX: y',
  'x'.repeat(3000),
  '%F0%9F%8E%B7',
  "'; drop table entries; --",
  '%25%30%30',
  '-1',
  '2147483648',
  '%20',
  'undefined',
  'LL-201;a=b',
  '%5c..%5c',
];
const strangeMethods = ['PATCH', 'DELETE', 'OPTIONS', 'HEAD', 'PROPFIND', 'PURGE', 'LINK', 'PUT', 'POST', 'TRACE'];
const strangeQueries = [
  '?after=2147483648',
  '?after=-1',
  '?after=1e9',
  '?after=%00',
  '?group=__proto__',
  '?group=%00',
  '?ticket=%ff',
  '?person=%00',
  '?as=%00',
  '?as=..%2f',
  '?author=%00',
  '?author=%ed%a0%80',
  `?author=${'x'.repeat(500)}`,
  '?estimate=%00',
  '?size=%00',
  '?delimiter=%00&decimal=x',
  '?part=%00&group=%ff',
  '?step=%00',
  '?%ff=%ff',
  '?a[b]=c&a=d',
  '?after=',
  '?=',
  `?q=${'y'.repeat(9000)}`,
];
const strangeBodies: (string | Buffer)[] = [
  '',
  '{',
  '[]',
  'null',
  '12',
  '"x"',
  'true',
  '{"__proto__":{"a":1}}',
  '\ufeff{}',
  'a,b\n"',
  '\0',
  Buffer.from([0xff, 0xfe, 0x00]),
  '['.repeat(100_000),
  `{"a":${'{"a":'.repeat(5000)}1${'}'.repeat(5001)}`,
  Buffer.from('PK\x03\x04 no zip'),
  '{"id":1e999}',
  '{"body":"\\ud800"}',
];
const strangeHeaders: Record<string, string>[] = [
  {},
  { 'content-type': 'text/plain' },
  { 'content-type': 'multipart/form-data' },
  { accept: 'application/x-ndjson' },
  { 'content-type': 'application/json; charset=utf-16' },
  { accept: '*/*;q=x' },
  { range: 'bytes=9999-' },
  { 'if-none-match': '\u00ff' },
  { 'x-forwarded-host': 'a b' },
  { cookie: '=;;;=' },
  { host: 'elsewhere.example' },
  { host: '' },
  { origin: 'http://elsewhere.example' },
  { 'origin': 'null', 'content-type': 'text/plain' },
  { 'next-action': 'x' },
  { 'rsc': '1', 'next-router-state-tree': '%ff' },
];

const pages = routes.filter(({ address }) => !address.startsWith('/api'));
const api = routes.filter(({ address }) => address.startsWith('/api'));
const pageShare = 0.12;
/** Where entries come in: however many addresses there are, so many requests at least go there. */
const taking = api.filter(({ address }) => /\/(?:entries|shop|stock|jobs)$/.test(address));
const takingShare = 0.12;

const pick = <T>(chance: Chance, list: readonly T[]): T => list[Math.floor(chance.uniform() * list.length)] as T;

/** An entry with one damage: to its envelope, or to the body of its kind; or with a text that is none. */
function badEntry(
  chance: Chance,
  bodies: Record<string, unknown>,
  kinds: readonly string[],
): { id: string; document: unknown } {
  const kind = pick(chance, kinds);
  const id = chance.uuid();
  const body = sampleOf(bodies[kind] as Schema, chance);
  const entry = { id, kind, body, author: 'Juno Tam', benchTime: '2026-11-23T09:00:00Z' };
  const turn = chance.uniform();
  if (turn < 0.2)
    return {
      id,
      document: pick(
        chance,
        damagesOf(newEntrySchema as Schema, entry).filter(({ path }) => path !== '/body'),
      ).document,
    };
  if (turn < 0.35)
    return {
      id,
      document: JSON.parse(
        JSON.stringify(entry).replace(/"([^"\\]{3,})"(?=[,}])/g, (text) =>
          chance.uniform() < 0.3 ? `"${pick(chance, ['\\u0000', '\\ud800', '\\udfff'])}"` : text,
        ),
      ),
    };
  const damages = damagesOf(bodies[kind] as Schema, body);
  return { id, document: { ...entry, body: damages.length > 0 ? pick(chance, damages).document : null } };
}

function bodyFor(address: string, chance: Chance): { body?: string | Buffer; id?: string; name?: string } {
  if (chance.uniform() < 0.15) return { body: pick(chance, strangeBodies) };
  const damaged = (schema: Schema) => {
    const document = sampleOf(schema, chance);
    return pick(chance, damagesOf(schema, document)).document;
  };
  const asText = (document: unknown, more: object = {}) => ({ body: JSON.stringify(document), ...more });
  if (address.endsWith('/entries')) {
    const { id, document } = badEntry(chance, entryBodies, entryKinds);
    return asText(document, { id });
  }
  if (address.endsWith('/shop')) {
    const { id, document } = badEntry(chance, shopEntryBodies, shopEntryKinds);
    return asText(document, { id });
  }
  if (address.endsWith('/stock')) {
    const { id, document } = badEntry(chance, stockEntryBodies, stockEntryKinds);
    return asText(document, { id });
  }
  if (address.endsWith('/jobs')) {
    const { id, document } = badEntry(chance, entryBodies, ['intake']);
    return asText(document, { id });
  }
  if (address.endsWith('/import')) return asText(damaged(jobDocumentSchema as unknown as Schema));
  if (address.endsWith('/types')) return asText(damaged(instrumentTypeSchema as unknown as Schema));
  if (address.endsWith('/aim'))
    return asText({ ticket: 'LL-201', token: 't', point: damaged(measuringPointSchema as Schema) });
  if (address.includes('/solve/')) {
    const name = pick(chance, [...solvers.keys()]);
    return asText(damaged(solvers.get(name)?.input as Schema), { name });
  }
  const isReadings = address.endsWith('/readings');
  if (isReadings || address.endsWith('/items.csv')) {
    const cell = () =>
      pick(chance, [
        '',
        '1',
        '-1',
        '1e999',
        '0x10',
        'NaN',
        '\0',
        'e',
        'rim',
        'height',
        '0001-01-01T00:00:00+14:00',
        '"',
        '=1+1',
        'x'.repeat(2000),
        '9'.repeat(400),
      ]);
    const drawers = 'id,kind,name,diameter (mm),thickness (mm),hole (mm),sold in,counted,count,low,price (EUR)';
    const readings =
      'entry,bench time,author,group,part,measure,clock (deg),value (mm),gauge,gauge resolution (mm),gauge max error (mm)';
    const rows = Array.from({ length: 3 }, () => Array.from({ length: 11 }, cell).join(','));
    return { body: [isReadings ? readings : drawers, ...rows].join('\n') };
  }
  return { body: pick(chance, strangeBodies) };
}

/** One bad request; the same for the same chance. */
export function badRequest(chance: Chance): BadRequest {
  // Pages differ in little but what they draw, and are slow to make.
  const turn = chance.uniform();
  const { address, methods } = pick(chance, turn < pageShare ? pages : turn < pageShare + takingShare ? taking : api);
  const known = pick(chance, methods);
  const method = chance.uniform() < 0.15 ? pick(chance, strangeMethods) : known;
  const { body, id, name } = ['GET', 'HEAD', 'TRACE', 'OPTIONS'].includes(method) ? {} : bodyFor(address, chance);
  const path = address.replace(/\[(\w+)\]/g, (_, part: string) => {
    if (chance.uniform() < (body === undefined ? 0.5 : 0.15)) return encodeStrange(pick(chance, strangeNames));
    if (part === 'name') return name ?? 'rim';
    if (part === 'id') return chance.uuid();
    return pick(chance, ['LL-201', 'LL-203', 'LL-204']);
  });
  const query = chance.uniform() < 0.3 ? pick(chance, strangeQueries) : '';
  // Mostly sent as what the address takes: what is sent as anything else does not come past the door.
  const [type] = bodyAt(path).types;
  const usual: Record<string, string> = body === undefined || !type ? {} : { 'content-type': type.replace('*', 'png') };
  return {
    method,
    path: path + query,
    headers: { ...usual, ...(chance.uniform() < 0.3 && pick(chance, strangeHeaders)) },
    ...(body !== undefined && { body }),
    ...(id !== undefined && { id }),
  };
}

/** What Node will not send as it stands. */
const encodeStrange = (name: string) =>
  name.replace(/[ '"<>\\^`{|}]/g, (char) => encodeURIComponent(char).replace("'", '%27'));

/** Sends one and gives the status, or what happened in its place. */
export function ask(
  address: string,
  bad: BadRequest,
  patienceMs: number,
): Promise<{ status: number; text: string; ms: number }> {
  const { hostname, port } = new URL(address);
  const begun = performance.now();
  return new Promise((done) => {
    const end = (status: number, text: string) => done({ status, text, ms: performance.now() - begun });
    let sent: ReturnType<typeof request>;
    try {
      sent = request({
        hostname,
        port,
        method: bad.method,
        path: bad.path,
        // Said for every way of asking: without it Node sends the body of a DELETE as what would be the next request.
        headers: { ...(bad.body !== undefined && { 'content-length': Buffer.byteLength(bad.body) }), ...bad.headers },
        agent: false,
        timeout: patienceMs,
      });
    } catch (error) {
      // Node itself will not send this; neither will a browser.
      return end(400, String(error));
    }
    sent.on('response', (response) => {
      const pieces: Buffer[] = [];
      response.on('data', (piece: Buffer) => pieces.push(piece));
      response.on('end', () => end(response.statusCode ?? 0, Buffer.concat(pieces).toString('utf8').slice(0, 400)));
      response.on('error', (error) => end(0, String(error)));
    });
    sent.on('timeout', () => sent.destroy(new Error(`no answer within ${patienceMs} ms`)));
    // A server may hang up on what is no request; it must not do so on one that is.
    sent.on('error', (error) => end(0, String(error)));
    sent.end(bad.body);
  });
}
