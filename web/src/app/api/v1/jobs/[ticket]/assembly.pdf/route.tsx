import { jobAssembly } from '@holotonos/core';
import { AssemblyPdf } from '@/print/AssemblyPdf';
import { pdfReply } from '@/server/pdfReply';

export async function GET(_request: Request, { params }: { params: Promise<{ ticket: string }> }) {
  const { ticket } = await params;
  return pdfReply(ticket, 'way-back', ({ job, pictured }) => (
    <AssemblyPdf ticket={job.ticket} pictured={pictured} assembly={jobAssembly(job.state)} />
  ));
}
