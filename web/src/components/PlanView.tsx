'use client';

import { cautions, deferral, type CautionId, type GateCheck, type JobPlan, type Step } from '@holotonos/core';
import Link from 'next/link';
import { useRouter, useSearchParams } from 'next/navigation';
import { useId, useState } from 'react';
import { Button, Form } from '@/client/bootstrap';
import { useJob } from '@/client/JobContext';
import { minutesText, momentText } from '@/client/words';
import { ReasonForm } from './formParts';
import { Bands } from './JobShell';

const statusWords: Record<Step['status'], string> = {
  done: 'done',
  skipped: 'skipped',
  started: 'in hand',
  curing: 'curing',
  ready: 'ready',
  waiting: 'waits',
};
const isOver = ({ status }: Step) => status === 'done' || status === 'skipped' || status === 'curing';

function Gate({ gate, ticket }: { gate: GateCheck[]; ticket: string }) {
  if (gate.length === 0) return null;
  const shut = gate.filter(({ open }) => !open);
  return (
    <section aria-label="Gate" className={`say ${shut.length > 0 ? 'attention' : 'sound'} mb-3`}>
      <strong>
        {shut.length > 0
          ? 'The gate is closed. It asks for fresh readings:'
          : 'The gate is open: its readings are fresh.'}
      </strong>
      <ul className="mb-0">
        {gate.slice(0, 12).map(({ group, part, open, why }) => (
          <li key={`${group}:${part}`}>
            {open ? why : <Link href={`/jobs/${ticket}/measure?group=${group}&part=${part}`}>{why}</Link>}
          </li>
        ))}
        {gate.length > 12 && <li>and {gate.length - 12} more</li>}
      </ul>
    </section>
  );
}

