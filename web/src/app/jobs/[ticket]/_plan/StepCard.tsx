'use client';

import { heldUp, parseNumber, workedAt, type Step } from '@holotonos/core';
import { useMay } from '@/frame/useMay';
import { Link } from '@/ui/Link';
import { useId, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { FieldProblem, TextField } from '@/ui/fields';
import { useJob } from '@/job/JobContext';
import { MasterLookAt } from '@/job/MasterLook';
import { minutesText } from '@/ui/words';
import { ReasonForm } from '@/ui/formParts';
import { HandChange } from './HandChange';
import { StepClock } from './StepClock';
import { StepWhy } from './StepWhy';
import { isOver, spoiltWords } from '@/job/stepWords';
import { useWhen } from '@/frame/BenchContext';
import { useCautionsToday } from '@/job/cautionsToday';
import { Cautions, Figures, Gate, Notices, OutOfTheDrawers } from './cardParts';

/** One step: what, why now, how, with what; cautions first; clock, figures, done or skipped, and what comes next. */
export function StepCard({ step, large = false }: { step: Step; large?: boolean }) {
  const { momentText } = useWhen();
  const { ticket, write, now, plan, names } = useJob();
  const id = useId();
  const { accepted } = useCautionsToday();
  const mayJudge = useMay('judge');
  const [note, setNote] = useState('');
  const [typedMinutes, setTypedMinutes] = useState('');
  const [asking, setAsking] = useState<'skip' | 'override' | null>(null);
  const { status, waitsFor, gate, minutes } = step;
  const held = heldUp(step, accepted);
  const blocked = held !== null && held.by !== 'cautions';
  const allAccepted = step.cautions.every((caution) => accepted.has(caution));
  // Only a clock or a person says how long it took: what the table reckons is never booked as worked.
  const ran = step.state && status === 'started' ? Math.max(1, Math.round(workedAt(step.state, now))) : 0;
  const taken = typedMinutes.trim() === '' ? ran : parseNumber(typedMinutes);
  const minutesBad = taken === null || taken < 0;
  const following = plan.steps.find((other) => other.id !== step.id && other.after.some((edge) => edge.id === step.id));

  const start = () => write('operation-started', { operation: step.id, cautionsAccepted: step.cautions });
  const end = (more: { disturbs?: string[]; note?: string; override?: string } = {}) => {
    const words = more.note ?? note.trim();
    write('operation-done', {
      operation: step.id,
      title: step.title,
      minutes: taken ?? ran,
      disturbs: more.disturbs ?? [...step.spoils],
      cures: step.cures,
      // Who only looked again has put nothing in.
      ...(more.disturbs === undefined && step.takes.length > 0 && { takes: [...step.takes] }),
      ...(words !== '' && { note: words }),
      ...(more.override !== undefined && { override: more.override }),
    });
  };
  const skip = (reason: string) =>
    write('operation-skipped', { operation: step.id, title: step.title, reason, leaves: step.cures });

  return (
    <article className={`sheet step-card${large ? ' large' : ''}`} aria-labelledby={`${id}-title`}>
      <h2 id={`${id}-title`}>{step.title}</h2>
      <p className="soft mb-2">
        {step.stage} · about {minutesText(minutes.likely)} of work ({minutesText(minutes.low)} to{' '}
        {minutesText(minutes.high)})
        {step.unattended > 0 && <> · then {minutesText(step.unattended)} to cure, cool or dry</>}
        {step.resource && <> · holds the {step.resource}</>}
        {!step.reversible && <> · cannot be undone</>}
      </p>
      {step.learned && Math.abs(step.learned.factor - 1) >= 0.005 && (
        <p className="soft mb-2">
          The table says {minutesText(step.learned.table)}; done {step.learned.times}{' '}
          {step.learned.times === 1 ? 'time' : 'times'} here, reckoned with × {step.learned.factor.toFixed(2)}.
        </p>
      )}
      {isOver(step) && (
        <p className="say sound">
          {step.status === 'skipped'
            ? `Skipped: ${step.state?.reason}`
            : `Done ${momentText(step.state?.endedAt ?? '')}${step.state?.minutes ? `, ${minutesText(step.state.minutes)}` : ''}.`}
          {step.curingUntil && ` Leave it until ${momentText(step.curingUntil)}.`}
        </p>
      )}
      {step.state?.status === 'done' && <MasterLookAt about="operation" of={step.id} name={step.title} />}
      <Notices step={step} />
      {!isOver(step) && waitsFor.length > 0 && (
        <div className="say attention mb-3">
          <strong>Waits for</strong>
          <ul className="mb-0">
            {waitsFor.slice(0, 6).map((each) => (
              <li key={each.id}>
                <Link href={`/jobs/${ticket}/plan?step=${encodeURIComponent(each.id)}`}>{each.title}</Link>
                {each.until && ` (curing until ${momentText(each.until)})`}
              </li>
            ))}
          </ul>
        </div>
      )}
      {!isOver(step) && <Gate gate={gate} ticket={ticket} />}
      <StepClock step={step} />
      {large && <Cautions step={step} />}
      <h3>Why now</h3>
      <p className="mb-1">{step.after[0]?.reason ?? 'Nothing has to come before it.'}</p>
      <StepWhy step={step} />
      <h3>How</h3>
      <ul>
        {step.how.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <p>
        <strong>Tools:</strong> {step.tools.join(', ') || 'none'}
      </p>
      <OutOfTheDrawers step={step} />
      <Figures step={step} />
      {step.spoils.length > 0 && (
        <p>
          <strong>Makes stale:</strong> {spoiltWords(step.spoils, names)}
        </p>
      )}
      {!large && <Cautions step={step} />}
      {!isOver(step) && (
        <>
          {status === 'started' && (
            <div className="row">
              <div className="col-sm-4 mb-2">
                <TextField
                  label="Minutes taken"
                  inputMode="decimal"
                  value={typedMinutes}
                  placeholder={String(ran)}
                  set={setTypedMinutes}
                  wrongBy={minutesBad ? `${id}-minutes-wrong` : undefined}
                />
                <FieldProblem
                  id={`${id}-minutes-wrong`}
                  words={minutesBad ? 'Minutes are a figure, 0 or more.' : undefined}
                />
              </div>
              <div className="col-sm-8 mb-2">
                <Form.Label htmlFor={`${id}-note`}>Note</Form.Label>
                <Form.Control id={`${id}-note`} value={note} onChange={(event) => setNote(event.target.value)} />
              </div>
            </div>
          )}
          <div className="step-actions">
            {status === 'started' ? (
              <Button onClick={() => end()} disabled={minutesBad}>
                Done
              </Button>
            ) : (
              <Button onClick={start} disabled={held !== null}>
                Start
              </Button>
            )}
            {step.again?.measure != null && status !== 'started' && (
              <Button
                variant="quiet"
                disabled={blocked}
                onClick={() => end({ disturbs: [], note: 'Looked at again: still good' })}
              >
                Looked again: still good
              </Button>
            )}
            {blocked && status !== 'started' && (
              <Button variant="quiet" onClick={() => setAsking('override')} disabled={!allAccepted}>
                Done all the same …
              </Button>
            )}
            {mayJudge && (
              <Button variant="quiet" onClick={() => setAsking('skip')}>
                Skip …
              </Button>
            )}
          </div>
          {asking && (
            <ReasonForm
              key={asking}
              label={
                asking === 'skip'
                  ? 'Why is it skipped? What it would have cured stays as a stop-gap.'
                  : 'Why is it done although it waits? This stays on the record.'
              }
              action={asking === 'skip' ? 'Skip it' : 'Record it as done'}
              onReason={asking === 'skip' ? skip : (override) => end({ override })}
              onBack={() => setAsking(null)}
            />
          )}
        </>
      )}
      <footer className="step-foot">
        {following && <span className="soft">Then: {following.title}</span>}
        <Link
          className="btn btn-quiet"
          href={`/jobs/${ticket}/${large ? 'plan' : 'card'}?step=${encodeURIComponent(step.id)}`}
        >
          {large ? 'Back to the plan' : 'Large card'}
        </Link>
      </footer>
      {!large && !isOver(step) && mayJudge && <HandChange step={step} />}
    </article>
  );
}
