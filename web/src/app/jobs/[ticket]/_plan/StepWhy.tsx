'use client';

import { findingTitle, whyStep, type FreshReadings, type Step } from '@holotonos/core';
import { useMemo } from 'react';
import { useJob } from '@/job/JobContext';

const shown = 6;

function Few({ items }: { items: readonly string[] }) {
  return (
    <ul className="mb-2">
      {items.slice(0, shown).map((item) => (
        <li key={item}>{item}</li>
      ))}
      {items.length > shown && <li>and {items.length - shown} more</li>}
    </ul>
  );
}

/** Why this step stands here, what skipping it would leave behind, and what doing it spoils. */
export function StepWhy({ step }: { step: Step }) {
  const { plan, state, names } = useJob();
  const why = useMemo(() => whyStep(plan, state, step), [plan, state, step]);
  const findingText = (id: string) => {
    const finding = state.findings.get(id);
    return finding ? `${findingTitle(finding)}, ${names.get(finding.part) ?? finding.part}` : id;
  };
  const readingText = ({ group, part, count }: FreshReadings) =>
    `${count} ${count === 1 ? 'reading' : 'readings'}, ${group} of ${names.get(part) ?? part}`;
  const { skipping, spoils } = why;
  return (
    <div className="why">
      {why.cures.length > 0 && (
        <p className="mb-2">
          <strong>Cures:</strong> {[...new Set(why.cures)].map(findingText).join('; ')}
        </p>
      )}
      <details>
        <summary>Why here?</summary>
        {why.here.length === 0 && <p className="mb-2">Nothing has to come before it.</p>}
        <Few items={why.here.map(({ after, reason }) => `After “${after}”: ${reason}`)} />
        {why.chosenBy.map(({ question, side, holds }) => (
          <p key={question} className="mb-2">
            Chosen by the practice. {question}: <strong>{side}</strong>. {holds}
          </p>
        ))}
        {step.byHand && <p className="mb-2">Added by hand.</p>}
      </details>
      <details>
        <summary>What if it is skipped?</summary>
        {skipping.stopGaps.length + skipping.builtOn.length === 0 && <p className="mb-2">Nothing else rests on it.</p>}
        {skipping.stopGaps.length > 0 && (
          <>
            <p className="mb-0">These stay open below what is done above them, as stop-gaps:</p>
            <Few items={skipping.stopGaps.map(findingText)} />
          </>
        )}
        {skipping.builtOn.length > 0 && (
          <>
            <p className="mb-0">These would be set on it as it is, and have to be set again once it is done:</p>
            <Few items={skipping.builtOn.map(({ title }) => title)} />
          </>
        )}
        {skipping.readings.length > 0 && (
          <>
            <p className="mb-0">These readings would say nothing about what stays:</p>
            <Few items={skipping.readings.map(readingText)} />
          </>
        )}
      </details>
      <details>
        <summary>What does it spoil?</summary>
        {spoils.readings.length + spoils.steps.length === 0 && (
          <p className="mb-2">Nothing that has been read or done so far.</p>
        )}
        {spoils.readings.length > 0 && (
          <>
            <p className="mb-0">Readings that will be stale:</p>
            <Few items={spoils.readings.map(readingText)} />
          </>
        )}
        {spoils.steps.length > 0 && (
          <>
            <p className="mb-0">Done steps to be looked at again:</p>
            <Few items={spoils.steps.map(({ title }) => title)} />
          </>
        )}
      </details>
    </div>
  );
}
