import 'server-only';
import { renderToBuffer, type DocumentProps } from '@react-pdf/renderer';
import {
  clockWords,
  jobRecord,
  jobStanding,
  planBasis,
  statesOf,
  type JobPlan,
  type JobRecord,
  type ShopState,
} from '@holotonos/core';
import type { ReactElement } from 'react';
import { thumbnailsOf } from '@holotonos/store';
import type { Pictured } from '@/print/HeadPdf';
import { RecordPdf } from '@/print/RecordPdf';
import { registerFonts } from '@/print/sheet';
import { loadJob, loadShop, type LoadedJob } from './jobs';
import { answering, asFile, notFound } from './replies';
import { getDb } from './store';

/** Thumbnails of the photographs in the record, by id. */
export type Thumbnails = ReadonlyMap<string, Buffer>;

/** What a sheet is drawn from. */
export interface SheetOf {
  job: LoadedJob;
  record: JobRecord;
  plan: JobPlan;
  shop: ShopState;
  photos: () => Promise<Thumbnails>;
  /** the instrument, and how its rims and pads stand */
  pictured: Pictured;
}
type Draw = (of: SheetOf) => ReactElement<DocumentProps> | null | Promise<ReactElement<DocumentProps>>;

/**
 * A sheet as a file to take along.
 *
 * @param name of the file, without what says its kind
 */
export async function pdfFile(name: string, document: ReactElement<DocumentProps>): Promise<Response> {
  registerFonts();
  const pdf = await renderToBuffer(document);
  return new Response(new Uint8Array(pdf), { headers: asFile(`${name}.pdf`, 'application/pdf') });
}

/** Draws a PDF of a job and answers with it. */
export const pdfReply = (ticket: string, name: string, draw: Draw): Promise<Response> =>
  answering(async () => {
    const now = new Date().toISOString();
    const [job, { shop, learned }] = await Promise.all([loadJob(ticket), loadShop()]);
    const basis = planBasis(shop, learned);
    const standing = job && jobStanding(job.state, job.type, now, basis);
    const record = standing && jobRecord(job.state, job.type, now, basis, standing);
    if (!job || !record) return notFound(`There is no ticket ${ticket}.`);
    const { plan } = standing;
    const ids = record.photos.flatMap(({ first, last }) => [first.photo, ...(last ? [last.photo] : [])]);
    const photos = () => thumbnailsOf(getDb(), job.id, ids);
    const stateOfPart = (part: string) => statesOf(standing.judgement, ['rim', 'pad'], part);
    const pictured = { type: job.type, stateOfPart };
    const document = await draw({ job, record: { ...record, ticket: job.ticket }, plan, shop, photos, pictured });
    if (!document) return notFound(`Ticket ${job.ticket} has no such sheet.`);
    return pdfFile(`${job.ticket}-${name}`, document);
  });

/** The record of a job, for the shop and for whoever was given a link to it. */
export const recordReply = (ticket: string): Promise<Response> =>
  pdfReply(ticket, 'record', async ({ job, record, shop, photos, pictured }) => (
    <RecordPdf
      record={record}
      pictured={pictured}
      unit={job.state.unit}
      when={clockWords(shop.hours.timeZone)}
      photos={await photos()}
    />
  ));
