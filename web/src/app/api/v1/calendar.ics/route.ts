import { answering, asFile } from '@/server/replies';
import { benchCalendar } from '@/server/calendar';
import { loadWeek } from '@/server/bench';

/** The schedule as an iCalendar file, for a phone to subscribe to; `?ticket=` or `?person=` for a part of it. */
export const GET = (request: Request) =>
  answering(async () => {
    const now = new Date().toISOString();
    const query = new URL(request.url).searchParams;
    const text = benchCalendar(await loadWeek(now), { ticket: query.get('ticket'), person: query.get('person') });
    return new Response(text, { headers: asFile('bench.ics', 'text/calendar; charset=utf-8') });
  });
