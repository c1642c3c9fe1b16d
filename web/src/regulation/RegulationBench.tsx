'use client';

import { heldWords, length, printPhrase, printQuantity } from '@holotonos/core';
import { useDeferredValue, useEffect, useId, useRef, type KeyboardEvent, type ReactNode } from 'react';
import { Bands } from '@/job/JobShell';
import { Form } from '@/ui/bootstrap';
import { StateMark } from '@/ui/StateMark';
import { LandingChart } from './LandingChart';
import { LinkageDrawing } from './LinkageDrawing';
import { forceSteps, type RegulationDesk } from './useRegulation';
import { useFirstFocus } from '@/frame/useFirstFocus';

/** Links in the order of the round, each with what was seen of it last. */
function StopList({ desk }: { desk: RegulationDesk }) {
  const { stops, index, name, seen, goTo, unit } = desk;
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    const current = list.current?.querySelector<HTMLElement>('[aria-current=true]');
    if (list.current && current) list.current.scrollTop = current.offsetTop - list.current.clientHeight / 2;
  }, [index]);
  return (
    <ol ref={list} className="part-list looks-list" aria-label="Links in the order they are brought in">
      {stops.map((stop, i) => {
        const look = seen(stop);
        return (
          <li key={`${stop.link} ${stop.held.join()}`}>
            <button type="button" aria-current={i === index ? 'true' : undefined} onClick={() => goTo(i)}>
              <StateMark state={look ? (look.turnedSince ? 'stale' : 'within') : 'unmeasured'} word={false} />
              <span className="flex-grow-1">
                {name(stop.link)}
                {stop.held.length > 0 && <span className="soft"> with its neighbours down</span>}
              </span>
              <span className="soft">{look && (look.turnedSince ? 'set since' : printPhrase(look.words, unit))}</span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}

/** Rules that do not hold by what was seen, and what the model cannot say. */
function Rules({ desk }: { desk: RegulationDesk }) {
  const { regulation, unit, looked, stops } = desk;
  const off = regulation.rules.filter(({ holds }) => !holds);
  const count = regulation.rules.length;
  return (
    <section className="sheet mb-0" aria-label="Rules">
      <h3>
        {looked === 0 && off.length === 0 ? (
          'Rules: nobody has looked yet'
        ) : (
          <>
            Rules: {count - off.length} of {count} hold{' '}
            <span className="soft fw-normal">
              by {looked} of {stops.length} looks
            </span>
          </>
        )}
      </h3>
      <ul className="list-plain mb-2">
        {off.map(({ rule, words, violation, change }) => (
          <li key={rule.id}>
            <StateMark state={change?.accepted ? 'undecided' : 'outside'} word={false} /> {words}{' '}
            <span className="soft">
              off by {printQuantity(length(violation), unit)}
              {change?.accepted && `, left as a compromise: ${change.reason}`}
            </span>
          </li>
        ))}
      </ul>
      {regulation.beyond.length > 0 && (
        <p className="soft mb-0">
          To be looked at, nothing is worked out for it: {regulation.beyond.map(({ words }) => words).join(' ')}
        </p>
      )}
    </section>
  );
}

/** Which of the keys below the picture a digit is, wherever the layout has its signs. */
const finger = (code: string) => Number(/^(?:Digit|Numpad)([1-9])$/.exec(code)?.[1] ?? 0) - 1;

/**
 * The linkage, the round of its links and how the finger goes down: what a job has and a practice piece.
 *
 * @param ask what is asked at the link at hand
 * @param onKey a key the bench itself has no use for; whether it meant something
 */
export function RegulationBench({
  desk,
  label,
  ask,
  onKey,
  notes,
  children,
}: {
  desk: RegulationDesk;
  label: string;
  ask: ReactNode;
  onKey: (key: string) => boolean;
  notes?: ReactNode;
  /** what stands under the linkage */
  children: ReactNode;
}) {
  const { type, link, stop, stops, index, name, regulation, touch, pressed, unit, board } = desk;
  // The picture comes first, the curves when there is time.
  const later = useDeferredValue(desk);
  const id = useId();
  useFirstFocus(board);

  // Keys that meet the one at hand at a pad: what a hand would hold besides.
  const meets = new Set(
    type.links
      .filter(({ driver, follower }) => driver === link?.driver || follower === link?.driver)
      .flatMap((each) => [each.driver, each.follower]),
  );
  const besides = new Set(type.links.filter(({ follower }) => meets.has(follower)).map(({ driver }) => driver));
  const hands = type.keys.filter(
    ({ id: key, touches = [] }) => touches.length > 0 && (besides.has(key) || meets.has(key) || pressed.has(key)),
  );
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const { key } = event;
    const inField = (event.target as HTMLElement).matches('input, textarea, select');
    if (inField || (event.target !== board.current && (key === 'Enter' || key === ' '))) return;
    if (key === 'ArrowDown' || key === 'Enter') desk.goTo(index + 1);
    else if (key === 'ArrowUp') desk.goTo(index - 1);
    else if (key === '[') desk.pressBy(-1);
    else if (key === ']') desk.pressBy(1);
    else if (event.shiftKey && hands[finger(event.code)]) desk.toggle(hands[finger(event.code)]?.id ?? '');
    else if (key === '<') desk.tryStep(-1);
    else if (key === '>') desk.tryStep(1);
    else if (!onKey(key)) return;
    event.preventDefault();
  };

  if (type.links.length === 0)
    return (
      <Bands
        work={<p>No key of this instrument moves another: there is nothing to regulate between them.</p>}
        readout={<div className="readout-plain" />}
      />
    );
  const assumed = link
    ? [link.id, link.driver, link.follower].flatMap((of) => regulation.mechanism.assumed.get(of) ?? [])
    : [];
  const work = (
    <div className="regulation" onKeyDown={onKeyDown}>
      <StopList desk={desk} />
      <div className="d-grid gap-3">
        <div className="sheet mb-0">
          <div
            ref={board}
            className="survey-console"
            tabIndex={0}
            role="group"
            aria-label={link ? `${name(link.id)}. ${label}` : label}
          >
            <div className="label">
              Look {index + 1} of {stops.length} · lightest touch
            </div>
            <h2 className="survey-place mb-0" aria-live="polite">
              {link && name(link.id)}
              <span className="soft">{heldWords(stop?.held, name)}</span>
            </h2>
          </div>
          {ask}
        </div>
        {notes}
        {regulation.contradictions.map(({ link: at, earlier, later }) => (
          <p key={`${at} ${later.entry}`} className="say attention mb-0">
            {name(at)}: “{printPhrase(earlier.words, unit)}” and “{printPhrase(later.words, unit)}” cannot both be true.
            The later one is believed; look once more.
          </p>
        ))}
        <section className="sheet mb-0" aria-label="As the finger goes down">
          <h3>As the finger goes down</h3>
          <LandingChart desk={later} />
          {assumed.length > 0 && (
            <p className="soft mb-0">
              Assumed by the family until it is read:{' '}
              {[...new Set(assumed)].map((each) => assumedWords[each]).join(', ')}.
            </p>
          )}
        </section>
        <Rules desk={desk} />
      </div>
      <div className="d-grid gap-3">
        <section className="sheet mb-0" aria-label="The linkage">
          <LinkageDrawing desk={desk} />
          <div className="d-flex gap-3 align-items-center mt-2">
            <Form.Label htmlFor={`${id}-force`} className="mb-0 text-nowrap">
              {printQuantity({ value: touch, unit: 'N' }, unit)} at each touch
            </Form.Label>
            <Form.Range
              id={`${id}-force`}
              {...forceSteps}
              value={touch}
              onChange={(event) => desk.setForce(Number(event.target.value))}
            />
          </div>
          <div className="key-toggles" role="group" aria-label="Keys that are pressed">
            {hands.map(({ id: key }, i) => (
              <button
                key={key}
                type="button"
                aria-pressed={pressed.has(key)}
                aria-keyshortcuts={i < 9 ? `Shift+${i + 1}` : undefined}
                onClick={() => desk.toggle(key)}
              >
                {i < 9 && <kbd>{i + 1}</kbd>} {name(key)}
              </button>
            ))}
          </div>
        </section>
        {children}
      </div>
    </div>
  );
  const readout = (
    <div className="readout-plain">
      <div>
        <span className="label">Last look</span> <strong aria-live="polite">{desk.said || 'none yet'}</strong>
      </div>
    </div>
  );
  return <Bands work={work} readout={readout} />;
}

const assumedWords = {
  opening: 'opening height',
  spring: 'spring force',
  pad: 'evenness of the pad',
  gap: 'play at the link',
};
