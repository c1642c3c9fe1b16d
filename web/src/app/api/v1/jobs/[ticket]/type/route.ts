import { loadJob } from '@/server/jobs';
import { answering, asFile, notFound } from '@/server/replies';

/** The instrument of a job as it is known now, as a type document. */
export const GET = (_request: Request, { params }: { params: Promise<{ ticket: string }> }) =>
  answering(async () => {
    const { ticket } = await params;
    const job = await loadJob(ticket);
    if (!job) return notFound(`There is no ticket ${ticket}.`);
    return new Response(JSON.stringify(job.type, null, 1), {
      headers: asFile(`${job.ticket}.type.json`, 'application/json'),
    });
  });
