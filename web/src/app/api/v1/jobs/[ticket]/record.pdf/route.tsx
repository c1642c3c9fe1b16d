import { RecordPdf } from '@/pdf/RecordPdf';
import { pdfReply } from '@/server/pdfReply';

export async function GET(_request: Request, { params }: { params: Promise<{ ticket: string }> }) {
  const { ticket } = await params;
  return pdfReply(ticket, 'record', (job, record) => <RecordPdf record={record} unit={job.state.unit} />);
}
