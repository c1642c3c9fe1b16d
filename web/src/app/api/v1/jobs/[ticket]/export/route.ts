import { toJobDocument } from '@holotonos/core';
import { jobByTicket, jobState, photosOfJob } from '@holotonos/store';
import { answering, asFile, notFound } from '@/server/replies';
import { getDb } from '@/server/store';

export const GET = (_request: Request, { params }: { params: Promise<{ ticket: string }> }) =>
  answering(async () => {
    const { ticket } = await params;
    const job = await jobByTicket(getDb(), ticket);
    if (!job) return notFound(`There is no ticket ${ticket}.`);
    // Also of a job that can no longer be shown: what stands in its logbook can always be taken out.
    const state = await jobState(getDb(), job.id);
    const pictures = await photosOfJob(getDb(), job.id, [...state.photos.keys()]);
    const photos = pictures.map(({ id, picture }) => ({ id, jpeg: picture.toString('base64') }));
    const document = toJobDocument(job.ticket, state.entries, new Date().toISOString(), photos);
    return new Response(JSON.stringify(document, null, 1), {
      headers: asFile(`${job.ticket}.holotonos.json`, 'application/json'),
    });
  });
