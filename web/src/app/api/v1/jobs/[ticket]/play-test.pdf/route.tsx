import { PlayTestPdf } from '@/print/PlayTestPdf';
import { pdfReply } from '@/server/pdfReply';

export async function GET(_request: Request, { params }: { params: Promise<{ ticket: string }> }) {
  const { ticket } = await params;
  return pdfReply(ticket, 'play-test', ({ job, record, pictured }) => (
    <PlayTestPdf record={record} tested={job.state.tested} pictured={pictured} />
  ));
}
