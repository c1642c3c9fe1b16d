import { BoardPdf } from '@/print/BoardPdf';
import { pdfReply } from '@/server/pdfReply';

export async function GET(_request: Request, { params }: { params: Promise<{ ticket: string }> }) {
  const { ticket } = await params;
  return pdfReply(ticket, 'screw-board', ({ job, pictured }) => (
    <BoardPdf ticket={job.ticket} state={job.state} pictured={pictured} />
  ));
}
