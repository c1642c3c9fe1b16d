'use client';

import { lookAgain, type Step } from '@holotonos/core';
import { useMay } from '@/frame/useMay';
import { Link } from '@/ui/Link';
import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useFirstFocus } from '@/frame/useFirstFocus';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { counted, minutesText } from '@/ui/words';
import { Bands } from '@/job/JobShell';
import { AddStep } from './HandChange';
import { PlanTurns } from './PlanTurns';
import { isBeyond, Promised, usePromise } from './Promised';
import { StepCard } from './StepCard';
import { isOver, nextWords, statusWords } from '@/job/stepWords';
import { BeforeSteps } from '@/job/BeforeSteps';
import { besides, useDoSteps } from './useDoSteps';

function StepRow({
  step,
  chosen,
  marked,
  beyond,
  mark,
  finish,
  open,
}: {
  step: Step;
  chosen: boolean;
  marked: boolean;
  beyond: boolean;
  mark: () => void;
  finish: () => void;
  open: () => void;
}) {
  const shut = step.gate.find((check) => !check.open);
  const over = isOver(step);
  const why = step.waitsFor[0] ?? step.after[0];
  const row = useRef<HTMLLIElement>(null);
  // A page that opens stays at its top; whoever walks on sees where they are.
  const walked = useRef(false);
  useEffect(() => {
    if (chosen && walked.current) row.current?.scrollIntoView({ block: 'nearest' });
    walked.current = true;
  }, [chosen]);
  return (
    <li ref={row} className={`step-row ${over ? 'over' : step.status}${chosen ? ' here' : ''}`}>
      <div>
        <div className="label">{step.stage}</div>
        <div className="soft">{statusWords[step.status]}</div>
      </div>
      <div>
        <strong>{step.title}</strong>
        {!over && why && <div className="soft">{why.reason}</div>}
        {!over && step.again && <div className="notice">To be looked at again: “{step.again.title}” moves it.</div>}
        {!over && step.agreement === 'to-agree' && <div className="notice">The owner has not agreed to it yet.</div>}
        {!over && step.agreement === 'refused' && <div className="notice">The owner does not want it.</div>}
        {!over && shut && <div className="notice">Gate closed: {shut.why}</div>}
        {beyond && <div className="notice">Beyond the hours promised.</div>}
      </div>
      <div className="step-acts">
        {!over && <Form.Check type="checkbox" aria-label={`Mark ${step.title}`} checked={marked} onChange={mark} />}
        {(step.status === 'ready' || step.status === 'started') && !shut && (
          <Button variant="quiet" aria-label={`${step.title} is done`} onClick={finish}>
            Done
          </Button>
        )}
        <Button
          variant="quiet"
          aria-label={`Card of ${step.title}`}
          aria-current={chosen ? 'true' : undefined}
          onClick={open}
        >
          Card
        </Button>
      </div>
    </li>
  );
}

/** The step a page is about: the one asked for, else the next, else the first that is open. */
function useChosenStep(): Step | null {
  const { plan } = useJob();
  const query = useSearchParams();
  return (
    plan.steps.find(({ id }) => id === query.get('step')) ??
    plan.next ??
    plan.steps.find((step) => !isOver(step)) ??
    null
  );
}

/** The readout of the plan: what is next, how long it takes, and what the last act came to. */
function NextReadout({ said = '' }: { said?: string }) {
  const { plan } = useJob();
  return (
    <div className="readout-plain">
      <span className="soft">Next</span>
      <span className="next">{nextWords(plan)}</span>
      {plan.next && !plan.first && <span className="soft">about {minutesText(plan.next.minutes.likely)}</span>}
      <span role="status" className="said">
        {said}
      </span>
    </div>
  );
}

