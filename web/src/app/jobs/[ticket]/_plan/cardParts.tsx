'use client';

import {
  cautionWords,
  chosenSums,
  deferral,
  establishes,
  passWords,
  printPhrase,
  printQuantity,
  stepReadings,
  stockTitle,
  type GateCheck,
  type Step,
} from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useId, useMemo } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { isMeasuredGroup } from '@/figure/groups';
import { isOver, measureWords, reachWords } from '@/job/stepWords';
import { useBench } from '@/frame/BenchContext';
import { useCautionsToday } from '@/job/cautionsToday';

/** What has to be read before a step may begin, each with its way to where it is read. */
export function Gate({ gate, ticket }: { gate: GateCheck[]; ticket: string }) {
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
export function Notices({ step }: { step: Step }) {
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
export function Figures({ step }: { step: Step }) {
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
export function OutOfTheDrawers({ step }: { step: Step }) {
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
export function Cautions({ step }: { step: Step }) {
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
