import { beforeAll, expect, jest, test } from '@jest/globals';
import { readJobDocument } from '@holotonos/core';
import { listOwners } from '@holotonos/store';
import { strFromU8, unzipSync } from 'fflate';
import { GET as archive } from '../src/app/api/v1/owners/[id]/archive.zip/route';
import { POST as forget } from '../src/app/api/v1/owners/[id]/forget/route';
import { webDatabase } from './demo';

const place = webDatabase({ demo: true });
beforeAll(() => {
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
});
const of = (id: string) => ({ params: Promise.resolve({ id }) });
const request = (init: RequestInit = {}) => new Request('http://127.0.0.1/?author=Ottoline', init);
const unknown = ['00000000-0000-4000-8000-000000000000', 'x', "' or 1=1 --"];

test('everything about an owner is one archive: who they are, each ticket as it can be brought in again, every picture', async () => {
  const owner = (await listOwners(place.database.db, '')).find(({ tickets }) => tickets.includes('LL-201'));
  const response = await archive(request(), of(owner?.id ?? ''));
  expect([response.status, response.headers.get('content-type')]).toEqual([200, 'application/zip']);
  const files = unzipSync(new Uint8Array(await response.arrayBuffer()));
  expect(JSON.parse(strFromU8(files['owner.json'] ?? new Uint8Array()))).toMatchObject({
    name: owner?.name,
    tickets: owner?.tickets,
  });
  for (const ticket of owner?.tickets ?? []) {
    const text = strFromU8(files[`${ticket}/${ticket}.holotonos.json`] ?? new Uint8Array());
    expect(readJobDocument(JSON.parse(text))).toMatchObject({ ok: true });
    expect(text).toContain(owner?.name);
  }
  const { rows } = await place.database.pool.query<{ n: number }>(
    'select count(*)::int as n from photos p join jobs j on j.id = p.job_id where j.ticket = any($1)',
    [owner?.tickets],
  );
  const pictures = Object.entries(files).filter(([name]) => name.endsWith('.jpg'));
  expect(pictures).toHaveLength(rows[0]?.n ?? -1);
  expect(pictures.length).toBeGreaterThan(0);
  for (const [, bytes] of pictures) expect([...bytes.slice(0, 2)]).toEqual([0xff, 0xd8]);
});

test('who stops fetching stops the reading; nobody is nobody', async () => {
  const [owner] = await listOwners(place.database.db, '');
  const response = await archive(request(), of(owner?.id ?? ''));
  await response.body?.cancel();
  for (const id of unknown) expect((await archive(request(), of(id))).status).toBe(404);
});

test('a forgotten owner is gone, once and for all', async () => {
  const [owner] = await listOwners(place.database.db, '');
  for (const id of unknown) expect((await forget(request({ method: 'POST', body: '{}' }), of(id))).status).toBe(404);
  const done = await forget(request({ method: 'POST', body: '{}' }), of(owner?.id ?? ''));
  expect([done.status, await done.json()]).toEqual([200, { tickets: owner?.tickets }]);
  expect((await listOwners(place.database.db, '')).some(({ name }) => name === owner?.name)).toBe(false);
  expect((await archive(request(), of(owner?.id ?? ''))).status).toBe(404);
  expect((await forget(request({ method: 'POST', body: '{}' }), of(owner?.id ?? ''))).status).toBe(404);
});
