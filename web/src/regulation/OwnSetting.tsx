'use client';

import { adjusterWords, length, printPhrase, printQuantity } from '@holotonos/core';
import { Button } from '@/ui/bootstrap';
import type { RegulationDesk } from './useRegulation';

/** What is off by less shows on no film, mm. */
const unseen = 5e-4;

/** The adjuster of the link at hand, step by step: tried on the picture and on every rule before anything is touched. */
export function OwnSetting({ desk }: { desk: RegulationDesk }) {
  const { type, link, adjusts, regulation, tried, triedSteps, tryStep, turnTried, setTried, rulesTried, name, unit } =
    desk;
  const figure = (value: number) => printQuantity(length(value), unit);
  const changed = (rulesTried ?? []).flatMap((after, i) => {
    const before = regulation.rules[i];
    return before && Math.abs(after.value - before.value) > unseen ? [{ before, after }] : [];
  });
  return (
    <section className="sheet mb-0" aria-label="A setting of your own">
      <h3>A setting of your own</h3>
      {link && !adjusts && <p className="soft mb-2">{name(link.id)} has nothing to turn.</p>}
      {link && adjusts && (
        <div className="own-setting">
          <Button variant="quiet" aria-keyshortcuts="<" onClick={() => tryStep(-1)}>
            <kbd>&lt;</kbd> earlier
          </Button>
          <span aria-live="polite">
            {triedSteps(link.id) === 0
              ? `${name(link.id)}: as it is`
              : printPhrase(adjusterWords(link.adjuster, triedSteps(link.id), tried.get(link.id) ?? 0), unit)}
          </span>
          <Button variant="quiet" aria-keyshortcuts=">" onClick={() => tryStep(1)}>
            <kbd>&gt;</kbd> later
          </Button>
        </div>
      )}
      {tried.size > 0 && (
        <>
          <ul className="list-plain mb-2">
            {[...tried].flatMap(([of, change]) => {
              const other = type.links.find(({ id }) => id === of && id !== link?.id);
              return other
                ? [
                    <li key={of}>
                      {name(of)}: {printPhrase(adjusterWords(other.adjuster, triedSteps(of), change), unit)}
                    </li>,
                  ]
                : [];
            })}
          </ul>
          <ul className="list-plain rule-changes" aria-label="What it does to the rules">
            {changed.map(({ before, after }) => (
              <li key={after.rule.id}>
                <span className={after.holds ? 'sound' : 'overdue'}>
                  {figure(before.value)} → {figure(after.value)}
                </span>{' '}
                {after.words}
              </li>
            ))}
          </ul>
          {changed.length === 0 && <p className="soft mb-2">No rule feels it.</p>}
          <div className="d-flex gap-2 flex-wrap">
            <Button onClick={turnTried}>Turned as tried</Button>
            <Button variant="quiet" onClick={() => setTried(new Map())}>
              Back to as it is
            </Button>
          </div>
        </>
      )}
    </section>
  );
}
