import { errorDocument, type SolverResult } from '@holotonos/core';
import { answering, busy, readText } from '@/server/replies';
import { solve } from '@/server/solving';

const statuses: Record<SolverResult['status'], number> = {
  'solved': 200,
  'invalid-input': 400,
  'unknown-solver': 404,
  'unsolvable': 422,
};

export const POST = (request: Request, { params }: { params: Promise<{ name: string }> }) =>
  answering(async () => {
    const { name } = await params;
    const read = await readText(request);
    if (!read.ok) return read.response;
    const result = await solve(name, read.text);
    if (result.status === 'busy') return busy('Many calculations wait already. Try again in a moment.');
    return Response.json(result.status === 'solved' ? result.output : errorDocument(result), {
      status: statuses[result.status],
    });
  });
