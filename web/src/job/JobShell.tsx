'use client';

import { practices, stateOf, type MeasureState } from '@holotonos/core';
import Link from 'next/link';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { Suspense, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useJob } from './JobContext';
import { Button } from '@/ui/bootstrap';
import { marksOf } from '@/tube/marksOf';
import { useMapFold } from '@/tube/mapFold';
import { SlimStrip } from '@/tube/SlimStrip';
import { Strip } from '@/tube/Strip';
import { LinkWaits } from '@/ui/LinkWaits';
import { SetAside } from './SetAside';
import { isMeasuredGroup, partsToMeasure, targetsOfGroup } from '@/figure/groups';
import { StripControlProvider, useStripControlHeld, type StripControl } from '@/tube/StripControl';
import { useWhen } from '@/frame/BenchContext';

/** More than this helps nobody; striking brings up the next. */
const mostUnread = 8;

function Tabs() {
  const { ticket, judgement } = useJob();
  const path = usePathname();
  const nav = useRef<HTMLElement>(null);
  // Where they stand in one line that is longer than the screen, the page that is open is in sight.
  useEffect(() => {
    const list = nav.current;
    const here = list?.querySelector<HTMLElement>('[aria-current=page]');
    if (list && here) list.scrollLeft = here.offsetLeft - list.offsetLeft - (list.clientWidth - here.clientWidth) / 2;
  }, [path]);
  const base = `/jobs/${ticket}`;
  const tabs = [
    { href: base, name: 'Job' },
    { href: `${base}/survey`, name: 'Survey' },
    { href: `${base}/strip`, name: 'Strip-down' },
    { href: `${base}/look`, name: 'Look over' },
    { href: `${base}/measure`, name: 'Measure' },
    { href: `${base}/round`, name: 'Rounds' },
    { href: `${base}/findings`, name: 'Findings', count: judgement.suggestions.length },
    { href: `${base}/pads`, name: 'Pads, springs' },
    { href: `${base}/regulation`, name: 'Regulation' },
    { href: `${base}/sound`, name: 'Sound' },
    { href: `${base}/plan`, name: 'Plan' },
    { href: `${base}/estimate`, name: 'Estimate' },
    { href: `${base}/record`, name: 'Record' },
    { href: `${base}/instrument`, name: 'Instrument' },
  ];
  return (
    <nav ref={nav} aria-label="Job" className="job-tabs">
      {tabs.map(({ href, name, count }) => (
        <Link
          key={href}
          href={href}
          aria-current={path === href || (href !== base && path.startsWith(`${href}/`)) ? 'page' : undefined}
        >
          {name}
          {count ? (
            <span className="count" aria-label={`${count} to answer`}>
              {count}
            </span>
          ) : null}
          <LinkWaits />
        </Link>
      ))}
    </nav>
  );
}

/** The strip as every page has it that does not take it for itself: holes, with the states of their measures. */
function JobStrip() {
  const { type, ticket, state, judgement } = useJob();
  const router = useRouter();
  const path = usePathname();
  const query = useSearchParams();
  const held = useStripControlHeld();
  const { folded, fold } = useMapFold(path);
  // Whoever has folded it by key goes on from there: the button that was pressed is gone.
  const [turned, setTurned] = useState(false);
  const measuring = path.endsWith('/measure');
  const asked = query.get('group');
  const group = measuring && isMeasuredGroup(asked) ? asked : 'pad';
  const here = query.get('part');
  const own = useMemo(
    (): StripControl => ({
      targets: measuring ? targetsOfGroup[group] : ['holes'],
      here,
      marks: measuring && here !== null ? marksOf(judgement.parts.get(`${group}:${here}`), state.unit) : [],
      stateOfPart: (part: string): MeasureState[] =>
        (measuring ? [group] : ['rim', 'pad'])
          .map((each) => stateOf(judgement, each, part))
          .filter((state) => state !== null),
      onPick: (part: string) => {
        const to = partsToMeasure(type, group).includes(part) ? group : 'rim';
        router.push(`/jobs/${ticket}/measure?group=${to}&part=${part}`);
      },
    }),
    [router, ticket, type, group, measuring, judgement, here, state.unit],
  );
  // Whatever page has the strip, pictures stay pinned where they were taken.
  const control = useMemo((): StripControl => {
    const counts = new Map<string, number>();
    for (const { part } of state.photos.values()) if (part) counts.set(part, (counts.get(part) ?? 0) + 1);
    return { ...(held ?? own), photosOf: (part: string) => counts.get(part) ?? 0 };
  }, [held, own, state.photos]);
  const turn = (to: boolean) => {
    fold(to);
    setTurned(true);
  };
  if (folded)
    return <SlimStrip type={type} stateOfPart={control.stateOfPart} onUnfold={() => turn(false)} takesFocus={turned} />;
  return <Strip type={type} control={control} folds={{ fold: () => turn(true), takesFocus: turned }} />;
}

