import { fileTypeFromBuffer } from 'file-type';
import { and, eq, inArray } from 'drizzle-orm';
import sharp, { type Sharp } from 'sharp';
import { sqlState, type Database } from './database';
import { jobByTicket } from './logbook';
import { photos } from './schema';

/** What an upload may weigh, bytes. */
export const mostPhotoBytes = 20 * 1024 * 1024;
/** Pixels a picture may have before it is made small: a bomb of a few kilobytes can unfold to gigabytes. */
const mostPixels = 80_000_000;
/** Longest side kept, pixels: enough to see a scratch, small enough for years of jobs. */
const longestSide = 2000;
const thumbnailSide = 320;

/** Kinds a camera makes, told by the first bytes of the file, whatever its name says. */
const taken = new Map([
  ['image/jpeg', 'JPEG'],
  ['image/png', 'PNG'],
  ['image/webp', 'WebP'],
]);
const takenWords = [...taken.values()].join(', ');

export interface PreparedPhoto {
  picture: Buffer;
  thumbnail: Buffer;
  width: number;
  height: number;
}

export type Prepared = { ok: true; photo: PreparedPhoto } | { ok: false; problem: string };

const refuse = (problem: string): Prepared => ({ ok: false, problem });

const asJpeg = (image: Sharp, side: number) =>
  image
    .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .jpeg({ quality: 82, mozjpeg: true })
    .toBuffer({ resolveWithObject: true });

/**
 * Makes an upload fit to keep: told by its content, turned upright, made small, written anew as JPEG. Nothing but the
 * picture survives: place, time, device and whatever else was hidden in the file are left behind.
 *
 * @returns the picture and its thumbnail, or what is wrong in words the uploader can act on
 */
export async function preparePhoto(bytes: Buffer): Promise<Prepared> {
  if (bytes.length === 0) return refuse('The file is empty. Take the picture again.');
  if (bytes.length > mostPhotoBytes)
    return refuse(`The file is larger than ${mostPhotoBytes / 1024 / 1024} MB. Save it smaller and try again.`);
  const kind = await fileTypeFromBuffer(bytes);
  if (!kind || !taken.has(kind.mime))
    return refuse(
      `The file is ${kind ? `of kind ${kind.mime}` : 'no picture known here'}, whatever its name says. Use ${takenWords}.`,
    );
  // A file that breaks off shows as a fault, not as a half-grey picture.
  const open = () => sharp(bytes, { limitInputPixels: mostPixels, failOn: 'truncated', pages: 1 }).rotate();
  try {
    const { data: picture, info } = await asJpeg(open(), longestSide);
    const { data: thumbnail } = await asJpeg(sharp(picture), thumbnailSide);
    return { ok: true, photo: { picture, thumbnail, width: info.width, height: info.height } };
  } catch (error) {
    const says = error instanceof Error ? error.message : '';
    if (/pixel limit/i.test(says)) return refuse('The picture has more pixels than can be taken. Save it smaller.');
    return refuse('The picture is damaged or breaks off before its end. Take or save it again.');
  }
}

export type SavedPhoto =
  | { status: 'saved'; width: number; height: number }
  | { status: 'no-job' }
  | { status: 'refused'; problem: string }
  /** another picture is kept under this id */
  | { status: 'conflict' };

/** Keeps a picture under the id its sender gave it. Sending it again answers as the first time. */
export async function savePhoto(db: Database, ticket: string, id: string, bytes: Buffer): Promise<SavedPhoto> {
  const job = await jobByTicket(db, ticket);
  if (!job) return { status: 'no-job' };
  const prepared = await preparePhoto(bytes);
  if (!prepared.ok) return { status: 'refused', problem: prepared.problem };
  const { width, height } = prepared.photo;
  try {
    await db.insert(photos).values({ jobId: job.id, id, ...prepared.photo });
    return { status: 'saved', width, height };
  } catch (error) {
    if (sqlState(error) !== '23505') throw error;
    const [known] = await db.select({ picture: photos.picture }).from(photos).where(its(job.id, id));
    return known?.picture.equals(prepared.photo.picture) ? { status: 'saved', width, height } : { status: 'conflict' };
  }
}

const its = (jobId: string, id: string) => and(eq(photos.jobId, jobId), eq(photos.id, id));

/** The JPEG of a picture or its thumbnail, or null. */
export async function photoBytes(
  db: Database,
  ticket: string,
  id: string,
  size: 'picture' | 'thumbnail',
): Promise<Buffer | null> {
  const job = await jobByTicket(db, ticket);
  if (!job) return null;
  const [row] = await db.select({ bytes: photos[size] }).from(photos).where(its(job.id, id));
  return row?.bytes ?? null;
}

/** The thumbnails of pictures of a job, by id; one that is not there is left out. */
export async function thumbnailsOf(
  db: Database,
  jobId: string,
  ids: readonly string[],
): Promise<ReadonlyMap<string, Buffer>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .select({ id: photos.id, thumbnail: photos.thumbnail })
    .from(photos)
    .where(and(eq(photos.jobId, jobId), inArray(photos.id, [...ids])));
  return new Map(rows.map(({ id, thumbnail }) => [id, thumbnail]));
}

/** The pictures of a job that its logbook speaks of, for a document that carries the whole job. */
export async function photosOfJob(
  db: Database,
  jobId: string,
  ids: readonly string[],
): Promise<{ id: string; picture: Buffer }[]> {
  if (ids.length === 0) return [];
  return db
    .select({ id: photos.id, picture: photos.picture })
    .from(photos)
    .where(and(eq(photos.jobId, jobId), inArray(photos.id, [...ids])));
}
