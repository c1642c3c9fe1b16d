'use client';

import {
  beyondWords,
  findingTitle,
  fitPromise,
  isOpenStep,
  notesWords,
  type PromiseFit,
  type Step,
} from '@holotonos/core';
import { useId, useMemo, useState } from 'react';
import { useJob } from '@/job/JobContext';
import { Button } from '@/ui/bootstrap';
import { FigureForm, numberThat } from '@/ui/FigureForm';
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
  const [asking, setAsking] = useState(false);
  const { intake } = state;
  if (!intake || (intake.scope !== 'repair' && !fit)) return null;
  const set = (hours: number) => {
    const taken = write('intake', { ...intake, promise: Math.round(hours * 60) });
    if (taken) setAsking(false);
    return taken;
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
        <FigureForm
          label="Hours promised in all"
          action="Promise them"
          className="mt-2"
          read={numberThat((hours) => hours > 0, 'Type hours, more than 0.')}
          onTaken={set}
        />
      )}
    </section>
  );
}
