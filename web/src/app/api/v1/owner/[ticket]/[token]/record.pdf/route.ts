import { ownersJob } from '@/server/ownerPage';
import { recordReply } from '@/server/pdfReply';
import { notFound } from '@/server/replies';

/** The signed record, for the owner. */
export async function GET(_request: Request, { params }: { params: Promise<{ ticket: string; token: string }> }) {
  const { ticket, token } = await params;
  const owners = await ownersJob(ticket, token, new Date().toISOString());
  if (!owners?.job.state.signOff) return notFound('There is no such sheet.');
  return recordReply(ticket);
}
