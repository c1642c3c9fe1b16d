import { pdfReply } from '@/server/pdfReply';

/** The card that reminds the owner. */
export async function GET(_request: Request, { params }: { params: Promise<{ ticket: string }> }) {
  const { ticket } = await params;
  return pdfReply(ticket, 'check-up', ({ record, timeZone }) => {
    const day = record.signOff?.checkUp;
    return day ? { record, day, timeZone } : null;
  });
}
