import { pdfReply } from '@/server/pdfReply';

export async function GET(_request: Request, { params }: { params: Promise<{ ticket: string }> }) {
  const { ticket } = await params;
  return pdfReply(ticket, 'screw-board', ({ job: { ticket: own, state }, pictured }) => ({
    ticket: own,
    board: state.board,
    off: [...state.off.values()],
    pictured,
  }));
}
