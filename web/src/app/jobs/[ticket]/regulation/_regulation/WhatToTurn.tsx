'use client';

import {
  adjusterWords,
  driftWords,
  length,
  printPhrase,
  printQuantity,
  regulationQuestions,
  type RegulateInput,
} from '@holotonos/core';
import { useId, useMemo, useState, type ReactNode } from 'react';
import { useJob } from '@/job/JobContext';
import { Button, Form } from '@/ui/bootstrap';
import { useAdvice } from '@/regulation/useAdvice';
import type { RegulationDesk } from '@/regulation/useRegulation';

/** One answer of the solver: what to turn in its order, what each turn does to the rules, and what yields to what. */
function Answer({ desk, question }: { desk: RegulationDesk; question: RegulateInput }) {
  const { type, name, unit, regulation, turn, tried, setTried } = desk;
  const { advice, before, stop, again } = useAdvice(question);
  const words = new Map(regulation.rules.map(({ rule, words: said }) => [rule.id, said]));
  const working = advice.state === 'working' && (
    <div className="d-flex gap-3 align-items-center" role="status">
      <progress aria-label="Working out what to turn" />
      <span>
        Working out what to turn
        {/* For eyes: told each time it changed it would drown the rest. */}
        <span className="soft num d-block" aria-hidden="true">
          {advice.tried.toLocaleString('en')} settings looked at
        </span>
      </span>
      <Button variant="quiet" onClick={stop}>
        Stop
      </Button>
    </div>
  );
  if (advice.state === 'failed')
    return <p className="mb-0">Nothing can be worked out here: {advice.message} Look at each link again.</p>;
  const output = advice.state === 'known' ? advice.output : before;
  if (working && !output) return working;
  if (advice.state === 'stopped' || !output)
    return (
      <p className="mb-0">
        Stopped: nothing was worked out here.{' '}
        <Button variant="quiet" onClick={again}>
          Work it out
        </Button>
      </p>
    );
  const { moves, rules, yields } = output;
  const settingsOf = (link: string) => desk.adjustments.filter((each) => each.link === link);
  const inOrder = [...moves].sort((a, b) => a.order - b.order);
  const changed = rules.filter(({ before, after }) => Math.abs(before - after) > 5e-4);
  const figure = (value: number) => printQuantity(length(value), unit);
  const setting = new Map(moves.map(({ link, deltaGap }) => [link, deltaGap]));
  const isTried = tried.size > 0 && [...setting].every(([link, by]) => tried.get(link) === by);
  return (
    <>
      {moves.length === 0 && (
        <p className="mb-2">
          No setting of the adjusters makes it better. Look at the pads and hinges, and at what cannot be set.
        </p>
      )}
      <ol className="turns">
        {inOrder.map(({ link, steps, deltaGap }) => {
          const adjuster = type.links.find(({ id }) => id === link)?.adjuster ?? 'fixed';
          const drift = driftWords(adjuster, settingsOf(link), deltaGap);
          return (
            <li key={link}>
              <div>
                <span>
                  <strong>{name(link)}.</strong> {printPhrase(adjusterWords(adjuster, steps, deltaGap), unit)}{' '}
                  <span className="soft">
                    Its follower lands {figure(Math.abs(deltaGap))} {deltaGap < 0 ? 'earlier' : 'later'}.
                    {drift && ` ${printPhrase(drift, unit)}`}
                  </span>
                </span>
                <Button
                  disabled={advice.state !== 'known'}
                  aria-label={`Done: ${name(link)}`}
                  onClick={() => turn(link, steps, deltaGap)}
                >
                  Done
                </Button>
              </div>
            </li>
          );
        })}
      </ol>
      {moves.length > 0 && (
        <Button
          variant="quiet"
          aria-pressed={isTried}
          onClick={() => setTried(isTried ? new Map() : setting)}
          className="mb-2"
        >
          {isTried ? 'Show it as it is' : 'Show it on the picture'}
        </Button>
      )}
      {changed.length > 0 && (
        <ul className="list-plain rule-changes">
          {changed.map(({ id, before, after, holds }) => (
            <li key={id}>
              <span className={holds ? 'sound' : 'overdue'}>
                {figure(before)} → {figure(after)}
              </span>{' '}
              {words.get(id)}
            </li>
          ))}
        </ul>
      )}
      {yields.map(({ rule, to }) => (
        <Compromise key={rule} desk={desk} rule={rule} words={words.get(rule) ?? rule}>
          {to.length > 0
            ? `It yields to: ${to.map((id) => words.get(id)).join(' ')}`
            : 'No whole step of an adjuster makes it hold.'}
        </Compromise>
      ))}
      {working}
    </>
  );
}

/** A rule that cannot hold: to which others it yields, and a word of why it is left so, for the record. */
function Compromise({
  desk,
  rule,
  words,
  children,
}: {
  desk: RegulationDesk;
  rule: string;
  words: string;
  children: ReactNode;
}) {
  const { write } = useJob();
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  const id = useId();
  const known = desk.regulation.rules.find((each) => each.rule.id === rule)?.change;
  return (
    <div className="say attention mb-2">
      Not quite: {words} {children}{' '}
      {known?.accepted ? (
        <>Left as a compromise: {known.reason}</>
      ) : open ? (
        <form
          className="mt-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (write('rule', { rule, accepted: true, reason: reason.trim() })) setOpen(false);
          }}
        >
          <Form.Label htmlFor={`${id}-why`}>Why it is left so, in words the owner can read</Form.Label>
          <Form.Control
            id={`${id}-why`}
            maxLength={400}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
          <div className="d-flex gap-2 mt-2">
            <Button type="submit" disabled={reason.trim() === ''}>
              Leave it so
            </Button>
            <Button variant="quiet" onClick={() => setOpen(false)}>
              Back
            </Button>
          </div>
        </form>
      ) : (
        <Button variant="quiet" aria-label={`Leave it as a compromise: ${words}`} onClick={() => setOpen(true)}>
          Leave it as a compromise
        </Button>
      )}
    </div>
  );
}

/** What to turn, worked out off the page’s own thread as soon as a rule does not hold. */
export function WhatToTurn({ desk }: { desk: RegulationDesk }) {
  const { regulation } = desk;
  const questions = useMemo(() => regulationQuestions(regulation), [regulation]);
  return (
    <section className={`sheet mb-0${questions.length > 0 ? ' what-to-turn' : ''}`} aria-label="What to turn">
      <h3>What to turn</h3>
      {questions.length === 0 ? (
        <p className="soft mb-0">
          {desk.looked === 0 ? 'Nothing that is known speaks against a rule.' : 'By what was seen every rule holds.'}{' '}
          What nobody has looked at is taken as right until somebody has.
        </p>
      ) : (
        questions.map((question, i) => <Answer key={i} desk={desk} question={question} />)
      )}
    </section>
  );
}
