import 'server-only';
import {
  jobRecord,
  jobStanding,
  planBasis,
  statesOf,
  type JobPlan,
  type JobRecord,
  type ShopState,
} from '@holotonos/core';
import { thumbnailsOf } from '@holotonos/store';
import type { Pictured } from '@/print/HeadPdf';
import type { SheetName, SheetProps } from '@/print/sheets';
import { loadJob, loadShop, type LoadedJob } from './jobs';
import { printed } from './printing';
import { answering, asFile, busy, notFound } from './replies';
import { getDb } from './store';

/** What a sheet of a job is drawn from. */
export interface SheetOf {
  job: LoadedJob;
  record: JobRecord;
  plan: JobPlan;
  shop: ShopState;
  /** the zone its days are told in */
  timeZone: string;
  /** thumbnails of the photographs in the record, by id */
  photos: () => Promise<ReadonlyMap<string, Uint8Array>>;
  /** the instrument, and how its rims and pads stand */
  pictured: Pictured;
}

/**
 * A sheet as a file to take along.
 *
 * @param file its name, without what says its kind
 */
export async function pdfFile<Name extends SheetName>(
  name: Name,
  props: SheetProps<Name>,
  file: string = name,
): Promise<Response> {
  const pdf = await printed(name, props);
  if (!pdf) return busy('Many sheets are being drawn already. Try again in a moment.');
  return new Response(new Uint8Array(pdf), { headers: asFile(`${file}.pdf`, 'application/pdf') });
}

/**
 * Draws a sheet of a job and answers with it.
 *
 * @param from what it is drawn from; null where the job has no such sheet
 */
export const pdfReply = <Name extends SheetName>(
  ticket: string,
  name: Name,
  from: (of: SheetOf) => SheetProps<Name> | null | Promise<SheetProps<Name>>,
): Promise<Response> =>
  answering(async () => {
    const now = new Date().toISOString();
    const [job, { shop, learned }] = await Promise.all([loadJob(ticket), loadShop()]);
    const basis = planBasis(shop, learned);
    const standing = job && jobStanding(job.state, job.type, now, basis);
    const record = standing && jobRecord(job.state, job.type, now, basis, standing);
    if (!job || !record) return notFound(`There is no ticket ${ticket}.`);
    const { plan } = standing;
    const { timeZone } = shop.hours;
    const ids = record.photos.flatMap(({ first, last }) => [first.photo, ...(last ? [last.photo] : [])]);
    const photos = () => thumbnailsOf(getDb(), job.id, ids);
    const states = new Map(job.type.holes.map(({ id }) => [id, statesOf(standing.judgement, ['rim', 'pad'], id)]));
    const pictured = { type: job.type, states };
    const of = { job, record: { ...record, ticket: job.ticket }, plan, shop, timeZone, photos, pictured };
    const props = await from(of);
    if (!props) return notFound(`Ticket ${job.ticket} has no such sheet.`);
    return pdfFile(name, props, `${job.ticket}-${name}`);
  });

/** The record of a job, for the shop and for whoever was given a link to it. */
export const recordReply = (ticket: string): Promise<Response> =>
  pdfReply(ticket, 'record', async ({ job, record, timeZone, photos, pictured }) => ({
    record,
    pictured,
    unit: job.state.unit,
    timeZone,
    photos: await photos(),
  }));
