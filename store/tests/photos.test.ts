import { randomBytes, randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { readJobDocument, toJobDocument } from '@holotonos/core';
import sharp from 'sharp';
import {
  importJob,
  jobByTicket,
  jobState,
  mostPhotoBytes,
  photoBytes,
  photosOfJob,
  preparePhoto,
  savePhoto,
  thumbnailsOf,
} from '../src';
import { testDatabase, type TestDatabase } from './database';
import { storyJobs } from './story';

const plain = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#887766' } });
const problem = async (bytes: Buffer) => {
  const prepared = await preparePhoto(bytes);
  return prepared.ok ? 'taken' : prepared.problem;
};

jest.setTimeout(60_000);

describe('a picture is made fit to keep', () => {
  test('whatever was hidden in it is left behind, and it stands upright', async () => {
    const taken = await plain(60, 40)
      .jpeg()
      .withExif({ IFD0: { Artist: 'somebody', Software: 'a telephone' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .toBuffer();
    expect((await sharp(taken).metadata()).exif).toBeDefined();
    const prepared = await preparePhoto(taken);
    if (!prepared.ok) throw new Error(prepared.problem);
    const { exif, icc, xmp, orientation, format } = await sharp(prepared.photo.picture).metadata();
    expect({ exif, icc, xmp, orientation, format }).toEqual({
      exif: undefined,
      icc: undefined,
      xmp: undefined,
      orientation: undefined,
      format: 'jpeg',
    });
    expect(prepared.photo).toMatchObject({ width: 40, height: 60 });
  });
  test('it is made small, its thumbnail smaller', async () => {
    const prepared = await preparePhoto(await plain(4000, 3000).png().toBuffer());
    if (!prepared.ok) throw new Error(prepared.problem);
    expect(prepared.photo).toMatchObject({ width: 2000, height: 1500 });
    expect((await sharp(prepared.photo.thumbnail).metadata()).width).toBe(320);
  });
  test.each<[string, () => Buffer | Promise<Buffer>, RegExp]>([
    ['an empty file', () => Buffer.alloc(0), /empty/],
    ['words under the name of a picture', () => Buffer.from('no picture at all'), /no picture known here/],
    [
      'a drawing with a script in it',
      () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>'),
      /no picture known here|image\/svg/,
    ],
    ['a document', () => Buffer.from('%PDF-1.7\n%âãÏÓ\n1 0 obj\n<<>>\nendobj\n'), /application\/pdf/],
    ['a moving picture', () => plain(8, 8).gif().toBuffer(), /image\/gif/],
    [
      'a file of noise with the head of a picture',
      () => Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), randomBytes(4000)]),
      /damaged/,
    ],
    [
      'more pixels than can be taken in a small file',
      () => plain(12000, 9000).png({ compressionLevel: 9 }).toBuffer(),
      /more pixels/,
    ],
    [
      'a file too large',
      () => Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(mostPhotoBytes)]),
      /larger than 20 MB/,
    ],
  ])('%s is refused in words', async (_name, make, words) => {
    expect(await problem(await make())).toMatch(words);
  });
  test('a picture that breaks off is refused wherever it breaks', async () => {
    const whole = await sharp(randomBytes(300 * 300 * 3), { raw: { width: 300, height: 300, channels: 3 } })
      .jpeg()
      .toBuffer();
    expect(await problem(whole)).toBe('taken');
    for (const share of [0.05, 0.5, 0.9]) {
      expect(await problem(whole.subarray(0, Math.floor(whole.length * share)))).toMatch(/damaged/);
    }
  });
});

describe('pictures in the database', () => {
  let store: TestDatabase;
  beforeAll(async () => {
    store = await testDatabase();
    const [sax] = storyJobs();
    await importJob(store.db, 'LL-201', sax?.entries ?? []);
  });
  afterAll(() => store.drop());

  test('are kept once however often they are sent, and come back as they were kept', async () => {
    const id = randomUUID();
    const bytes = await plain(50, 30).jpeg().toBuffer();
    const first = await savePhoto(store.db, 'LL-201', id, bytes);
    expect(first).toEqual({ status: 'saved', width: 50, height: 30 });
    expect(await savePhoto(store.db, 'LL-201', id, bytes)).toEqual(first);
    const kept = await photoBytes(store.db, 'LL-201', id, 'picture');
    expect((await sharp(kept ?? Buffer.alloc(0)).metadata()).width).toBe(50);
    expect(await photoBytes(store.db, 'LL-201', randomUUID(), 'thumbnail')).toBeNull();
    expect(await savePhoto(store.db, 'LL-999', id, bytes)).toEqual({ status: 'no-job' });
    expect(await savePhoto(store.db, 'LL-201', randomUUID(), Buffer.from('x'))).toMatchObject({ status: 'refused' });
  });
  test('go into the papers small, those that are there', async () => {
    const [id, other] = [randomUUID(), randomUUID()];
    await savePhoto(store.db, 'LL-201', id, await plain(900, 600).jpeg().toBuffer());
    const job = await jobByTicket(store.db, 'LL-201');
    const found = await thumbnailsOf(store.db, job?.id ?? '', [id, other]);
    expect([...found.keys()]).toEqual([id]);
    expect((await sharp(found.get(id)).metadata()).width).toBe(320);
    // Another job's pictures are none of this one's.
    expect(await thumbnailsOf(store.db, randomUUID(), [id])).toEqual(new Map());
    expect(await thumbnailsOf(store.db, job?.id ?? '', [])).toEqual(new Map());
  });
  test('are never changed or thrown away', async () => {
    for (const change of ['update photos set width = 1', 'delete from photos', 'truncate photos'])
      await expect(store.pool.query(change)).rejects.toThrow(/append-only/);
  });
  test('travel with the whole job in one document', async () => {
    const other = await testDatabase();
    const job = storyJobs()[2];
    const pictures = await Promise.all(
      (job?.pictures ?? []).map(async ({ id, svg }) => {
        const prepared = await preparePhoto(await sharp(Buffer.from(svg)).png().toBuffer());
        if (!prepared.ok) throw new Error(prepared.problem);
        return { id, photo: prepared.photo };
      }),
    );
    expect(pictures.length).toBeGreaterThan(1);
    await importJob(other.db, 'LL-203', job?.entries ?? [], pictures);
    const row = await jobByTicket(other.db, 'LL-203');
    const state = await jobState(other.db, row?.id ?? '');
    const photos = (await photosOfJob(other.db, row?.id ?? '', [...state.photos.keys()])).map(({ id, picture }) => ({
      id,
      jpeg: picture.toString('base64'),
    }));
    const read = readJobDocument(
      JSON.parse(JSON.stringify(toJobDocument('LL-203', state.entries, '2026-11-23T09:00:00.000Z', photos))),
    );
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.document.photos?.map(({ id }) => id).sort()).toEqual([...state.photos.keys()].sort());
    await other.drop();
  });
});
