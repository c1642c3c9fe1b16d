import { errorDocument, runSolverOnText, type SolverResult } from '@holotonos/core';
import { answering, readText } from '@/server/replies';

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
    const result = runSolverOnText(name, read.text);
    return Response.json(result.status === 'solved' ? result.output : errorDocument(result), {
      status: statuses[result.status],
    });
  });
