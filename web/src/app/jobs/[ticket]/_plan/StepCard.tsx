'use client';

import {
  parseNumber,
  printPhrase,
  printQuantity,
  stockTitle,
  cautionWords,
  chosenSums,
  deferral,
  establishes,
  heldUp,
  passWords,
  stepReadings,
  workedAt,
  type GateCheck,
  type Step,
} from '@holotonos/core';
import { useMay } from '@/frame/useMay';
import { Link } from '@/ui/Link';
import { useId, useMemo, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { FieldProblem, TextField } from '@/ui/fields';
import { useJob } from '@/job/JobContext';
import { MasterLookAt } from '@/job/MasterLook';
import { minutesText } from '@/ui/words';
import { ReasonForm } from '@/ui/formParts';
import { isMeasuredGroup } from '@/figure/groups';
import { HandChange } from './HandChange';
import { StepClock } from './StepClock';
import { StepWhy } from './StepWhy';
import { isOver, measureWords, reachWords, spoiltWords } from '@/job/stepWords';
import { useBench, useWhen } from '@/frame/BenchContext';
import { useCautionsToday } from '@/job/cautionsToday';

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
        {(shut.length > 0 ? shut : gate).slice(0, 12).map(({ group, part, open, why }) => (
          <li key={`${group}:${part}`}>
            {open ? why : <Link href={`/jobs/${ticket}${pageOfMeasure(group, part)}`}>{why}</Link>}
          </li>
        ))}
        {gate.length > 12 && <li>and {gate.length - 12} more</li>}
      </ul>
    </section>
  );
}

/** What holds a step up beside its order: work that moved what it set, or an owner who has not agreed. */
function Notices({ step }: { step: Step }) {
  const { ticket, names } = useJob();
  return (
    <>
      {step.again && (
        <p className="say attention">
          Done before, and no longer sure: “{step.again.title}”
          {step.again.measure
            ? ` moves what it set (${measureWords(step.again.measure, names)}).`
            : ' wants the keys off.'}{' '}
          Look at it again once that is behind us.
        </p>
      )}
      {step.agreement === 'to-agree' && !isOver(step) && (
        <p className="say attention">
          The owner has not agreed to this yet.{' '}
          <Link href={`/jobs/${ticket}/estimate`}>Put the change to the owner before work.</Link>
        </p>
      )}
      {step.agreement === 'refused' && !isOver(step) && (
        <p className="say attention">The owner does not want this. Skip it with that reason, or agree anew.</p>
      )}
    </>
  );
}

/** Where a part of a group is read: links where they can be pressed, all else in the measuring book. */
function pageOfMeasure(group: string, part: string): string {
  if (group === 'link') return part === '*' ? '/regulation' : `/regulation?link=${part}`;
  return part === '*' ? `/measure?group=${group}` : `/measure?group=${group}&part=${part}`;
}

/** Figures to reach, what they were and are, and where they are read. */
function Figures({ step }: { step: Step }) {
  const { ticket, state, type, names } = useJob();
  const readings = useMemo(() => stepReadings(state, type, step), [state, type, step]);
  const passes = state.passes.filter(({ pass, part }) => step.loop.includes(pass) && part === step.part);
  const toRead = establishes(step).flatMap((measure) => {
    const [group = '', part = ''] = measure.split(':');
    return isMeasuredGroup(group) ? [{ measure, href: pageOfMeasure(group, part) }] : [];
  });
  if (step.reach.length + readings.length + toRead.length + step.loop.length === 0) return null;
  return (
    <section aria-label="Figures" className="mb-3">
      {step.reach.length > 0 && (
        <>
          <h3>Figures to reach</h3>
          <ul>
            {step.reach.map((reach) => (
              <li key={reach.name}>{reachWords(reach, state.unit)}</li>
            ))}
          </ul>
        </>
      )}
      {readings.length > 0 && (
        <table className="readings mb-2">
          <caption className="visually-hidden">Before and now</caption>
          <thead>
            <tr>
              <th scope="col">Figure</th>
              <th scope="col">Before</th>
              <th scope="col">Now</th>
            </tr>
          </thead>
          <tbody>
            {readings.map(({ group, id: fact, words, unit: own, before, now }) => (
              <tr key={`${group} ${fact}`}>
                <th scope="row">{words}</th>
                <td>{before === null ? '–' : printQuantity({ value: before, unit: own }, state.unit)}</td>
                <td>{now === null ? '–' : printQuantity({ value: now, unit: own }, state.unit)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {step.loop.length > 0 && (
        <p>
          <strong>Goes in passes:</strong> act a little, measure, act again (
          {step.loop.map((pass) => passWords[pass].toLowerCase()).join(', ')}).{' '}
          {passes.length === 0 ? 'None logged yet.' : `${passes.length} logged.`}
        </p>
      )}
      {toRead.length > 0 && (
        <p>
          <strong>To record:</strong>{' '}
          {toRead.map(({ measure, href }, i) => (
            <span key={measure}>
              {i > 0 && ', '}
              <Link href={`/jobs/${ticket}${href}`}>{measureWords(measure, names)}</Link>
            </span>
          ))}
        </p>
      )}
    </section>
  );
}

/** What the step takes out of the drawers when it is done; where nothing was chosen for it, where that is done. */
function OutOfTheDrawers({ step }: { step: Step }) {
  const { ticket, state } = useJob();
  if (isOver(step) || step.puts.length === 0) return null;
  const sums = chosenSums(state, step.takes);
  if (sums.length === 0)
    return step.puts.includes('pad') ? (
      <p>
        <strong>Out of the drawers:</strong> nothing is chosen yet.{' '}
        <Link href={`/jobs/${ticket}/pads?show=set`}>Choose the pads</Link>
      </p>
    ) : null;
  return (
    <p>
      <strong>Out of the drawers:</strong>{' '}
      {sums.map(({ thing, count }) => `${count} × ${printPhrase(stockTitle(thing), state.unit)}`).join('; ')}.
    </p>
  );
}

/** Cautions of a step in the shop’s words, each to be accepted once a day; the deferral always under them. */
function Cautions({ step }: { step: Step }) {
  const { shop } = useJob();
  const { author } = useBench();
  const { accepted, accept } = useCautionsToday();
  const id = useId();
  if (step.cautions.length === 0 || isOver(step)) return null;
  const begun = step.status === 'started';
  const open = step.cautions.filter((caution) => !accepted.has(caution));
  return (
    <fieldset className="say fault mb-3">
      <legend className="fs-6 fw-bold">
        {begun
          ? 'Cautions accepted'
          : open.length > 0
            ? 'Cautions to accept before starting'
            : `Cautions, accepted today by ${author.trim() || 'somebody'}`}
      </legend>
      {step.cautions.map((caution) => {
        const { text, shipped } = cautionWords(shop.cautions, caution);
        return (
          <Form.Check
            key={caution}
            id={`${id}-${caution}`}
            className="mb-2"
            type="checkbox"
            label={shipped === null ? text : `${text} (the shop’s words)`}
            checked={begun || accepted.has(caution)}
            disabled={begun}
            onChange={(event) => accept([caution], event.target.checked)}
          />
        );
      })}
      {!begun && open.length > 1 && (
        <Button variant="quiet" className="mb-2" onClick={() => accept(step.cautions)}>
          I have read all {step.cautions.length}
        </Button>
      )}
      <p className="mb-0">{deferral}</p>
    </fieldset>
  );
}

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
