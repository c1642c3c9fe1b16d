import { pdfReply } from '@/server/pdfReply';

export async function GET(_request: Request, { params }: { params: Promise<{ ticket: string }> }) {
  const { ticket } = await params;
  return pdfReply(ticket, 'bench-card', ({ record, plan, shop: { hours, cautions }, pictured }) => ({
    record,
    plan,
    shop: { hours, cautions },
    pictured,
  }));
}
