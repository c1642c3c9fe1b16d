'use client';

import { faultsAside, seenWords, whatWorked, type FindingKind, type Seen } from '@holotonos/core';
import { useMemo } from 'react';
import { useWhen } from '@/frame/BenchContext';
import { stepTitle } from '@/shop/stepTitle';
import { useJob } from './JobContext';
import { useOutcomes } from './useOutcomes';

/** Families as they are spoken of together. */
const familyWords = {
  flute: 'flutes',
  piccolo: 'piccolos',
  clarinet: 'clarinets',
  oboe: 'oboes',
  saxophone: 'saxophones',
  other: 'instruments like it',
} as const;

/**
 * What this shop has seen of a kind of fault: at this part, and elsewhere on the family. Counts, never a rule. Says nothing
 * where nothing was seen.
 *
 * @param but a finding that is left out: it is the one that is asked about
 */
export function SeenBefore({ kind, part, but }: { kind: FindingKind; part: string; but?: string }) {
  const { type, shop } = useJob();
  const { dayText } = useWhen();
  const outcomes = useOutcomes(type.family, kind);
  const seen = useMemo(() => {
    if (!outcomes) return null;
    const others = outcomes.filter(({ finding }) => finding !== but);
    return whatWorked(others, part, faultsAside(shop.lessonsAside));
  }, [outcomes, but, part, shop.lessonsAside]);
  if (!seen || (!seen.here && !seen.elsewhere)) return null;
  const lines = (each: Seen, where: string) =>
    seenWords(each, `${where} since ${dayText(each.since)}`, (step) => stepTitle(shop, step));
  const told = [
    ...(seen.here ? lines(seen.here, 'at this part') : []),
    ...(seen.elsewhere ? lines(seen.elsewhere, `elsewhere on ${familyWords[type.family]}`) : []),
  ];
  return (
    <aside className="seen-before soft my-2" aria-label="Seen in this shop">
      <strong>Seen in this shop.</strong> {told.join(' ')}
    </aside>
  );
}
