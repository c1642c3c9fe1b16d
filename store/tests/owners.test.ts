import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import fc from 'fast-check';
import { readJobDocument, type NewEntry } from '@holotonos/core';
import sharp from 'sharp';
import {
  appendEntry,
  byOwnersLink,
  checkGuards,
  findEntries,
  forgetOwner,
  forgottenOwner,
  importJob,
  jobByTicket,
  jobEntries,
  jobState,
  listOwners,
  listTickets,
  migrateDatabase,
  openJob,
  ownerArchive,
  ownerById,
  readAudit,
  refreshSummaries,
  restoreBackup,
  savePhoto,
  ticketOf,
  writeBackup,
} from '../src';
import { nameHash, newKey, seal, sealedFor, unseal } from '../src/owners/seal';
import { migrations, testDatabase, type TestDatabase } from './database';
import { entryOf, intakeOf, now } from './entries';

let place: TestDatabase;
let db: TestDatabase['db'];
const folder = mkdtempSync(join(tmpdir(), 'owners-'));
beforeAll(async () => {
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
  place = await testDatabase();
  ({ db } = place);
});
afterAll(async () => {
  await place.drop();
  rmSync(folder, { recursive: true, force: true });
});

const intake = (ticket: string, owner: string, more: object = {}) => intakeOf(ticket, { owner, ...more });
const open = async (ticket: string, owner: string, more: object = {}) => {
  const entry = intake(ticket, owner, more);
  expect(await openJob(db, entry)).toMatchObject({ status: 'stored', entry: { body: { owner } } });
  return entry;
};
const write = async (ticket: string, kind: NewEntry['kind'], body: object) => {
  const entry = entryOf(kind, body);
  expect(await appendEntry(db, ticket, entry)).toMatchObject({ status: 'stored', entry: { body } });
  return entry;
};
const read = async (ticket: string, at = db) => jobEntries(at, (await jobByTicket(at, ticket))?.id ?? '');
const stateOfTicket = async (ticket: string) => jobState(db, (await jobByTicket(db, ticket))?.id ?? '');
/** Everything that stands in the database, as text. */
async function allText(from = place): Promise<string> {
  const { rows } = await from.pool.query<{ name: string }>(
    "select relname as name from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace",
  );
  const texts = await Promise.all(
    rows.map(async ({ name }) => (await from.pool.query<{ t: string }>(`select t::text as t from ${name} t`)).rows),
  );
  return texts
    .flat()
    .map(({ t }) => t)
    .join('\n');
}
const ownerNamed = async (name: string) => (await listOwners(db, '')).find((owner) => owner.name === name);

describe('a seal', () => {
  const owner = randomUUID();
  const key = newKey();
  test('opens with its key to what was sealed, whatever that was', () =>
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        const sealed = seal(text, owner, key);
        expect(sealedFor(sealed)).toBe(owner);
        // What is no well-formed text cannot be kept as UTF-8; no entry is let in with it.
        expect(unseal(sealed, key)).toBe(Buffer.from(text).toString('utf8'));
        expect(seal(text, owner, key)).not.toBe(sealed);
      }),
    ));
  test('opens with no other key, under no other owner, and not when a sign of it was changed', () => {
    const sealed = seal('Merrow Quayside', owner, key);
    expect(unseal(sealed, newKey())).toBeNull();
    expect(unseal(sealed.replace(owner, randomUUID()), key)).toBeNull();
    for (const at of [50, 70, sealed.length - 4]) {
      const other = sealed[at] === 'A' ? 'B' : 'A';
      expect(unseal(sealed.slice(0, at) + other + sealed.slice(at + 1), key)).not.toBe('Merrow Quayside');
    }
    expect(unseal('sealed:1:', key)).toBeNull();
    for (const text of ['The band', 'sealed:1:x', '', null, 7]) expect(sealedFor(text)).toBeNull();
  });
  test('the same name is the same owner, however it is written', () => {
    expect(nameHash('  Merrow   QUAYSIDE ')).toBe(nameHash('Merrow Quayside'));
    expect(nameHash('Merrow Quayside')).not.toBe(nameHash('Merrow'));
  });
});

const answer = { estimate: randomUUID(), answer: 'accepted', on: '2026-11-23' };

