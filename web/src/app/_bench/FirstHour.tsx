'use client';

import { Link } from '@/ui/Link';
import { keepHere, keptHere, readKept, useKeptHere } from '@/frame/keptHere';
import { practiceTicket } from '@/job/practiceTicket';
import { Button } from '@/ui/bootstrap';

interface Step {
  id: string;
  title: string;
  why: string;
  href: string;
  act: string;
}
const steps: readonly Step[] = [
  {
    id: 'people',
    title: 'Who works here, and when',
    why: 'Then the week knows whose hands are free, and what an hour costs.',
    href: '/shop/people',
    act: 'People, hours, prices',
  },
  {
    id: 'gauges',
    title: 'What you measure with',
    why: 'Every verdict counts in the doubt of its gauge. The usual ones are there: take out what you do not have.',
    href: '/shop',
    act: 'Gauges',
  },
  {
    id: 'practice',
    title: 'How strict you are',
    why: 'Three practices come with it. Where your customers want otherwise, give a limit your own figure.',
    href: '/shop',
    act: 'Practices',
  },
  {
    id: 'play',
    title: 'Play with a ticket that cannot hurt',
    why: 'It lives in this browser only: measure, decide, sign, and begin again.',
    href: `/jobs/${practiceTicket}`,
    act: 'Open the practice ticket',
  },
  {
    id: 'ticket',
    title: 'Take the first instrument in',
    why: 'A type, an owner and what is wrong are enough; the rest can follow.',
    href: '/tickets/new',
    act: 'New ticket',
  },
];

const key = 'holotonos-first-hour';
const asideOf = (text: string): readonly string[] => {
  const kept = readKept(text) as { aside?: unknown } | null;
  return Array.isArray(kept?.aside) ? kept.aside.filter((id) => typeof id === 'string') : [];
};

/**
 * What a shop does in its first hour, one thing after the other; whatever is not wanted is put aside, and it goes once there
 * is a ticket.
 *
 * @param done ids of what the shop has already
 */
export function FirstHour({ done }: { done: readonly string[] }) {
  const aside = asideOf(useKeptHere(key));
  const open = steps.filter(({ id }) => !done.includes(id) && !aside.includes(id));
  const put = (id: string) => keepHere(key, { aside: [...asideOf(keptHere(key)), id] });
  return (
    <section className="sheet" aria-labelledby="first-hour">
      <h2 id="first-hour">The bench is empty: the first hour</h2>
      <ol className="first-hour">
        {steps.map(({ id, title, why, href, act }) => {
          const state = done.includes(id) ? 'done' : aside.includes(id) ? 'put aside' : null;
          const isNext = id === open[0]?.id;
          return (
            <li key={id} className={isNext ? 'next' : undefined} aria-current={isNext ? 'step' : undefined}>
              <div>
                <strong>{title}</strong> {state && <span className="soft">({state})</span>}
                {!state && <p className="mb-0">{why}</p>}
              </div>
              {!state && (
                <div className="d-flex flex-wrap gap-2">
                  <Link className={`btn ${isNext ? 'btn-primary' : 'btn-quiet'}`} href={href}>
                    {act}
                  </Link>
                  <Button variant="quiet" aria-label={`Not now: ${title}`} onClick={() => put(id)}>
                    Not now
                  </Button>
                </div>
              )}
            </li>
          );
        })}
      </ol>
      <p className="mb-0">
        A job from another workshop comes in by <Link href="/import">import</Link>. The keys and what shapes and colours
        say are <a href="/api/v1/keys.pdf">a card to hang at the bench</a>.
      </p>
    </section>
  );
}
