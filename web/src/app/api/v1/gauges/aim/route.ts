import { pointProblems, type MeasuringPoint } from '@holotonos/core';
import { aimGauges } from '@/server/gaugeHub';
import { loadJob } from '@/server/jobs';
import { answering, invalid, notFound, readJson } from '@/server/replies';

/** Tells the devices what the bench asks for now: a ticket, a point, and a token that their next figure repeats. */
export const POST = (request: Request) =>
  answering(async () => {
    const read = await readJson(request);
    if (!read.ok) return read.response;
    const { ticket = '', token = '', point } = (read.data ?? {}) as Record<'ticket' | 'token' | 'point', unknown>;
    const problems = pointProblems(point ?? null);
    if (problems.length > 0) return invalid(problems.map((each) => ({ ...each, path: `/point${each.path}` })));
    if (typeof token !== 'string' || token.length > 80)
      return invalid([{ path: '/token', message: 'must be a short text' }]);
    if (typeof ticket !== 'string') return invalid([{ path: '/ticket', message: 'must be a text' }]);
    const job = await loadJob(ticket);
    if (!job) return notFound(`There is no ticket ${ticket}.`);
    await aimGauges({ token, ticket: job.ticket, type: job.type, point: point as MeasuringPoint });
    return new Response(null, { status: 204 });
  });
