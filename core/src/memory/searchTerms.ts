import { findingWords } from '../findings';
import type { EntryKind } from '../job';
import type { FindingKind } from '../vocabulary';

/** What a logbook can be searched for, and the kinds of entries in which it stands. */
export const searchGroups = {
  findings: { label: 'findings', kinds: ['finding'] },
  notes: { label: 'notes and looks', kinds: ['note', 'observation'] },
  decisions: {
    label: 'decisions',
    kinds: ['decision', 'practice-change', 'tolerances', 'operation-skipped', 'plan-change', 'agreement', 'sign-off'],
  },
  work: { label: 'work done', kinds: ['operation-done', 'pass'] },
  photos: { label: 'photos', kinds: ['photo'] },
} as const satisfies Record<string, { label: string; kinds: readonly EntryKind[] }>;
export type SearchGroup = keyof typeof searchGroups;

/** The group a kind of entry is found under; undefined for one that is not searched. */
export const searchGroupOf = (kind: string): SearchGroup | undefined =>
  (Object.keys(searchGroups) as SearchGroup[]).find((name) =>
    (searchGroups[name].kinds as readonly string[]).includes(kind),
  );

/** One way in which an entry can answer: all its words begin so, and it names this kind of finding. */
export interface SearchTerms {
  words: string[];
  kind: FindingKind | null;
}

/** Words of a search that are looked for; more of them narrow nothing. */
const mostWords = 8;

/** The words of a text as entries are searched for: small letters and figures, a note’s sharp and flat spelt out. */
export const wordsIn = (text: string): string[] =>
  text
    .toLowerCase()
    .replaceAll(/[♯#]/gu, ' sharp ')
    .replaceAll('♭', ' flat ')
    .match(/[\p{L}\p{N}]+/gu)
    ?.slice(0, mostWords) ?? [];

/**
 * What a search asks for: its words, and wherever some of them are the name of a fault as people say it, that kind of
 * finding and the words that are left. Any of these ways is an answer.
 *
 * @example searchTerms('rim not flat, E') // words as they are, or rim-warped and “e”
 */
export function searchTerms(text: string): SearchTerms[] {
  const words = wordsIn(text);
  if (words.length === 0) return [];
  const faults = (Object.entries(findingWords) as [FindingKind, { title: string }][]).flatMap(([kind, { title }]) => {
    const named = wordsIn(title);
    const all = named.every((word) => words.includes(word));
    return all ? [{ words: words.filter((word) => !named.includes(word)), kind }] : [];
  });
  return [{ words, kind: null }, ...faults];
}
