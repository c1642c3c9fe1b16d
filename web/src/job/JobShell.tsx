'use client';

import { practices, statesOf } from '@holotonos/core';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { useMemo, type ReactNode } from 'react';
import { useJob } from './JobContext';
import { JobTabs } from './JobTabs';
import { Button } from '@/ui/bootstrap';
import { marksOf } from '@/tube/marksOf';
import { useMapFold } from '@/tube/mapFold';
import { FoldedMap } from '@/tube/FoldedMap';
import { Strip } from '@/tube/Strip';
import { clearPractice } from '@/outbox/seen';
import { isPractice } from './practiceTicket';
import { SetAside } from './SetAside';
import { Unsent } from '@/frame/Unsent';
import { isMeasuredGroup, partsToMeasure, targetsOfGroup } from '@/figure/groups';
import { StripControlProvider, useStripControlHeld, type StripControl } from '@/tube/StripControl';
import { useWhen } from '@/frame/BenchContext';
import { Masthead } from '@/frame/Masthead';

/** More than this helps nobody; striking brings up the next. */
const mostUnread = 8;

/** The strip as every page has it that does not take it for itself: holes, with the states of their measures. */
function JobStrip() {
  const { type, ticket, state, judgement } = useJob();
  const router = useRouter();
  const path = usePathname();
  const query = useSearchParams();
  const held = useStripControlHeld();
  const { folded, fold } = useMapFold(path);
  const measuring = path.endsWith('/measure');
  const asked = query.get('group');
  const group = measuring && isMeasuredGroup(asked) ? asked : 'pad';
  const here = query.get('part');
  const own = useMemo(
    (): StripControl => ({
      targets: measuring ? targetsOfGroup(group) : ['holes'],
      here,
      marks: measuring && here !== null ? marksOf(judgement.parts.get(`${group}:${here}`), state.unit) : [],
      stateOfPart: (part: string) => statesOf(judgement, measuring ? [group] : ['rim', 'pad'], part),
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
  if (folded) return <FoldedMap key={path} type={type} control={control} onPin={() => fold(false)} />;
  return <Strip type={type} control={control} folds={{ words: 'Fold', turn: () => fold(true) }} />;
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

/** What the line at the head of a job’s pages says of it: which it is, and the ways through it. */
function JobHead() {
  const { ticket, type, state, judgement, waiting, reachable } = useJob();
  const { dayText } = useWhen();
  const { intake } = state;
  const more = [
    [intake?.maker, intake?.made].filter(Boolean).join(', '),
    practices[state.practice].title,
    intake?.dueBy ? `due ${dayText(intake.dueBy)}` : '',
  ].filter(Boolean);
  return (
    <>
      <h1 title={[type.name, ...more].join(' · ')}>
        {isPractice(ticket) ? 'Practice' : ticket} <span>· {type.name}</span>
      </h1>
      <JobTabs ticket={ticket} counts={{ findings: judgement.suggestions.length }} />
      <span role="status" className="writing soft">
        {waiting > 0 && reachable ? 'Writing …' : ''}
      </span>
    </>
  );
}

/** Said over everything while nobody answers: from when what is shown is, and what is not yet sent. */
function Waiting() {
  const { waiting, reachable, asksWho, madeAt, answers } = useJob();
  const { momentText } = useWhen();
  const unsent = `${waiting} ${waiting === 1 ? 'entry waits' : 'entries wait'} here and will be sent.`;
  const said = [
    waiting > 0 && !reachable ? `${asksWho ? 'Nobody is signed in' : 'The server does not answer'}: ${unsent}` : '',
    answers !== 'yes' && (waiting === 0 || reachable)
      ? `The server does not answer. ${waiting > 0 ? unsent : 'What you write waits here and is sent when it does.'}`
      : '',
    answers === 'never' ? `This page was kept on ${momentText(madeAt)}.` : '',
  ].filter(Boolean);
  return (
    <div role="status" className={said.length > 0 ? 'say attention waits-here' : undefined}>
      {said.join(' ')}
    </div>
  );
}

/** Over the pages of the practice ticket: what it is, and a way to have it as it came. */
function ForPractice() {
  const { ticket } = useJob();
  if (!isPractice(ticket)) return null;
  return (
    <p className="say d-flex align-items-center gap-3 mx-3 mt-2 mb-0">
      <span>
        <strong>A ticket to play with.</strong> Measure, decide, do and sign what you like: it stays in this browser and
        teaches the shop nothing. Pictures and prints are for real tickets.
      </span>
      <Button variant="quiet" onClick={() => void clearPractice(ticket).then(() => window.location.reload())}>
        As it came
      </Button>
    </p>
  );
}

/** The frame of every job page: what job it is, the strip, the page's own bands, and what waits to be sent. */
export function JobShell({ children }: { children: ReactNode }) {
  const { ticket, refusals, dismissRefusals } = useJob();
  // The linkage is drawn over the tube itself, and a set of pads is a table: a drawing above would only take their room.
  const drawn = !/\/(regulation|pads|corks|springs)$/.test(usePathname());
  return (
    <StripControlProvider>
      <div className="job">
        <div className="band-strip">
          <Masthead job={<JobHead />} />
          <Waiting />
          {drawn && (
            <div className="px-2">
              <JobStrip />
            </div>
          )}
        </div>
        <ForPractice />
        <UnreadEntries />
        <SetAside />
        <Unsent but={ticket} />
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

/**
 * The middle and bottom bands of a job page.
 *
 * @param says how things stand in a line above the work, where no figures are asked for
 * @param readout what is asked for, always in sight
 */
export function Bands({ work, says, readout }: { work: ReactNode; says?: ReactNode; readout?: ReactNode }) {
  return (
    <>
      <main id="main" className="band-work">
        {says && <div className="work-says">{says}</div>}
        {work}
      </main>
      {readout && (
        <section className="band-readout" aria-label="Readout">
          {readout}
        </section>
      )}
    </>
  );
}
