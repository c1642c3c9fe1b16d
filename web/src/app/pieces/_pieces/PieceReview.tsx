'use client';

import {
  adjusterWords,
  faultWords,
  findingTitle,
  length,
  printPhrase,
  printQuantity,
  type PieceReview as Review,
  type PracticePiece,
} from '@holotonos/core';
import { useJob } from '@/job/JobContext';
import { StateMark } from '@/ui/StateMark';
import { useLaidOut } from './PieceJob';

const within = (low: number, high: number, figure: (mm: number) => string) =>
  low === -Infinity
    ? `${figure(high)} or less`
    : high === Infinity
      ? `${figure(low)} or more`
      : `${figure(low)} to ${figure(high)}`;

/** What was there, the shortest cure, where what was seen misled, and how it stands now. */
export function PieceReview({ piece, review }: { piece: PracticePiece; review: Review }) {
  const { type, names } = useJob();
  const name = (part: string) => names.get(part) ?? part;
  const figure = (mm: number) => printQuantity(length(mm), 'mm');
  const laid = useLaidOut(piece);
  const adjuster = (link: string) => type.links.find(({ id }) => id === link)?.adjuster ?? 'fixed';
  const moved = review.rules.filter(({ before, after }) => !before.holds || !after.holds);
  const sayable = review.faults.filter(({ said }) => said !== null);
  const named = sayable.filter(({ said }) => said).length;
  const alarms = review.falseAlarms.length;
  const words = new Map(review.rules.map((rule) => [rule.id, rule.words]));
  return (
    <main id="main" className="band-work">
      <div className="sheets">
        <section className="sheet" aria-label="How it went">
          <h2>{review.cured ? 'Cured' : 'Not cured yet'}</h2>
          <p className="mb-0">
            {review.looks} looks, {review.turns} {review.turns === 1 ? 'setting' : 'settings'}; the shortest cure takes{' '}
            {review.cure.length}.{sayable.length > 0 && ` ${named} of ${sayable.length} faults were said.`}
            {alarms > 0 &&
              ` ${alarms} ${alarms === 1 ? 'was' : 'were'} said that ${alarms === 1 ? 'was' : 'were'} not there.`}
          </p>
        </section>
        <section className="sheet" aria-label="What was there">
          <h3>What was there</h3>
          <ul className="list-plain mb-2">
            {review.faults.map(({ fault, part, said }) => (
              <li key={`${fault.kind} ${part}`}>
                <StateMark state={said === null ? 'unmeasured' : said ? 'within' : 'outside'} word={false} />{' '}
                {printPhrase(faultWords(laid, fault, name), 'mm')}{' '}
                <span className="soft">{said === null ? '' : said ? 'You said so.' : 'Not said.'}</span>
              </li>
            ))}
          </ul>
          {review.falseAlarms.map(({ kind, part }) => (
            <p key={`${kind} ${part}`} className="say attention mb-1">
              Said, but not there: {findingTitle({ kind })}, {name(part)}.
            </p>
          ))}
        </section>
        <section className="sheet" aria-label="The shortest cure">
          <h3>The shortest cure</h3>
          {review.cure.length === 0 && <p className="mb-2">Nothing to turn: no adjuster was at fault.</p>}
          <ol className="turns">
            {[...review.cure]
              .sort((a, b) => a.order - b.order)
              .map(({ link, steps, deltaGap }) => (
                <li key={link}>
                  <strong>{name(link)}.</strong> {printPhrase(adjusterWords(adjuster(link), steps, deltaGap), 'mm')}{' '}
                  <span className="soft">{yours(review.turned.get(link) ?? 0, steps)}</span>
                </li>
              ))}
          </ol>
          {[...review.turned]
            .filter(([link]) => !review.cure.some((move) => move.link === link))
            .map(([link, steps]) => (
              <p key={link} className="soft mb-1">
                {name(link)} was turned by {Math.abs(steps)} {Math.abs(steps) === 1 ? 'step' : 'steps'} and did not need
                to be.
              </p>
            ))}
          {review.yields.map(({ rule, to }) => (
            <p key={rule} className="say attention mb-1">
              A compromise: {words.get(rule)}{' '}
              {to.length > 0 && `It yields to: ${to.map((id) => words.get(id)).join(' ')}`}
            </p>
          ))}
        </section>
        {review.misled.length > 0 && (
          <section className="sheet" aria-label="Where what was seen misled">
            <h3>Where what was seen misled</h3>
            <ul className="list-plain mb-0">
              {review.misled.map(({ entry, link, low, high, late, because }) => (
                <li key={entry}>
                  {name(link)}: seen {within(low, high, figure)} late; by its adjuster it was {figure(late)}.{' '}
                  <span className="soft">
                    {because.kind === 'hinge'
                      ? `The ${name(because.key)} wanders in its hinge.`
                      : because.kind === 'pad' && `The ${name(because.hole)} pad seals late because it is not level.`}
                  </span>
                </li>
              ))}
            </ul>
          </section>
        )}
        <section className="sheet" aria-label="Rules by what was there">
          <h3>Rules, by what was there</h3>
          <ul className="list-plain rule-changes mb-0">
            {moved.map(({ id, words: said, before, after }) => (
              <li key={id}>
                <span className={after.holds ? 'sound' : 'overdue'}>
                  {figure(before.value)} → {figure(after.value)}
                </span>{' '}
                {said}
              </li>
            ))}
          </ul>
        </section>
      </div>
    </main>
  );
}

/** What was turned beside what would have been enough. */
const yours = (turned: number, wanted: number): string =>
  turned === wanted
    ? 'So you did.'
    : turned === 0
      ? 'You left it.'
      : Math.sign(turned) === Math.sign(wanted)
        ? `You turned it ${Math.abs(turned)} of ${Math.abs(wanted)} steps.`
        : 'You turned it the other way.';
