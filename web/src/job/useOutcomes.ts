'use client';

import type { Family, FindingKind, KnownOutcome } from '@holotonos/core';
import { useEffect, useState } from 'react';

/** What was asked lately, so that twenty cards of one kind ask once. */
const asked = new Map<string, { at: number; answer: Promise<KnownOutcome[]> }>();
/** So long an answer holds, ms: what the shop has seen changes slowly. */
const holds = 60_000;

async function ask(family: Family, kind: FindingKind): Promise<KnownOutcome[]> {
  const response = await fetch(`/api/v1/memory/faults?family=${family}&kind=${kind}`);
  if (!response.ok) throw new Error('what was seen before did not come');
  return ((await response.json()) as { outcomes: KnownOutcome[] }).outcomes;
}

function outcomesFor(family: Family, kind: FindingKind): Promise<KnownOutcome[]> {
  const key = `${family} ${kind}`;
  const known = asked.get(key);
  if (known && performance.now() - known.at < holds) return known.answer;
  const answer = ask(family, kind);
  asked.set(key, { at: performance.now(), answer });
  // What did not come is asked for again by the next card.
  answer.catch(() => asked.delete(key));
  return answer;
}

/** What became of faults of this kind on this family; undefined until it is known, null where it cannot be. */
export function useOutcomes(family: Family, kind: FindingKind): readonly KnownOutcome[] | null | undefined {
  const [known, setKnown] = useState<{ key: string; outcomes: KnownOutcome[] | null } | null>(null);
  const key = `${family} ${kind}`;
  useEffect(() => {
    let gone = false;
    outcomesFor(family, kind).then(
      (outcomes) => !gone && setKnown({ key, outcomes }),
      () => !gone && setKnown({ key, outcomes: null }),
    );
    return () => {
      gone = true;
    };
  }, [family, kind, key]);
  return known?.key === key ? known.outcomes : undefined;
}
