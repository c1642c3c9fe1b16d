import { dayIn, isPlainText, type NewEntry } from '@holotonos/core';
import { appendEntry, byOwnersLink } from '@holotonos/store';
import { ownersJob } from '@/server/ownerPage';
import { answering, conflict, invalid, notFound, readJson } from '@/server/replies';
import { getDb } from '@/server/store';

interface Answer {
  id?: unknown;
  estimate?: unknown;
  answer?: unknown;
  by?: unknown;
  note?: unknown;
}

/** What the owner says to an estimate on their own page; once for each. */
export const POST = (request: Request, { params }: { params: Promise<{ ticket: string; token: string }> }) =>
  answering(async () => {
    const { ticket, token } = await params;
    const now = new Date().toISOString();
    const owners = await ownersJob(ticket, token, now);
    if (!owners) return notFound('This link opens nothing any more.');
    const read = await readJson(request);
    if (!read.ok) return read.response;
    const { id, estimate, answer, by, note = '' } = (read.data ?? {}) as Answer;
    if (answer !== 'accepted' && answer !== 'refused')
      return invalid([{ path: '/answer', message: 'must be accepted or refused; tell the shop of anything else' }]);
    if (typeof by !== 'string' || by.trim() === '' || by.length > 80 || !isPlainText(by))
      return invalid([{ path: '/by', message: 'must be your name, 80 characters at most' }]);
    if (typeof note !== 'string') return invalid([{ path: '/note', message: 'must be words' }]);
    const { job, shop } = owners;
    const given = typeof estimate === 'string' ? job.state.estimates.get(estimate) : undefined;
    if (!given) return notFound('There is no such estimate.');
    if (given.answer && given.answer.id !== id)
      return conflict('This was answered already. Call the shop if it is to be otherwise.');
    if (job.state.signOff) return conflict('The job is signed off; nothing is agreed to any more.');
    const said = note.trim();
    const appended = await appendEntry(getDb(), ticket, {
      id,
      kind: 'agreement',
      author: byOwnersLink,
      benchTime: given.answer?.benchTime ?? now,
      body: {
        estimate,
        answer,
        on: given.answer?.body.on ?? dayIn(now, shop.hours.timeZone),
        by: by.trim(),
        note: said === '' ? 'On the owner’s page' : said,
      },
    } as NewEntry);
    if (appended.status === 'refused') return invalid(appended.problems);
    if (appended.status === 'stored') return Response.json({ answer }, { status: appended.known ? 200 : 201 });
    return conflict('This was answered otherwise at the same time. Load the page again.');
  });