describe('what is said of an owner', () => {
  test('stands sealed in the logbook and is read as it was written; the same entry sent again is the same', async () => {
    const first = intake('O-1', 'Merrow Quayside', { contact: 'quay 7', serial: 'N 1' });
    const agreed = entryOf('agreement', { ...answer, by: 'Merrow herself' });
    const list = [first, agreed].map((entry, i) => ({ ...entry, seq: i + 1, receivedAt: now }));
    expect(await importJob(db, 'O-1', list as never)).toBe('imported');
    const { rows } = await place.pool.query<{ t: string }>('select t::text as t from entries t');
    for (const name of ['Merrow', 'quay 7', 'herself']) expect(JSON.stringify(rows)).not.toContain(name);
    expect((await read('O-1')).map(({ body }) => body)).toEqual([first.body, agreed.body]);
    expect(await openJob(db, first)).toMatchObject({ status: 'stored', known: true });
    expect(await openJob(db, { ...first, body: { ...first.body, owner: 'Another' } } as NewEntry)).toEqual({
      status: 'conflict',
    });
  });
  test('belongs to one owner over all their tickets; what looks like a seal is only a name', async () => {
    await open('O-2', ' merrow  quayside', { serial: 'N 2' });
    await open('O-3', 'Ysolde of the lock');
    const strange = `sealed:1:${randomUUID()}:AAAA`;
    await open('O-4', strange);
    expect((await read('O-4'))[0]?.body).toMatchObject({ owner: strange });
    const owner = await ownerNamed(' merrow  quayside');
    expect(owner).toMatchObject({ contact: 'quay 7', tickets: ['O-2', 'O-1'] });
    expect((await listOwners(db, 'lock')).map(({ name }) => name)).toEqual(['Ysolde of the lock']);
    expect(await ownerById(db, owner?.id ?? '')).toMatchObject({ tickets: ['O-2', 'O-1'] });
    expect(await ownerById(db, randomUUID())).toBeNull();
  });
  test('is theirs to take along: who they are, each ticket whole, every picture as it is', async () => {
    await open('Z-1', 'Zelie of the weir', { contact: 'weir 3' });
    await open('Z-2', 'Zelie of the weir');
    const bytes = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#887766' } })
      .jpeg()
      .toBuffer();
    const photos = Array.from({ length: 6 }, () => randomUUID());
    for (const photo of photos) {
      expect(await savePhoto(db, 'Z-2', photo, bytes)).toMatchObject({ status: 'saved' });
      await write('Z-2', 'photo', { photo, width: 8, height: 8, caption: '' });
    }
    const owner = await ownerNamed('Zelie of the weir');
    if (!owner) throw new Error('there is no such owner');
    const pieces: Uint8Array[] = [];
    for await (const piece of ownerArchive(db, owner, now)) pieces.push(piece);
    const files = unzipSync(Buffer.concat(pieces));
    expect(Object.keys(files).sort()).toEqual(
      [
        'owner.json',
        'Z-1/Z-1.holotonos.json',
        'Z-2/Z-2.holotonos.json',
        ...photos.map((photo) => `Z-2/photos/${photo}.jpg`),
      ].sort(),
    );
    const text = (name: string) => Buffer.from(files[name] ?? []).toString('utf8');
    expect(JSON.parse(text('owner.json'))).toEqual({
      name: 'Zelie of the weir',
      contact: 'weir 3',
      tickets: ['Z-2', 'Z-1'],
      takenOutAt: now,
    });
    for (const ticket of ['Z-1', 'Z-2']) {
      const document = readJobDocument(JSON.parse(text(`${ticket}/${ticket}.holotonos.json`)));
      if (!document.ok) throw new Error(JSON.stringify(document.problems));
      expect(document.document.entries.map(({ id }) => id)).toEqual((await read(ticket)).map(({ id }) => id));
    }
    for (const photo of photos) expect((await sharp(files[`Z-2/photos/${photo}.jpg`]).metadata()).width).toBe(8);
  });
  test('a job is known by its ticket; what is no job by none', async () => {
    await open('Z-3', 'Somebody');
    const id = (await jobByTicket(db, 'Z-3'))?.id ?? '';
    expect([await ticketOf(db, id), await ticketOf(db, id), await ticketOf(db, randomUUID())]).toEqual([
      'Z-3',
      'Z-3',
      null,
    ]);
  });
  test('comes in sealed with a whole logbook, too', async () => {
    const entries = [
      { ...intake('O-5', 'Ysolde of the lock'), seq: 1, receivedAt: now },
      { ...entryOf('note', { text: 'as it was' }), seq: 2, receivedAt: now },
    ];
    expect(await importJob(db, 'O-5', entries as never)).toBe('imported');
    expect((await ownerNamed('Ysolde of the lock'))?.tickets).toEqual(['O-3', 'O-5']);
  });
  test('what was written before there were keys is sealed when the program is brought up to date, and says the same', async () => {
    const { id = '' } = (await jobByTicket(db, 'O-3')) ?? {};
    const before = await read('O-3');
    const plain = { ...(before[0]?.body as object), owner: 'Old Ned of the weir', contact: 'by post' };
    await place.pool.query(
      `insert into entries (job_id, seq, id, kind, body, author, bench_time) values ($1, 2, $2, 'intake', $3, 'x', now()),
       ($1, 3, $4, 'agreement', $5, 'Ned', now())`,
      [id, randomUUID(), plain, randomUUID(), { ...answer, by: 'Ned' }],
    );
    expect(await allText()).toContain('Old Ned');
    await migrateDatabase(place.url, migrations);
    const { rows } = await place.pool.query<{ t: string }>('select t::text as t from entries t');
    expect(JSON.stringify(rows)).not.toMatch(/Ned|by post/);
    expect((await read('O-3')).slice(1).map(({ body }) => body)).toEqual([plain, { ...answer, by: 'Ned' }]);
    expect((await read('O-3')).at(-1)?.author).toBe(byOwnersLink);
    expect(await allText()).not.toContain('Ned');
    // The ink is ink again.
    await checkGuards(place.url);
    await expect(place.pool.query("update entries set author = 'y'")).rejects.toThrow('append-only');
  });
});

