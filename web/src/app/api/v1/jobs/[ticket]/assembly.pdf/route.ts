import { jobAssembly } from '@holotonos/core';
import { pdfReply } from '@/server/pdfReply';

export async function GET(_request: Request, { params }: { params: Promise<{ ticket: string }> }) {
  const { ticket } = await params;
  return pdfReply(ticket, 'way-back', ({ job, pictured }) => ({
    ticket: job.ticket,
    pictured,
    assembly: jobAssembly(job.state),
  }));
}
