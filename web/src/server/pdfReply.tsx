import 'server-only';
import { renderToBuffer, type DocumentProps } from '@react-pdf/renderer';
import { jobPlan, jobRecord, judgeJob, type JobPlan, type JobRecord } from '@holotonos/core';
import type { ReactElement } from 'react';
import { registerFonts } from '@/pdf/sheet';
import { loadJob, type LoadedJob } from './jobs';
import { answering, asFile, notFound } from './replies';

type Draw = (job: LoadedJob, record: JobRecord, plan: JobPlan) => ReactElement<DocumentProps>;

/** Draws a PDF of a job and answers with it. */
export const pdfReply = (ticket: string, name: string, draw: Draw): Promise<Response> =>
  answering(async () => {
    const now = new Date().toISOString();
    const job = await loadJob(ticket);
    const record = job && jobRecord(job.state, job.type, now);
    if (!job || !record) return notFound(`There is no ticket ${ticket}.`);
    registerFonts();
    const plan = jobPlan(job.state, job.type, judgeJob(job.state, job.type), now);
    const pdf = await renderToBuffer(draw(job, { ...record, ticket: job.ticket }, plan));
    return new Response(new Uint8Array(pdf), { headers: asFile(`${job.ticket}-${name}.pdf`, 'application/pdf') });
  });
