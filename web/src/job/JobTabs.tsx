'use client';

import { Link } from '@/ui/Link';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { addressOf, jobStages, pageAt, pageOfDigit, stageAt, type JobStage } from './jobPages';
import { useAltKey } from '@/frame/useAltKey';
import { LinkWaits } from '@/ui/LinkWaits';

/** Room left beside a tab that was brought into sight, px: the next one shows that there is more. */
const beside = 24;

/** Moves a line of tabs along until one of them is in sight whole; browsers leave that to the page inside a band that stands. */
function bringIntoSight(line: HTMLElement | null, tab: HTMLElement): void {
  if (!line) return;
  const left = tab.offsetLeft - line.offsetLeft;
  const right = left + tab.offsetWidth;
  if (left < line.scrollLeft) line.scrollLeft = left - beside;
  if (right > line.scrollLeft + line.clientWidth) line.scrollLeft = right - line.clientWidth + beside;
}

/**
 * The ways through a job, by the stages of the work: the stage that is open shows its pages, the others their names. A stage
 * unfolds where it is pressed, without leaving the page.
 *
 * @param counts what waits on a page to be answered
 */
export function JobTabs({ ticket, counts }: { ticket: string; counts: Readonly<Record<string, number>> }) {
  const path = usePathname();
  const router = useRouter();
  useAltKey((code) => {
    const page = pageOfDigit(code.replace(/^Digit/, ''));
    if (page) router.push(addressOf(ticket, page));
    return page !== null;
  });
  const here = pageAt(path);
  const own = stageAt(path);
  const [looked, setLooked] = useState<{ stage: JobStage; at: string } | null>(null);
  // Once a page is gone to, its own stage is the open one.
  const open = looked?.at === path ? looked.stage : own;
  const nav = useRef<HTMLElement>(null);
  const unfolded = useRef(false);
  useEffect(() => {
    const list = nav.current;
    const first = list?.querySelector<HTMLElement>('.stage.open a');
    // Whoever unfolds a stage by key goes on from its first page: the button that was pressed is gone.
    if (unfolded.current) first?.focus();
    unfolded.current = false;
    // In one line that is longer than the screen, the open stage is in sight.
    const stage = list?.querySelector<HTMLElement>('.stage.open');
    if (list && stage) list.scrollLeft = stage.offsetLeft - list.offsetLeft - beside;
  }, [path, open]);
  return (
    <nav
      ref={nav}
      aria-label="Job"
      className="job-tabs stages"
      onFocus={({ target }) => bringIntoSight(nav.current, target)}
    >
      {jobStages.map((stage) => {
        const waiting = stage.pages.reduce((sum, page) => sum + (counts[page.path] ?? 0), 0);
        if (stage !== open && stage.pages.length > 1)
          return (
            <button
              key={stage.name}
              type="button"
              className={`stage${stage === own ? ' own' : ''}`}
              aria-expanded={false}
              onClick={() => {
                unfolded.current = true;
                setLooked({ stage, at: path });
              }}
            >
              {stage.name}
              <ToAnswer count={waiting} />
            </button>
          );
        return (
          <span
            key={stage.name}
            className={`stage${stage === open ? ' open' : ''}`}
            role="group"
            aria-label={stage.name}
          >
            {stage.pages.map((page) => (
              <Link
                key={page.path}
                href={addressOf(ticket, page)}
                aria-current={page === here ? 'page' : undefined}
                aria-keyshortcuts={page.digit && `Alt+${page.digit}`}
              >
                {page.name}
                <ToAnswer count={counts[page.path] ?? 0} />
                <LinkWaits />
              </Link>
            ))}
          </span>
        );
      })}
    </nav>
  );
}

function ToAnswer({ count }: { count: number }) {
  if (count === 0) return null;
  return (
    <span className="count" aria-label={`${count} to answer`}>
      {count}
    </span>
  );
}