/** One step: what, why now, how, with what; cautions first; start, done or skipped. */
function StepCard({ step }: { step: Step }) {
  const { ticket, write, now, names } = useJob();
  const id = useId();
  const [accepted, setAccepted] = useState<string[]>([]);
  const [note, setNote] = useState('');
  const [typedMinutes, setTypedMinutes] = useState('');
  const [asking, setAsking] = useState<'skip' | 'override' | null>(null);
  const { status, waitsFor, gate, minutes } = step;
  const blocked = waitsFor.length > 0 || gate.some(({ open }) => !open);
  const allAccepted = step.cautions.every((caution) => accepted.includes(caution));
  const ran = step.state?.startedAt
    ? Math.max(1, Math.round((Date.parse(now) - Date.parse(step.state.startedAt)) / 60_000))
    : minutes.likely;
  const taken = typedMinutes.trim() === '' ? ran : Number(typedMinutes);

  const start = () => write('operation-started', { operation: step.id, cautionsAccepted: step.cautions });
  const done = (override?: string) =>
    write('operation-done', {
      operation: step.id,
      title: step.title,
      minutes: taken,
      disturbs: step.disturbs,
      cures: step.cures,
      ...(note.trim() && { note }),
      ...(override !== undefined && { override }),
    });
  const skip = (reason: string) =>
    write('operation-skipped', { operation: step.id, title: step.title, reason, leaves: step.cures });
  const minutesBad = !Number.isFinite(taken) || taken < 0;

  return (
    <article className="sheet" aria-labelledby={`${id}-title`}>
      <h2 id={`${id}-title`}>{step.title}</h2>
      <p className="soft mb-2">
        {step.stage} · about {minutesText(minutes.likely)} of work ({minutesText(minutes.low)} to{' '}
        {minutesText(minutes.high)})
        {step.unattended > 0 && <> · then {minutesText(step.unattended)} to cure, cool or dry</>}
        {!step.reversible && <> · cannot be undone</>}
      </p>
      {isOver(step) && (
        <p className="say sound">
          {step.status === 'skipped'
            ? `Skipped: ${step.state?.reason}`
            : `Done ${momentText(step.state?.endedAt ?? '')}, ${minutesText(step.state?.minutes ?? 0)}.`}
          {step.curingUntil && ` Leave it until ${momentText(step.curingUntil)}.`}
        </p>
      )}
      {step.after.length > 0 && (
        <>
          <h3>Why here</h3>
          <ul>
            {step.after.slice(0, 6).map((edge) => (
              <li key={edge.id}>
                {edge.reason}{' '}
                <span className="soft">
                  (after {waitsFor.some((each) => each.id === edge.id) ? 'waiting for ' : ''}
                  {edge.id.split(':')[0]?.replaceAll('-', ' ')}
                  {names.get(edge.id.split(':')[1] ?? '') && edge.id.split(':')[1] !== 'instrument'
                    ? `, ${names.get(edge.id.split(':')[1] ?? '')}`
                    : ''}
                  )
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      {!isOver(step) && waitsFor.length > 0 && (
        <div className="say attention mb-3">
          <strong>Waits for</strong>
          <ul className="mb-0">
            {waitsFor.slice(0, 6).map((each) => (
              <li key={each.id}>
                {each.title}
                {each.until && ` (curing until ${momentText(each.until)})`}
              </li>
            ))}
          </ul>
        </div>
      )}
      {!isOver(step) && <Gate gate={gate} ticket={ticket} />}
      <h3>How</h3>
      <ul>
        {step.how.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <p>
        <strong>Tools:</strong> {step.tools.join(', ') || 'none'}
      </p>
      {step.disturbs.length > 0 && (
        <p>
          <strong>Makes stale:</strong>{' '}
          {step.disturbs
            .map((measure) => {
              const [group = '', part = ''] = measure.split(':');
              return part === '*' ? `every ${group}` : `${group} of ${names.get(part) ?? part}`;
            })
            .join(', ')}
        </p>
      )}
      {step.cautions.length > 0 && !isOver(step) && (
        <fieldset className="say fault mb-3">
          <legend className="fs-6 fw-bold">Cautions to accept before starting</legend>
          {step.cautions.map((caution) => (
            <Form.Check
              key={caution}
              id={`${id}-${caution}`}
              className="mb-2"
              type="checkbox"
              label={cautions[caution as CautionId]}
              checked={status === 'started' || accepted.includes(caution)}
              disabled={status === 'started'}
              onChange={(event) =>
                setAccepted((list) =>
                  event.target.checked ? [...list, caution] : list.filter((each) => each !== caution),
                )
              }
            />
          ))}
          <p className="mb-0">{deferral}</p>
        </fieldset>
      )}
      {!isOver(step) && (
        <>
          {status === 'started' && (
            <div className="row">
              <div className="col-sm-4 mb-2">
                <Form.Label htmlFor={`${id}-minutes`}>Minutes taken</Form.Label>
                <Form.Control
                  id={`${id}-minutes`}
                  inputMode="decimal"
                  value={typedMinutes}
                  placeholder={String(ran)}
                  isInvalid={minutesBad}
                  onChange={(event) => setTypedMinutes(event.target.value)}
                />
              </div>
              <div className="col-sm-8 mb-2">
                <Form.Label htmlFor={`${id}-note`}>Note</Form.Label>
                <Form.Control id={`${id}-note`} value={note} onChange={(event) => setNote(event.target.value)} />
              </div>
            </div>
          )}
          <div className="d-flex flex-wrap gap-2">
            {status === 'started' ? (
              <Button onClick={() => done()} disabled={minutesBad}>
                Done
              </Button>
            ) : (
              <Button onClick={start} disabled={blocked || !allAccepted}>
                Start
              </Button>
            )}
            {blocked && status !== 'started' && (
              <Button variant="quiet" onClick={() => setAsking('override')} disabled={!allAccepted}>
                Done all the same …
              </Button>
            )}
            <Button variant="quiet" onClick={() => setAsking('skip')}>
              Skip …
            </Button>
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
              onReason={asking === 'skip' ? skip : done}
              onBack={() => setAsking(null)}
            />
          )}
        </>
      )}
    </article>
  );
}

/** What hands should do next: a step, the readings a gate asks for, or waiting. */
export function nextWords({ next, steps }: JobPlan): string {
  if (next) return next.title;
  const shut = steps
    .find(({ status, waitsFor }) => status === 'waiting' && waitsFor.length === 0)
    ?.gate.find(({ open }) => !open);
  if (shut) return `Measure first: ${shut.why}`;
  return steps.some((step) => !isOver(step)) ? 'Nothing can start now' : 'Everything is done';
}

/** The steps in order, with the card of the one in hand. */
export function PlanView() {
  const { ticket, plan, judgement } = useJob();
  const query = useSearchParams();
  const router = useRouter();
  const [showDone, setShowDone] = useState(false);
  const chosen =
    plan.steps.find(({ id }) => id === query.get('step')) ??
    plan.next ??
    plan.steps.find((step) => !isOver(step)) ??
    null;
  const over = plan.steps.filter(isOver).length;
  const shown = showDone
    ? plan.steps
    : plan.steps.filter((step) => !isOver(step) || step.status === 'curing' || step.id === chosen?.id);
  const { low, likely, high } = plan.minutesLeft;
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
                  {judgement.suggestions.length} suggestions from the readings
                </Link>{' '}
                are not answered yet; a confirmed one adds its cure here.
              </p>
            )}
            <ol className="plan-list">
              {shown.map((step) => (
                <li
                  key={step.id}
                  className={`step-row ${isOver(step) ? 'over' : step.status}${chosen?.id === step.id ? ' here' : ''}`}
                >
                  <div>
                    <div className="label">{step.stage}</div>
                    <div className="soft">{statusWords[step.status]}</div>
                  </div>
                  <div>
                    <strong>{step.title}</strong>
                    {!isOver(step) && step.after[0] && (
                      <div className="soft">{(step.waitsFor[0] ?? step.after[0]).reason}</div>
                    )}
                    {step.gate.some(({ open }) => !open) && !isOver(step) && (
                      <div style={{ color: 'var(--attention)' }}>
                        Gate closed: {step.gate.find(({ open }) => !open)?.why}
                      </div>
                    )}
                  </div>
                  <Button
                    variant="quiet"
                    aria-label={`Card of ${step.title}`}
                    aria-current={chosen?.id === step.id ? 'true' : undefined}
                    onClick={() =>
                      router.replace(`/jobs/${ticket}/plan?step=${encodeURIComponent(step.id)}`, { scroll: false })
                    }
                  >
                    Card
                  </Button>
                </li>
              ))}
            </ol>
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
          </div>
          <div>
            {chosen ? (
              <StepCard key={`${chosen.id} ${chosen.status}`} step={chosen} />
            ) : (
              <p className="sheet">Nothing is planned yet. Confirm a finding and its cure appears here.</p>
            )}
          </div>
        </div>
      }
      readout={
        <div className="readout-plain">
          <span className="soft">Next</span>
          <span className="next">{nextWords(plan)}</span>
          {plan.next && <span className="soft">about {minutesText(plan.next.minutes.likely)}</span>}
        </div>
      }
    />
  );
}
