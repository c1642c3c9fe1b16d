import { pdfReply } from '@/server/pdfReply';

export async function GET(_request: Request, { params }: { params: Promise<{ ticket: string }> }) {
  const { ticket } = await params;
  return pdfReply(ticket, 'play-test', ({ job, record, pictured }) => ({
    record,
    // A plain one: what a long logbook keeps its maps in goes to no thread.
    tested: new Map(job.state.tested),
    pictured,
  }));
}
