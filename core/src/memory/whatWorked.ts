import { findingTitle } from '../findings';
import { medianOf } from '../metrology';
import type { FindingKind } from '../vocabulary';
import { sameInstrument } from './earlierVisit';
import type { KnownOutcome } from './outcomes';

/** A kind of work that put a fault right in this shop. */
export interface Worked {
  /** the kind of step; null: without one */
  step: string | null;
  times: number;
  /** minutes a fault: the least, the middle and the most; null without a step */
  minutes: { least: number; middle: number; most: number } | null;
  /** how often the fault was there again after it, in the same job or when the instrument came back */
  cameBack: number;
}

/** What a shop has seen of a kind of fault at a place. */
export interface Seen {
  /** faults that were settled, those that were none counted in */
  times: number;
  /** how often it was looked into and was none */
  wasNone: number;
  /** deeper faults that were found behind it, the most frequent first */
  causes: { kind: FindingKind; times: number }[];
  /** what put it right, the most frequent first */
  cures: Worked[];
  /** when the oldest was found, ISO 8601 */
  since: string;
}

/** What a shop has seen of a kind of fault: at this very part, and elsewhere on instruments of the family. */
export interface WhatWorked {
  here: Seen | null;
  elsewhere: Seen | null;
}

/** Was the fault there when the same instrument came back? Asked of the last thing that was done about it. */
const returned = (outcome: KnownOutcome, all: readonly KnownOutcome[]): boolean => {
  const done = outcome.cures.at(-1)?.at;
  return (
    done !== undefined &&
    all.some(
      (later) =>
        later.ticket !== outcome.ticket &&
        later.part === outcome.part &&
        later.kind === outcome.kind &&
        Date.parse(later.foundAt) > Date.parse(done) &&
        sameInstrument(later, outcome),
    )
  );
};

const countedBy = <T>(items: readonly T[]): { item: T; times: number }[] => {
  const counts = new Map<T, number>();
  for (const item of items) counts.set(item, (counts.get(item) ?? 0) + 1);
  return [...counts].map(([item, times]) => ({ item, times })).sort((a, b) => b.times - a.times);
};

function seenIn(outcomes: readonly KnownOutcome[], all: readonly KnownOutcome[]): Seen | null {
  if (outcomes.length === 0) return null;
  const cures = outcomes.flatMap((outcome) =>
    outcome.cures.map((cure, i) => ({
      ...cure,
      cameBack: cure.cameBack || (i === outcome.cures.length - 1 && returned(outcome, all)),
    })),
  );
  return {
    times: outcomes.length,
    wasNone: outcomes.filter(({ wasNone }) => wasNone).length,
    causes: countedBy(outcomes.flatMap(({ cause }) => cause?.kind ?? [])).map(({ item: kind, times }) => ({
      kind,
      times,
    })),
    cures: countedBy(cures.map(({ step }) => step)).map(({ item: step, times }) => {
      const of = cures.filter((cure) => cure.step === step);
      const minutes = of.flatMap((cure) => cure.minutes ?? []);
      const middle = medianOf(minutes);
      return {
        step,
        times,
        minutes: middle === null ? null : { least: Math.min(...minutes), middle, most: Math.max(...minutes) },
        cameBack: of.filter(({ cameBack }) => cameBack).length,
      };
    }),
    since: outcomes.map(({ foundAt }) => foundAt).reduce((a, b) => (Date.parse(a) < Date.parse(b) ? a : b)),
  };
}

/**
 * What a shop has seen of one kind of fault on one family. Counts, and no rule: the next one may be another.
 *
 * @param outcomes of that kind and family, in any order
 * @param part where it is asked for
 * @param aside findings whose lesson was put aside
 */
export function whatWorked(
  outcomes: readonly KnownOutcome[],
  part: string,
  aside: ReadonlySet<string> = new Set(),
): WhatWorked {
  const told = outcomes.filter(({ finding }) => !aside.has(finding));
  return {
    here: seenIn(
      told.filter((outcome) => outcome.part === part),
      outcomes,
    ),
    elsewhere: seenIn(
      told.filter((outcome) => outcome.part !== part),
      outcomes,
    ),
  };
}

/**
 * What a shop has seen of one kind of fault on one family, part by part, the newest part first.
 *
 * @param outcomes of that kind and family, newest first
 * @param aside findings whose lesson was put aside
 */
export function seenByPart(
  outcomes: readonly KnownOutcome[],
  aside: ReadonlySet<string> = new Set(),
): { part: string; place: string; seen: Seen }[] {
  const parts = new Map<string, KnownOutcome[]>();
  for (const outcome of outcomes)
    if (!aside.has(outcome.finding)) parts.set(outcome.part, [...(parts.get(outcome.part) ?? []), outcome]);
  return [...parts].flatMap(([part, own]) => {
    const seen = seenIn(own, outcomes);
    return seen ? [{ part, place: own.at(-1)?.place ?? part, seen }] : [];
  });
}

/** What a lesson about a fault is called where it is put aside. */
export const faultLesson = (finding: string): string => `fault ${finding}`;
/** The findings whose lesson was put aside. */
export const faultsAside = (lessons: readonly { lesson: string }[]): ReadonlySet<string> =>
  new Set(lessons.flatMap(({ lesson }) => (lesson.startsWith('fault ') ? [lesson.slice('fault '.length)] : [])));

const often = (times: number): string => (times === 1 ? 'once' : `${times} times`);

/** The minutes of a kind of work, in words; empty where nobody timed it. */
function minuteWords(minutes: Worked['minutes']): string {
  if (!minutes || minutes.most < 0.5) return '';
  const [least, middle, most] = [minutes.least, minutes.middle, minutes.most].map(Math.round);
  return least === most ? `${middle} min` : `${middle} min, ${least} to ${most}`;
}

/**
 * What was seen, in lines: how often, what was behind it, what put it right.
 *
 * @param where such as “here”
 * @param titleOf a kind of step in words
 */
export function seenWords(
  { times, wasNone, causes, cures }: Seen,
  where: string,
  titleOf: (step: string) => string,
): string[] {
  const behind = causes.map(({ kind, times: each }) => `${findingTitle({ kind }).toLowerCase()} (${often(each)})`);
  const right = cures.map(({ step, times: each, minutes, cameBack }) => {
    const more = [often(each), minuteWords(minutes), cameBack > 0 && `was there again ${often(cameBack)}`];
    return `${step === null ? 'without a step' : titleOf(step)} (${more.filter(Boolean).join('; ')})`;
  });
  return [
    `Settled ${often(times)} ${where}${wasNone > 0 ? `, ${often(wasNone)} it was none` : ''}.`,
    ...(behind.length > 0 ? [`Behind it: ${behind.join(', ')}.`] : []),
    ...(right.length > 0 ? [`Put right by: ${right.join(', ')}.`] : []),
  ];
}
