import { toJobDocument } from '@holotonos/core';
import { loadJob } from '@/server/jobs';
import { answering, asFile, notFound } from '@/server/replies';

export const GET = (_request: Request, { params }: { params: Promise<{ ticket: string }> }) =>
  answering(async () => {
    const { ticket } = await params;
    const job = await loadJob(ticket);
    if (!job) return notFound(`There is no ticket ${ticket}.`);
    const document = toJobDocument(job.ticket, job.state.entries, new Date().toISOString());
    return new Response(JSON.stringify(document, null, 1), {
      headers: asFile(`${job.ticket}.holotonos.json`, 'application/json'),
    });
  });
