import type { JobState, PhotoState } from '../job';

/** What was photographed, as it was first and as it was last. */
export interface PhotoPair {
  /** what the pictures have in common: a finding, a part, or their words */
  key: string;
  part: string | null;
  finding: string | null;
  first: PhotoState;
  /** null where it was photographed only once */
  last: PhotoState | null;
}

/** More pictures than this make no record that anybody reads; the others stay in the job. */
export const mostPhotoPairs = 24;

const keyOf = ({ finding, part, caption }: PhotoState): string => {
  if (finding !== null) return `finding ${finding}`;
  return part === null ? `words ${caption.trim().toLowerCase()}` : `part ${part}`;
};

/**
 * The photographs of a job in pairs: of each finding, of each part, and of the whole by the words under the picture, the
 * first and the last. Pairs come before what was photographed only once, each in the order they were begun.
 */
export function photoPairs({ photos }: Pick<JobState, 'photos'>): PhotoPair[] {
  const byKey = new Map<string, PhotoState[]>();
  const inTime = [...photos.values()].sort((a, b) => a.benchTime.localeCompare(b.benchTime));
  for (const photo of inTime) byKey.set(keyOf(photo), [...(byKey.get(keyOf(photo)) ?? []), photo]);
  const pairs = [...byKey].flatMap(([key, [first, ...later]]): PhotoPair[] => {
    if (!first) return [];
    const { part, finding } = first;
    return [{ key, part, finding, first, last: later.at(-1) ?? null }];
  });
  return [...pairs.filter(({ last }) => last !== null), ...pairs.filter(({ last }) => last === null)].slice(
    0,
    mostPhotoPairs,
  );
}
