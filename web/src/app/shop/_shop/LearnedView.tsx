'use client';

import {
  faultLesson,
  faultsAside,
  findingTitle,
  printPhrase,
  seenByPart,
  seenWords,
  timeLesson,
  timesTold,
  type Family,
  type FindingKind,
  type KnownOutcome,
  type ShopState,
  type TimesSeen,
} from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { useWhen } from '@/frame/BenchContext';
import { useOutcomes } from '@/job/useOutcomes';
import type { LearnedHere, LearnedOfJob } from '@/server/learned';
import { stepTitle } from '@/shop/stepTitle';
import { useShop, type WriteShop } from '@/shop/useShop';
import { Button } from '@/ui/bootstrap';
import { Problem, ShopRow, ShopSection, TextField } from '@/ui/fields';
import { ReasonForm } from '@/ui/formParts';

/** Lines that are shown at once; more are found by their words. */
const mostShown = 40;

/** A lesson is doubted: the reason is asked for where it stands. */
function AsideForm({
  lesson,
  title,
  write,
  onDone,
}: {
  lesson: string;
  title: string;
  write: WriteShop;
  onDone: () => void;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const put = async (reason: string) => {
    const wrong = await write('lesson', { lesson, title, aside: true, reason });
    if (wrong === null) onDone();
    else setProblem(wrong);
  };
  return (
    <>
      <ReasonForm
        label="Why is it doubted?"
        action="Put it aside"
        onReason={(reason) => void put(reason)}
        onBack={onDone}
      />
      <Problem problem={problem} />
    </>
  );
}

const factorWords = (factor: number): string =>
  Math.abs(factor - 1) < 0.005 ? 'as the table says' : `× ${factor.toFixed(2)}`;

/** How long each kind of work takes each person, against the table. */
function TimesSection({ times, shop, write }: { times: readonly TimesSeen[]; shop: ShopState; write: WriteShop }) {
  const { dayText } = useWhen();
  const [search, setSearch] = useState('');
  const [open, setOpen] = useState<string | null>(null);
  const aside = new Set(shop.lessonsAside.map(({ lesson }) => lesson));
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const lines = times
    .map((seen) => ({
      seen,
      lesson: timeLesson(seen),
      title: `${stepTitle(shop, seen.kind)}, ${seen.family}, ${seen.person}`,
    }))
    .filter(({ lesson, title }) => !aside.has(lesson) && words.every((word) => title.toLowerCase().includes(word)));
  return (
    <ShopSection title="Times">
      <p className="soft">
        What the clocks of steps say against the table. A plan takes them in bit by bit: the table counts as if it had
        been seen four times.
      </p>
      {times.length === 0 ? (
        <p className="mb-0">No step has been timed yet.</p>
      ) : (
        <>
          <TextField label="Find work, family or person" value={search} set={setSearch} className="mb-2" />
          <div className="table-wide">
            <table className="readings shop-table">
              <thead>
                <tr>
                  <th scope="col">Work</th>
                  <th scope="col">Family</th>
                  <th scope="col">Person</th>
                  <th scope="col">Against the table</th>
                  <th scope="col">Two of three within</th>
                  <th scope="col">Seen</th>
                  <th scope="col">Lesson</th>
                </tr>
              </thead>
              <tbody>
                {lines.slice(0, mostShown).map(({ seen, lesson, title }) => {
                  const { factor, spread } = timesTold(seen);
                  return (
                    <tr key={lesson}>
                      <th scope="row">{stepTitle(shop, seen.kind)}</th>
                      <td>{seen.family}</td>
                      <td>{seen.person}</td>
                      <td>{factorWords(factor)}</td>
                      <td>{spread === null ? '–' : `× or ÷ ${spread.toFixed(2)}`}</td>
                      <td>
                        {seen.times === 1 ? 'once,' : `${seen.times} times since`} {dayText(seen.since)}
                      </td>
                      <td className="text-wrap">
                        {open === lesson ? (
                          <AsideForm {...{ lesson, title, write }} onDone={() => setOpen(null)} />
                        ) : (
                          <Button variant="quiet" aria-label={`Put aside: ${title}`} onClick={() => setOpen(lesson)}>
                            Put aside
                          </Button>
                        )}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          </div>
          {lines.length > mostShown && (
            <p className="soft mb-0 mt-2">{lines.length - mostShown} more: find them by their words.</p>
          )}
        </>
      )}
    </ShopSection>
  );
}

/** One fault of one ticket, as it was settled. */
function OutcomeRow({ outcome, shop, write }: { outcome: KnownOutcome; shop: ShopState; write: WriteShop }) {
  const [open, setOpen] = useState(false);
  const { dayText } = useWhen();
  const { ticket, finding, kind, place, foundAt, cures, cause, wasNone } = outcome;
  const title = `${findingTitle({ kind })}, ${place}, ${ticket}`;
  const done = cures.map(
    ({ step, cameBack }) =>
      `${step === null ? 'without a step' : stepTitle(shop, step)}${cameBack ? ', but it was there again' : ''}`,
  );
  return (
    <ShopRow name={title} acts={[['Put aside', () => setOpen(true)]]}>
      <Link href={`/jobs/${ticket}/findings`}>{ticket}</Link>, {place}, {dayText(foundAt)}:{' '}
      {wasNone ? 'it was none' : done.join('; then ')}
      {cause && <span className="soft"> (behind it: {findingTitle(cause).toLowerCase()})</span>}
      {open && <AsideForm lesson={faultLesson(finding)} title={title} write={write} onDone={() => setOpen(false)} />}
    </ShopRow>
  );
}

/** What was seen of one kind of fault on one family: part by part, and every ticket it comes from. */
function FaultStory({
  family,
  kind,
  shop,
  write,
}: {
  family: Family;
  kind: FindingKind;
  shop: ShopState;
  write: WriteShop;
}) {
  const { dayText } = useWhen();
  const outcomes = useOutcomes(family, kind);
  if (outcomes === undefined) return <p className="soft mb-0">Being read …</p>;
  if (outcomes === null) return <Problem problem="It could not be read. Close it and open it again." />;
  const aside = faultsAside(shop.lessonsAside);
  const shown = outcomes.filter(({ finding }) => !aside.has(finding));
  return (
    <>
      <ul className="mb-2">
        {seenByPart(outcomes, aside)
          .slice(0, mostShown)
          .map(({ part, place, seen }) => (
            <li key={part}>
              <strong>{place}.</strong>{' '}
              {seenWords(seen, `since ${dayText(seen.since)}`, (step) => stepTitle(shop, step)).join(' ')}
            </li>
          ))}
      </ul>
      <ul className="list-plain mb-0">
        {shown.slice(0, mostShown).map((outcome) => (
          <OutcomeRow key={outcome.finding} {...{ outcome, shop, write }} />
        ))}
      </ul>
      {shown.length > mostShown && <p className="soft mb-0">{shown.length - mostShown} older ones are counted in.</p>}
    </>
  );
}

/** Which faults were settled, and what put them right. */
function FaultsSection({ faults, shop, write }: { faults: LearnedHere['faults']; shop: ShopState; write: WriteShop }) {
  const [open, setOpen] = useState<string | null>(null);
  return (
    <ShopSection title="Faults and what put them right">
      <p className="soft">Counts of what was seen here, shown beside what the figures suggest. They are no rule.</p>
      {faults.length === 0 && <p className="mb-0">No fault has been settled yet.</p>}
      <ul className="list-plain mb-0">
        {faults.map(({ family, kind, times }) => {
          const key = `${family} ${kind}`;
          const isOpen = open === key;
          return (
            <li key={key} className={isOpen ? 'mb-3' : undefined}>
              <button
                type="button"
                className="plain fault-line"
                aria-expanded={isOpen}
                onClick={() => setOpen(isOpen ? null : key)}
              >
                <span>
                  {findingTitle({ kind })}, {family}
                </span>
                <span className="soft">{times === 1 ? 'once' : `${times} times`}</span>
              </button>
              {isOpen && <FaultStory {...{ family, kind, shop, write }} />}
            </li>
          );
        })}
      </ul>
    </ShopSection>
  );
}

/** What single instruments taught of their own metal; it is used in their own jobs only. */
function JobsSection({ jobs }: { jobs: readonly LearnedOfJob[] }) {
  const { dayText } = useWhen();
  return (
    <ShopSection title="Single instruments">
      <p className="soft">
        What the passes of a correction did to this metal. It goes into the next pass of the same job and no other; a
        pass that is doubted is put aside where it stands.
      </p>
      {jobs.length === 0 && <p className="mb-0">No pass has been read before and after yet.</p>}
      <ul className="list-plain mb-0">
        {jobs.flatMap(({ ticket, unit, lessons }) =>
          lessons.map(({ group, part, place, what, seen, since }) => {
            const said = printPhrase(what, unit);
            const page = group === 'hole' ? 'sound/tuning' : `measure?group=${group}&part=${part}`;
            return (
              <li key={`${ticket} ${part} ${said}`} className="mb-1">
                <Link href={`/jobs/${ticket}/${page}`}>
                  {ticket}, {place}
                </Link>
                : {said}{' '}
                <span className="soft">
                  ({seen === 1 ? 'one pass' : `${seen} passes`} since {dayText(since)})
                </span>
              </li>
            );
          }),
        )}
      </ul>
    </ShopSection>
  );
}

/** What is doubted, with the reason, and a way back. */
function AsideSection({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const [problem, setProblem] = useState<string | null>(null);
  const again = async (lesson: string, title: string) =>
    setProblem(await write('lesson', { lesson, title, aside: false, reason: 'taken up again' }));
  return (
    <ShopSection title="Put aside">
      {shop.lessonsAside.length === 0 && <p className="mb-0">Nothing: all that was learned is counted in.</p>}
      <ul className="list-plain mb-0">
        {shop.lessonsAside.map(({ lesson, title, reason }) => (
          <ShopRow key={lesson} name={title} acts={[['Take up again', () => void again(lesson, title)]]}>
            {title}. <span className="soft">Because: {reason}</span>
          </ShopRow>
        ))}
      </ul>
      <Problem problem={problem} />
    </ShopSection>
  );
}

/** All that the shop has learned, where it comes from, and what of it is doubted. */
export function LearnedSections({ learned, shop, write }: { learned: LearnedHere; shop: ShopState; write: WriteShop }) {
  return (
    <>
      <div className="split">
        <FaultsSection faults={learned.faults} shop={shop} write={write} />
        <div>
          <JobsSection jobs={learned.jobs} />
          <AsideSection shop={shop} write={write} />
        </div>
      </div>
      <TimesSection times={learned.times} shop={shop} write={write} />
    </>
  );
}

export function LearnedView({ first, learned }: { first: ShopState; learned: LearnedHere }) {
  const { shop, write } = useShop(first);
  return <LearnedSections learned={learned} shop={shop} write={write} />;
}