/** Entries that say nothing any more: shown, and struck with a word when they are in the way. */
function UnreadEntries() {
  const { state, write } = useJob();
  const { momentText } = useWhen();
  const unread = [...state.unread].filter(([id]) => !state.struck.has(id)).slice(0, mostUnread);
  if (unread.length === 0) return null;
  return (
    <section className="say attention m-3" aria-label="Entries that cannot be read">
      <strong>What these entries said cannot be read any more.</strong> The rest of the job goes on without them; they
      travel with it when it is taken out.
      <ul className="list-plain mb-0">
        {unread.map(([id, problem]) => {
          const entry = state.byId.get(id);
          return (
            <li key={id}>
              {entry && `${momentText(entry.benchTime)}, ${entry.author}: `}
              {problem}{' '}
              <Button
                variant="quiet"
                aria-label={`Strike it: entry ${entry?.seq ?? ''}`}
                onClick={() => write('strike', { entry: id, reason: 'It could not be read.' })}
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

/** The frame of every job page: what job it is, the strip, the page's own bands, and what waits to be sent. */
export function JobShell({ children }: { children: ReactNode }) {
  const { dayText } = useWhen();
  const { ticket, type, state, waiting, reachable, asksWho, refusals, dismissRefusals } = useJob();
  const { intake } = state;
  // The linkage is drawn over the tube itself, and a set of pads is a table: a drawing above would only take their room.
  const drawn = !/\/(regulation|pads|corks|springs)$/.test(usePathname());
  return (
    <StripControlProvider>
      <div className="job">
        <div className="band-strip">
          <div className="job-head">
            <h1>
              {ticket} · {type.name}
            </h1>
            <span className="soft">
              {[intake?.maker, intake?.made].filter(Boolean).join(', ')} · {practices[state.practice].title}
              {intake?.dueBy ? ` · due ${dayText(intake.dueBy)}` : ''}
            </span>
            <span role="status" className={waiting > 0 && !reachable ? 'say attention py-0' : 'soft'}>
              {waiting === 0
                ? ''
                : reachable
                  ? 'Writing …'
                  : `${asksWho ? 'Nobody is signed in' : 'The server does not answer'}: ${waiting} ${waiting === 1 ? 'entry waits' : 'entries wait'} here and will be sent.`}
            </span>
            <Tabs />
          </div>
          {drawn && (
            <div className="px-2">
              <Suspense>
                <JobStrip />
              </Suspense>
            </div>
          )}
        </div>
        <UnreadEntries />
        <SetAside />
        {refusals.length > 0 && (
          <div className="say fault m-3" role="alert">
            <strong>Not taken:</strong>
            <ul className="mb-2">
              {refusals.map(({ entry, problems }) => (
                <li key={entry.id}>
                  {entry.kind === 'reading' ? `Reading “${entry.body.typed}”` : entry.kind.replace('-', ' ')}:{' '}
                  {problems.map(({ message }) => message).join('; ')}
                </li>
              ))}
            </ul>
            <Button variant="quiet" onClick={dismissRefusals}>
              I have read this
            </Button>
          </div>
        )}
        {children}
      </div>
    </StripControlProvider>
  );
}

/** The middle and bottom bands of a job page. */
export function Bands({ work, readout }: { work: ReactNode; readout: ReactNode }) {
  return (
    <>
      <main id="main" className="band-work">
        {work}
      </main>
      <section className="band-readout" aria-label="Readout">
        {readout}
      </section>
    </>
  );
}
