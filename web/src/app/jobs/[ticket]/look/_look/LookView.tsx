'use client';

import {
  choiceOf,
  figuresDecide,
  findingTitle,
  printPhrase,
  stateOf,
  tickWords,
  type AgainWhy,
  type MeasureState,
} from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useEffect, useId, useMemo, useRef, type KeyboardEvent } from 'react';
import { FilmSelect } from '@/figure/FilmSelect';
import { measuredGroups, targetsOfGroup } from '@/figure/groups';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useFirstFocus } from '@/frame/useFirstFocus';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { SuggestionCard } from '@/job/SuggestionCard';
import { useStripControl } from '@/tube/StripControl';
import { Button, Form } from '@/ui/bootstrap';
import { StateMark } from '@/ui/StateMark';
import { useLook, type Look } from './useLook';

const groupWords = (group: string) => measuredGroups.find(({ id }) => id === group)?.words ?? group;

/** The parts of the group down the tube, each with how it stands and what was said of it last. */
function PartList({ look }: { look: Look }) {
  const { judgement, state, names } = useJob();
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    const current = list.current?.querySelector<HTMLElement>('[aria-current=true]');
    if (list.current && current) list.current.scrollTop = current.offsetTop - list.current.clientHeight / 2;
  }, [look.index, look.group]);
  return (
    <ol ref={list} className="part-list looks-list" aria-label={`${groupWords(look.group)} along the tube`}>
      {look.parts.map((part, i) => {
        const tick = state.ticks.get(`${look.group}:${part}`);
        return (
          <li key={part}>
            <button type="button" aria-current={i === look.index ? 'true' : undefined} onClick={() => look.goTo(i)}>
              <StateMark state={stateOf(judgement, look.group, part) ?? 'unmeasured'} word={false} />
              <span className="flex-grow-1">{names.get(part) ?? part}</span>
              <span className="soft">
                {tick && (tick.stale ? 'stale' : (choiceOf(look.group, tick.says)?.words ?? ''))}
                {tick?.toward !== undefined && !tick.stale && `, ${tick.toward}°`}
                {tick && figuresDecide(judgement, look.group, part) && ' · figures stand'}
              </span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}

const whyWords: Record<AgainWhy, string> = {
  suspended: 'explained by what was put right',
  worked: 'worked on',
  disturbed: 'moved',
};
/** Shown at once; the rest is walked to. */
const mostShown = 12;

/** What waits for another look, with the work it comes from; what only an eye can judge is answered here. */
function AgainList({ look, back }: { look: Look; back: () => void }) {
  const { names } = useJob();
  const { again } = look;
  if (again.length === 0) return null;
  return (
    <section className="sheet mb-0 look-again" aria-label="To be looked at again">
      <h3>
        To be looked at again: {again.length} <kbd>.</kbd>
      </h3>
      <ul className="list-plain mb-0">
        {again.slice(0, mostShown).map((each) => {
          const place = names.get(each.part) ?? each.part;
          const what = each.finding ? findingTitle(each.finding) : groupWords(each.group ?? '');
          return (
            <li key={`${each.group} ${each.part} ${each.finding?.finding}`}>
              {each.group === null ? (
                <span>
                  {place}: {what}
                </span>
              ) : (
                <button
                  type="button"
                  className="plain-link"
                  onClick={() => {
                    look.goAgain(each);
                    back();
                  }}
                >
                  {place}: {what}
                </button>
              )}{' '}
              <span className="soft">
                {whyWords[each.why]}
                {each.after && `, “${each.after}”`}
              </span>
              {each.group === null && (
                <span className="d-inline-flex gap-2 ms-2">
                  <Button
                    variant="quiet"
                    aria-label={`${place}: ${what} is good now`}
                    onClick={() => look.sayOf(each, true)}
                  >
                    Good
                  </Button>
                  <Button
                    variant="quiet"
                    aria-label={`${place}: ${what} is still there`}
                    onClick={() => look.sayOf(each, false)}
                  >
                    Still there
                  </Button>
                </span>
              )}
            </li>
          );
        })}
      </ul>
      {again.length > mostShown && <p className="soft mb-0">and {again.length - mostShown} more</p>}
    </section>
  );
}

/** A look over the instrument without a figure: one key a part, a whole stack in seconds; figures where it hangs on them. */
export function LookView() {
  const { ticket, judgement, state, names } = useJob();
  const look = useLook();
  const id = useId();
  const desk = useRef<HTMLDivElement>(null);
  usePageKeys(pageKeys.look.keys);
  const back = useFirstFocus(desk);
  const { group, part, parts, choices, last } = look;

  useStripControl(
    useMemo(
      () => ({
        targets: targetsOfGroup(group),
        here: part,
        stateOfPart: (on: string): MeasureState[] => {
          const is = stateOf(judgement, group, on);
          return is ? [is] : [];
        },
        onPick: (wanted: string) => {
          const index = parts.indexOf(wanted);
          if (index !== -1) look.goTo(index);
          back();
        },
      }),
      // The hook's own functions are made anew each time; what they do depends on these alone.
      // oxlint-disable-next-line react/exhaustive-deps
      [group, part, parts, judgement],
    ),
  );

  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const { key } = event;
    const onControl = event.target !== desk.current && (key === 'Enter' || key === ' ');
    if (onControl || (event.target as HTMLElement).matches('input, textarea, select')) return;
    const side = look.sideOfKey(key);
    if (key === 'ArrowDown' || key === 'ArrowRight' || key === 'Enter') look.move(1);
    else if (key === 'ArrowUp' || key === 'ArrowLeft') look.move(-1);
    else if (key === 'PageDown') look.otherGroup(1);
    else if (key === 'PageUp') look.otherGroup(-1);
    else if (key === '.') look.nextAgain();
    else if (key === 'Backspace') look.undo();
    else if (!(side !== undefined && look.toward(side)) && !look.press(key.toLowerCase())) return;
    event.preventDefault();
  };

  const suggestions = judgement.suggestions.filter(
    (suggestion) => suggestion.part === last?.part || suggestion.part === part,
  );
  const done = look.looked === parts.length;
  const work = (
    <div className="look" onKeyDown={onKeyDown}>
      <div className="look-groups" role="group" aria-label="What to look at">
        {look.groups.map((each) => (
          <Button
            key={each}
            variant={each === group ? 'primary' : 'quiet'}
            aria-pressed={each === group}
            onClick={() => {
              look.go(each);
              back();
            }}
          >
            {groupWords(each)}
          </Button>
        ))}
      </div>
      <PartList look={look} />
      <div className="sheet mb-0">
        <div
          ref={desk}
          className="survey-console"
          tabIndex={0}
          role="group"
          aria-label={`${groupWords(group)}: ${part === null ? 'nothing here' : (names.get(part) ?? part)}. Letters write what you see or feel.`}
        >
          <div className="label">
            {groupWords(group)} · {look.looked} of {parts.length} looked at
          </div>
          {part === null ? (
            <p className="mb-0">This instrument has nothing of this kind.</p>
          ) : (
            <h2 className="survey-place mb-0" aria-live="polite">
              {names.get(part) ?? part} <StateMark state={stateOf(judgement, group, part) ?? 'unmeasured'} />
            </h2>
          )}
        </div>
        <div className="fault-keys" role="group" aria-label="What you see or feel">
          {choices.map((choice) => (
            <button
              key={choice.id}
              type="button"
              className={choice.verdict}
              onClick={() => {
                look.answer(choice);
                back();
              }}
            >
              <kbd>{choice.press}</kbd> {choice.words}
            </button>
          ))}
        </div>
        {choices.some(({ means }) => means === 'film') && (
          <div className="d-flex gap-2 align-items-center mt-3">
            <Form.Label htmlFor={`${id}-film`} className="mb-0">
              Film
            </Form.Label>
            <FilmSelect
              id={`${id}-film`}
              film={look.film}
              films={look.films}
              onPick={(film) => {
                look.setFilm(film);
                back();
              }}
            />
          </div>
        )}
        <p className="soft mt-3 mb-0">
          A look opens what needs no figure, and cannot give one. Where it hangs on hundredths,{' '}
          <Link href={`/jobs/${ticket}/measure?group=${group}${part === null ? '' : `&part=${part}`}`}>measure it</Link>
          .
        </p>
        {suggestions.map((suggestion) => (
          <SuggestionCard key={suggestion.key} suggestion={suggestion} />
        ))}
        <AgainList look={look} back={back} />
      </div>
    </div>
  );
  const readout = (
    <>
      <div data-testid="last-look">
        <span className="label">Last look</span>{' '}
        <strong>
          {last ? `${names.get(last.part) ?? last.part}: ${printPhrase(tickWords(last), state.unit)}` : 'none yet'}
        </strong>
        {last && choiceOf(group, last.says)?.directed && last.toward === undefined && (
          <span className="soft"> · 1 to 8: toward which side?</span>
        )}
      </div>
      <div className="soft">
        {[
          done && 'Every part of this group is looked at.',
          look.again.length > 0 && `${look.again.length} to be looked at again: . goes to the next.`,
        ]
          .filter(Boolean)
          .join(' ')}
      </div>
      <div className="visually-hidden" aria-live="polite">
        {look.said}
      </div>
    </>
  );
  return <Bands work={work} readout={<div className="readout-plain">{readout}</div>} />;
}