/** The steps in order, with the card of the one in hand. */
export function PlanView() {
  const mayJudge = useMay('judge');
  const { ticket, plan, judgement, state, type } = useJob();
  const looks = useMemo(() => lookAgain(state, type, judgement).length, [state, type, judgement]);
  const router = useRouter();
  const [showDone, setShowDone] = useState(false);
  const [turnsOpen, setTurnsOpen] = useState(false);
  const chosen = useChosenStep();
  const over = plan.steps.filter(isOver).length;
  const again = plan.steps.filter((step) => step.again).length;
  const toAgree = plan.steps.filter((step) => step.agreement === 'to-agree' && !isOver(step)).length;
  const shown = showDone
    ? plan.steps
    : plan.steps.filter((step) => !isOver(step) || step.status === 'curing' || step.id === chosen?.id);
  const { low, likely, high } = plan.minutesLeft;
  const acts = useDoSteps();
  const fit = usePromise();
  const desk = useRef<HTMLDivElement>(null);
  usePageKeys(pageKeys.plan.keys);
  useFirstFocus(desk);
  const open = (step: Step | undefined) =>
    step && router.replace(`/jobs/${ticket}/plan?step=${encodeURIComponent(step.id)}`, { scroll: false });
  const finish = () => {
    if (acts.marked.size > 0) acts.finish(acts.marked);
    else if (chosen) acts.finish(new Set([chosen.id]));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if ((event.target as HTMLElement).matches('input:not([type=checkbox]), textarea, select')) return;
    if (event.key === 'ArrowDown') open(besides(shown, chosen?.id, 1));
    else if (event.key === 'ArrowUp') open(besides(shown, chosen?.id, -1));
    // A key that is held walks on; what writes is asked for press by press.
    else if (event.repeat) return;
    else if (event.key.toLowerCase() === 'd') finish();
    else if (event.key.toLowerCase() === 'm' && chosen && !isOver(chosen)) acts.mark(chosen.id);
    else if (event.key === 'Backspace') acts.takeBack();
    else return;
    event.preventDefault();
  };
  return (
    <Bands
      work={
        <div className="split">
          <div>
            <div className="d-flex flex-wrap align-items-center gap-3 mb-2">
              <h2 className="mb-0">Plan</h2>
              <span className="soft">
                {over} of {plan.steps.length} steps behind us · about {minutesText(likely)} of work left (
                {minutesText(low)} to {minutesText(high)})
              </span>
              {over > 0 && (
                <Button variant="quiet" aria-pressed={showDone} onClick={() => setShowDone(!showDone)}>
                  {showDone ? 'Hide what is done' : 'Show what is done'}
                </Button>
              )}
            </div>
            {judgement.suggestions.length > 0 && (
              <p className="say attention">
                <Link href={`/jobs/${ticket}/findings`}>
                  {counted(judgement.suggestions.length, 'suggestion')} from the readings
                </Link>{' '}
                {judgement.suggestions.length === 1 ? 'is' : 'are'} not answered yet; a confirmed one adds its cure
                here.
              </p>
            )}
            {again > 0 && (
              <p className="say attention" data-testid="plan-turned">
                {again} {again === 1 ? 'step that was done has' : 'steps that were done have'} to be looked at again:
                deeper work has come up since.
              </p>
            )}
            {looks > 0 && (
              <p className="say">
                <Link href={`/jobs/${ticket}/look`}>
                  {looks} {looks === 1 ? 'place waits' : 'places wait'} for another look
                </Link>
                : worked on, or moved by what was done.
              </p>
            )}
            <Promised fit={fit} />
            <BeforeSteps>this is only what ends every job. What is confirmed is planned before it.</BeforeSteps>
            {toAgree > 0 && (
              <p className="say attention">
                {toAgree} {toAgree === 1 ? 'step is' : 'steps are'} not agreed with the owner yet.{' '}
                <Link href={`/jobs/${ticket}/estimate`}>Put the change to the owner.</Link>
              </p>
            )}
            <div
              ref={desk}
              className="plan-desk"
              tabIndex={0}
              role="group"
              aria-label="Steps of the plan. Arrows go from step to step, D says that one is done."
              onKeyDown={onKeyDown}
            >
              {acts.marked.size > 0 && (
                <p className="say attention d-flex flex-wrap gap-3 align-items-center">
                  <span>
                    {acts.marked.size} {acts.marked.size === 1 ? 'step is' : 'steps are'} marked.
                  </span>
                  <Button onClick={finish}>Done, all that are marked</Button>
                </p>
              )}
              <ol className="plan-list">
                {shown.map((step) => (
                  <StepRow
                    key={step.id}
                    step={step}
                    chosen={chosen?.id === step.id}
                    marked={acts.marked.has(step.id)}
                    beyond={isBeyond(fit, step)}
                    mark={() => acts.mark(step.id)}
                    finish={() => acts.finish(new Set([step.id]))}
                    open={() => open(step)}
                  />
                ))}
              </ol>
            </div>
            {plan.left.length > 0 && (
              <>
                <h2 className="mt-3">Left as the practice directs</h2>
                <ul>
                  {plan.left.map(({ finding, reason }) => (
                    <li key={finding.finding}>{reason}</li>
                  ))}
                </ul>
              </>
            )}
            <details
              className="sheet mt-3"
              onToggle={(event) => setTurnsOpen((event.target as HTMLDetailsElement).open)}
            >
              <summary>What has turned the plan, and why</summary>
              {turnsOpen && <PlanTurns />}
            </details>
            {mayJudge && (
              <details className="sheet">
                <summary>Add a step by hand</summary>
                <AddStep />
              </details>
            )}
          </div>
          <div>
            {chosen ? (
              <StepCard key={cardKey(chosen)} step={chosen} />
            ) : (
              <p className="sheet">Nothing is planned yet. Confirm a finding and its cure appears here.</p>
            )}
          </div>
        </div>
      }
      says={<NextReadout said={acts.said} />}
    />
  );
}

/**
 * A card begins anew when its step is started or over, and not when work elsewhere makes it ready: somebody may be typing
 * on it, or about to press.
 */
const cardKey = (step: Step): string =>
  `${step.id} ${step.status === 'started' ? 'started' : isOver(step) ? 'over' : 'open'}`;

/** One card alone, in large type, its buttons where a thumb reaches them. */
export function CardView() {
  const { plan } = useJob();
  const chosen = useChosenStep();
  return (
    <Bands
      work={
        <div className="card-alone">
          {chosen ? (
            <StepCard key={cardKey(chosen)} step={chosen} large />
          ) : (
            <p className="sheet">{plan.steps.length > 0 ? 'Every step is behind us.' : 'Nothing is planned yet.'}</p>
          )}
        </div>
      }
      says={<NextReadout />}
    />
  );
}
