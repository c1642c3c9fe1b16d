import { clockWords } from '@holotonos/core';
import { RecordPdf } from '@/print/RecordPdf';
import { ownersJob } from '@/server/ownerPage';
import { pdfReply } from '@/server/pdfReply';
import { notFound } from '@/server/replies';

/** The signed record, for the owner. */
export async function GET(_request: Request, { params }: { params: Promise<{ ticket: string; token: string }> }) {
  const { ticket, token } = await params;
  const owners = await ownersJob(ticket, token, new Date().toISOString());
  if (!owners?.job.state.signOff) return notFound('There is no such sheet.');
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
