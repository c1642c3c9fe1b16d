import { checkUpCalendar } from '@/server/checkUps';
import { ownersJob } from '@/server/ownerPage';
import { answering, notFound } from '@/server/replies';

/** The check-up, for the calendar of the owner. */
export const GET = (_request: Request, { params }: { params: Promise<{ ticket: string; token: string }> }) =>
  answering(async () => {
    const { ticket, token } = await params;
    const owners = await ownersJob(ticket, token, new Date().toISOString());
    const day = owners?.job.state.signOff?.body.checkUp;
    if (!owners || day === undefined) return notFound('There is no such sheet.');
    return checkUpCalendar({ ticket: owners.job.ticket, day, instrument: owners.job.type.name });
  });