describe('an owner who is forgotten', () => {
  test('is gone from every ticket, list and search, and the instruments stay', async () => {
    await write('O-1', 'finding', {
      finding: randomUUID(),
      kind: 'dent',
      part: 'bell',
      severity: 2,
      status: 'confirmed',
    });
    await write('O-1', 'owner-link', {
      link: randomUUID(),
      tokenHash: 'a'.repeat(64),
      until: '2027-01-31',
      photos: [],
    });
    await refreshSummaries(db, now);
    const early = join(folder, 'early.gz');
    await writeBackup(place.url, early, { now });
    const owner = await ownerNamed(' merrow  quayside');
    const rest = (await read('O-1')).slice(2).map(({ body }) => body);
    expect((await listTickets(db, { search: 'merrow', limit: 9 })).total).toBe(2);

    expect(await forgetOwner(db, owner?.id ?? '', 'Ottoline Marsh', now)).toEqual(['O-2', 'O-1']);
    const state = await stateOfTicket('O-1');
    expect(state.intake).toMatchObject({ owner: forgottenOwner, serial: 'N 1' });
    expect(state.intake?.contact).toBeUndefined();
    // Their links open nothing any more; all that was found and done stands.
    expect([...state.ownerLinks.values()].map(({ over }) => over)).toEqual([true]);
    const entries = await read('O-1');
    expect(entries[1]?.body).toEqual(answer);
    expect(entries.slice(2, 2 + rest.length).map(({ body }) => body)).toEqual(rest);
    await refreshSummaries(db, now);
    expect((await listTickets(db, { search: 'merrow', limit: 9 })).total).toBe(0);
    expect((await listTickets(db, { search: 'n1', limit: 9 })).total).toBe(1);
    expect((await findEntries(db, { text: 'merrow', limit: 9 })).found).toEqual([]);
    expect(await ownerById(db, owner?.id ?? '')).toBeNull();
    expect(await allText()).not.toMatch(/merrow|quay/i);
    expect((await readAudit(db))[0]).toMatchObject({
      what: 'owner-forgotten',
      who: 'Ottoline Marsh',
      about: 'O-2, O-1',
    });
    // Others are who they were, and twice forgotten is forgotten.
    expect((await read('O-5'))[0]?.body).toMatchObject({ owner: 'Ysolde of the lock' });
    expect(await forgetOwner(db, owner?.id ?? '', 'x', now)).toBeNull();

    // Later backups do not know them either; one that was made before does.
    const late = join(folder, 'late.gz');
    await writeBackup(place.url, late, { now });
    for (const [path, name] of [
      [late, forgottenOwner],
      [early, 'Merrow Quayside'],
    ] as const) {
      const other = await testDatabase({ migrated: false });
      try {
        await restoreBackup(path, other.url, { migrations });
        expect((await read('O-1', other.db))[0]?.body).toMatchObject({ owner: name });
      } finally {
        await other.drop();
      }
    }
  });
  test('is dropped by other processes, too: they hear of it at their next look', async () => {
    expect((await stateOfTicket('O-5')).intake?.owner).toBe('Ysolde of the lock');
    const owner = await ownerNamed('Ysolde of the lock');
    // As another process does it: nothing here is told.
    await place.pool.query('delete from owners where id = $1', [owner?.id]);
    await place.pool.query("update secrets set value = 'again' where name = 'forgotten'");
    await new Promise((done) => setTimeout(done, 600));
    expect((await stateOfTicket('O-5')).intake?.owner).toBe(forgottenOwner);
  });
  test('comes back as somebody new', async () => {
    await open('O-6', 'Merrow Quayside');
    expect((await ownerNamed('Merrow Quayside'))?.tickets).toEqual(['O-6']);
    expect((await read('O-1'))[0]?.body).toMatchObject({ owner: forgottenOwner });
  });
});
