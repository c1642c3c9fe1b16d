import { pdfReply } from '@/server/pdfReply';

/** The estimate an owner was given, as a sheet to take home. */
export async function GET(request: Request, { params }: { params: Promise<{ ticket: string }> }) {
  const { ticket } = await params;
  const asked = new URL(request.url).searchParams.get('estimate');
  return pdfReply(ticket, 'estimate', ({ job, record, timeZone, pictured }) => {
    const given = asked === null ? [...job.state.estimates.values()].at(-1) : job.state.estimates.get(asked);
    return given ? { record, pictured, given, timeZone } : null;
  });
}
