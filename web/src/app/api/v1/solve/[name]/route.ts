import { errorDocument, runSolverOnText, type SolverResult } from '@holotonos/core';
import { readText } from '@/server/replies';

const statuses: Record<SolverResult['status'], number> = {
  'solved': 200,
  'invalid-input': 400,
  'unknown-solver': 404,
  'unsolvable': 422,
};

export async function POST(request: Request, { params }: { params: Promise<{ name: string }> }) {
  const { name } = await params;
  const read = await readText(request);
  if (!read.ok) return read.response;
  const result = runSolverOnText(name, read.text);
  return Response.json(result.status === 'solved' ? result.output : errorDocument(result), {
    status: statuses[result.status],
  });
}
