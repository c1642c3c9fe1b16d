import { toJobDocument } from '@holotonos/core';
import { photosOfJob } from '@holotonos/store';
import { loadJob } from '@/server/jobs';
import { answering, asFile, notFound } from '@/server/replies';
import { getDb } from '@/server/store';

export const GET = (_request: Request, { params }: { params: Promise<{ ticket: string }> }) =>
  answering(async () => {
    const { ticket } = await params;
    const job = await loadJob(ticket);
    if (!job) return notFound(`There is no ticket ${ticket}.`);
    const pictures = await photosOfJob(getDb(), job.id, [...job.state.photos.keys()]);
    const photos = pictures.map(({ id, picture }) => ({ id, jpeg: picture.toString('base64') }));
    const document = toJobDocument(job.ticket, job.state.entries, new Date().toISOString(), photos);
    return new Response(JSON.stringify(document, null, 1), {
      headers: asFile(`${job.ticket}.holotonos.json`, 'application/json'),
    });
  });
