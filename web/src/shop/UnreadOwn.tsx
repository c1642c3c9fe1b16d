'use client';

import { Button } from '@/ui/bootstrap';

/** More than this helps nobody; striking brings up the next. */
const mostShown = 8;

/** Entries of a logbook that belongs to no job which say nothing any more: shown, and struck when they are in the way. */
export function UnreadOwn({
  of,
  unread,
  strike,
}: {
  /** whose they are, in words */
  of: string;
  unread: readonly { entry: string; kind?: string; problem: string }[];
  strike: (body: { entry: string; reason: string }) => void;
}) {
  if (unread.length === 0) return null;
  return (
    <section className="say attention mb-3" aria-label="Entries that cannot be read">
      <strong>What these entries of {of} said cannot be read any more.</strong> Everything else goes on without them.
      <ul className="list-plain mb-0">
        {unread.slice(0, mostShown).map(({ entry, kind, problem }) => {
          const words = kind === undefined ? problem : `${kind}: ${problem}`;
          return (
            <li key={entry} className="mb-1">
              {words}{' '}
              <Button
                variant="quiet"
                className="me-1"
                aria-label={`Strike it: ${kind ?? problem}`}
                onClick={() => strike({ entry, reason: 'It could not be read.' })}
              >
                Strike it
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
