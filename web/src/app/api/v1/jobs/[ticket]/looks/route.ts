import { ticksToCsv } from '@holotonos/store';
import { loadJob } from '@/server/jobs';
import { answering, asFile, notFound } from '@/server/replies';

type Context = { params: Promise<{ ticket: string }> };

/** The looks of a job that were taken without a figure, as CSV. */
export const GET = (_request: Request, { params }: Context) =>
  answering(async () => {
    const { ticket } = await params;
    const job = await loadJob(ticket);
    if (!job) return notFound(`There is no ticket ${ticket}.`);
    return new Response(ticksToCsv(job.state), {
      headers: asFile(`${job.ticket}-looks.csv`, 'text/csv; charset=utf-8'),
    });
  });
