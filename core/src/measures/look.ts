import type { FindingKind, SpringFault } from '../vocabulary';

/** What a look without a figure amounts to: good, a hair off, or plainly wrong. It cannot give a number, and says so. */
export type TickVerdict = 'good' | 'hair' | 'bad';

/** How a look is taken: what stands in for a gauge. */
export type TickMeans = 'light' | 'film' | 'hand' | 'eye' | 'air';

export const meansWords: Record<TickMeans, string> = {
  light: 'leak light',
  film: 'film',
  hand: 'by hand',
  eye: 'by eye',
  air: 'by mouth',
};

/** One answer to one look, on one key. */
export interface TickChoice {
  id: string;
  /** the key on the keyboard, lower case; no key that a figure could begin with */
  press: string;
  words: string;
  verdict: TickVerdict;
  means: TickMeans;
  /** the finding a wrong look speaks for */
  finds?: FindingKind;
  spring?: SpringFault;
  /** can it be said toward which side? */
  directed?: true;
}

export const look = (
  id: string,
  press: string,
  words: string,
  verdict: TickVerdict,
  means: TickMeans,
  more: Pick<TickChoice, 'finds' | 'spring' | 'directed'> = {},
): TickChoice => ({ id, press, words, verdict, means, ...more });
