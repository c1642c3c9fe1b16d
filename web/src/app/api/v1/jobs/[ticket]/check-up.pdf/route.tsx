import { clockWords } from '@holotonos/core';
import { CheckUpPdf } from '@/print/CheckUpPdf';
import { pdfReply } from '@/server/pdfReply';

/** The card that reminds the owner. */
export async function GET(_request: Request, { params }: { params: Promise<{ ticket: string }> }) {
  const { ticket } = await params;
  return pdfReply(ticket, 'check-up', ({ record, shop }) => {
    const day = record.signOff?.checkUp;
    return day ? <CheckUpPdf record={record} day={day} when={clockWords(shop.hours.timeZone)} /> : null;
  });
}
