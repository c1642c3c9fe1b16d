'use client';

import {
  beyondWords,
  findingTitle,
  fitPromise,
  isOpenStep,
  notesWords,
  parseNumber,
  type PromiseFit,
  type Step,
} from '@holotonos/core';
import { useId, useMemo, useState } from 'react';
import { useJob } from '@/job/JobContext';
import { Button, Form } from '@/ui/bootstrap';
import { minutesText } from '@/ui/words';

/** How promised hours are spent; null where a result was promised and not hours. */
export function usePromise(): PromiseFit | null {
  const { plan, state, type } = useJob();
  const minutes = state.intake?.promise;
  return useMemo(
    () => (minutes === undefined ? null : fitPromise(plan.steps, state, type, minutes)),
    [plan.steps, state, type, minutes],
  );
}

/** Is a step beyond the hours that were promised? */
export const isBeyond = (fit: PromiseFit | null, step: Step): boolean =>
  fit !== null && isOpenStep(step) && !fit.within.has(step.id);

/** Promised hours: what fits, which notes it gives back, what is left, and a way to leave it with its reason. */
export function Promised({ fit }: { fit: PromiseFit | null }) {
  const { plan, state, names, write } = useJob();
  const id = useId();
  const [text, setText] = useState('');
  const [asking, setAsking] = useState(false);
  const { intake } = state;
  if (!intake || (intake.scope !== 'repair' && !fit)) return null;
  const hours = parseNumber(text);
  const set = () => {
    if (hours !== null && hours > 0 && write('intake', { ...intake, promise: Math.round(hours * 60) })) {
      setAsking(false);
      setText('');
    }
  };
  const beyond = plan.steps.filter((step) => isBeyond(fit, step));
  const leave = () => {
    if (!fit) return;
    for (const { id: operation, title, cures } of beyond) {
      const notes = new Set(fit.left.flatMap((each) => (cures.includes(each.finding.finding) ? each.notes : [])));
      const reason = beyondWords(minutesText(fit.promised), [...notes]);
      write('operation-skipped', { operation, title, reason, leaves: cures });
    }
  };
  return (
    <section className="sheet" aria-labelledby={`${id}-promise`}>
      <h3 id={`${id}-promise`}>{fit ? `${minutesText(fit.promised)} promised` : 'No hours are promised'}</h3>
      {fit && (
        <>
          <p className="mb-2">
            {fit.spent > 0 && `${minutesText(fit.spent)} of them are spent. `}
            What fits takes about {minutesText(fit.planned)}
            {fit.spent + fit.planned > fit.promised && ', more than is left: it has to be done anyway'}.{' '}
            {fit.failing.length > 0 &&
              `${fit.regained.length} of ${fit.failing.length} notes that fail now play again.`}
          </p>
          {fit.left.length > 0 && (
            <>
              <p className="mb-1">Left, with what suffers from it:</p>
              <ul>
                {fit.left.map(({ finding, notes, minutes }) => (
                  <li key={finding.finding}>
                    {names.get(finding.part) ?? finding.part}: {findingTitle(finding)}{' '}
                    <span className="soft">
                      {finding.status !== 'confirmed' ? `only ${finding.status}` : `about ${minutesText(minutes)}`},{' '}
                      {notes.length > 0 ? notesWords(notes) : 'no note'}
                    </span>
                  </li>
                ))}
              </ul>
            </>
          )}
        </>
      )}
      <div className="d-flex flex-wrap gap-2">
        {beyond.length > 0 && (
          <Button variant="quiet" onClick={leave}>
            Leave the {beyond.length} {beyond.length === 1 ? 'step that does' : 'steps that do'} not fit
          </Button>
        )}
        <Button variant="quiet" aria-expanded={asking} onClick={() => setAsking(!asking)}>
          {fit ? 'Promise other hours …' : 'Promise hours …'}
        </Button>
      </div>
      {asking && (
        <form
          className="d-flex gap-2 align-items-end mt-2"
          onSubmit={(event) => {
            event.preventDefault();
            set();
          }}
        >
          <div>
            <Form.Label htmlFor={`${id}-hours`}>Hours promised in all</Form.Label>
            <Form.Control
              id={`${id}-hours`}
              inputMode="decimal"
              value={text}
              onChange={(event) => setText(event.target.value)}
            />
          </div>
          <Button type="submit" disabled={hours === null || hours <= 0}>
            Promise them
          </Button>
        </form>
      )}
    </section>
  );
}
