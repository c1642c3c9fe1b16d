import { clockWords } from '@holotonos/core';
import { RecordPdf } from '@/print/RecordPdf';
import { pdfReply } from '@/server/pdfReply';

export async function GET(_request: Request, { params }: { params: Promise<{ ticket: string }> }) {
  const { ticket } = await params;
  return pdfReply(ticket, 'record', async ({ job, record, shop, photos, pictured }) => (
    <RecordPdf
      record={record}
      pictured={pictured}
      unit={job.state.unit}
      when={clockWords(shop.hours.timeZone)}
      photos={await photos()}
    />
  ));
}
