import { checkUpCalendar } from '@/server/checkUps';
import { loadJob } from '@/server/jobs';
import { answering, notFound } from '@/server/replies';

/** The check-up that was agreed at sign-off, for the calendar of the shop or the owner. */
export const GET = (_request: Request, { params }: { params: Promise<{ ticket: string }> }) =>
  answering(async () => {
    const { ticket } = await params;
    const job = await loadJob(ticket);
    const day = job?.state.signOff?.body.checkUp;
    if (!job || day === undefined) return notFound(`Ticket ${ticket} has no check-up.`);
    return checkUpCalendar({ ticket: job.ticket, day, instrument: job.type.name });
  });
