import type { UnreadTicket } from '@/server/jobs';

/** Tickets that cannot be shown: said, with a way to take out what is in them. Nothing is lost. */
export function UnreadTickets({ tickets }: { tickets: readonly UnreadTicket[] }) {
  if (tickets.length === 0) return null;
  return (
    <section className="say fault mb-3" aria-label="Tickets that cannot be read">
      {tickets.map(({ ticket, problem }) => (
        <p key={ticket} className="mb-1">
          <strong>{ticket}</strong> cannot be shown: {problem}. Nothing of it is lost:{' '}
          <a href={`/api/v1/jobs/${ticket}/export`}>take out all that is written in it</a>.
        </p>
      ))}
    </section>
  );
}
