'use client';

import { cautionWords, dayIn } from '@holotonos/core';
import { useCallback, useMemo } from 'react';
import { useBench } from '@/frame/BenchContext';
import { keepHere, keptHere, readKept, useKeptHere } from '@/frame/keptHere';
import { useJob } from './JobContext';

/** What each person has accepted today at this browser: the words of each caution, as they stood. */
interface Kept {
  day: string;
  by: Record<string, Record<string, string>>;
}
const key = 'holotonos-cautions';

function keptOf(text: string, day: string): Kept {
  // A damaged note of what was accepted is none: it is asked again.
  const kept = readKept(text) as Kept | null;
  return kept?.day === day && typeof kept.by === 'object' ? kept : { day, by: {} };
}

/**
 * Cautions are accepted once a day for each hazard, by person, and again whenever the shop changes their words. What was
 * accepted is kept in this browser; on another device it is asked again.
 */
export function useCautionsToday(): {
  accepted: ReadonlySet<string>;
  /** does the page know yet? Not before it runs in the browser, where this is kept */
  isKnown: boolean;
  /** accepts some, or takes that back */
  accept: (cautions: readonly string[], is?: boolean) => void;
} {
  const { author, who, zone } = useBench();
  const { shop, now } = useJob();
  const text = useKeptHere(key);
  const person = author.trim();
  const day = dayIn(now, zone);
  const wordsOf = useCallback((caution: string) => cautionWords(shop.cautions, caution).text, [shop.cautions]);
  const accepted = useMemo(() => {
    const own = keptOf(text, day).by[person] ?? {};
    return new Set(Object.keys(own).filter((caution) => own[caution] === wordsOf(caution)));
  }, [text, day, person, wordsOf]);
  const accept = (cautions: readonly string[], is = true) => {
    const own = who();
    const kept = keptOf(keptHere(key), day);
    const others = Object.entries(kept.by[own] ?? {}).filter(([caution]) => !cautions.includes(caution));
    const added = is ? cautions.map((caution) => [caution, wordsOf(caution)]) : [];
    const by = { ...kept.by, [own]: Object.fromEntries([...others, ...added]) as Record<string, string> };
    keepHere(key, { day, by } satisfies Kept);
  };
  return { accepted, isKnown: text !== '', accept };
}
