'use client';

import {
  choicesOf,
  gaugeOfReading,
  heldKey,
  linkWalk,
  pressedUnder,
  printPhrase,
  regulationOf,
  rulesAt,
  shopRules,
  tickWords,
  usualGauge,
  type EntryBody,
  type JobMechanism,
  type LinkStop,
  type TickChoice,
} from '@holotonos/core';
import { useSearchParams } from 'next/navigation';
import { useMemo, useRef, useState } from 'react';
import { useFilm } from '@/figure/FilmSelect';
import { readFigure } from '@/figure/groups';
import { useJob } from '@/job/JobContext';

/** Forces the slider goes through, N. */
export const forceSteps = { min: 0, max: 2, step: 0.05 } as const;

const letters = choicesOf('link');

/** The regulation of the job, where the round of its links stands, and what is pressed on the picture. */
export function useRegulation() {
  const { type, state, judgement, write, names, shop } = useJob();
  const { films } = shop.sizes;
  const pull = useFilm();
  const { points, ticks, observations, adjustments, operations, tolerances, practice, passes, ruleChanges } = state;
  const regulation = useMemo(
    () =>
      regulationOf(
        { points, ticks, observations, adjustments, operations, tolerances, practice, passes, ruleChanges },
        type,
        films,
        shopRules(shop, type.id),
      ),
    [
      points,
      ticks,
      observations,
      adjustments,
      operations,
      tolerances,
      practice,
      passes,
      ruleChanges,
      type,
      films,
      shop,
    ],
  );
  const stops = useMemo(() => linkWalk(type), [type]);
  const asked = useSearchParams().get('link');
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      stops.findIndex(({ link }) => link === asked),
    ),
  );
  const [also, setAlso] = useState<readonly string[]>([]);
  const [force, setForce] = useState<number | null>(null);
  const [said, setSaid] = useState('');
  /** where the keys of the round are heard */
  const board = useRef<HTMLDivElement>(null);
  const back = () => board.current?.focus({ preventScroll: true });
  /** gaps of links as a setting that is only tried would leave them */
  const [tried, setTried] = useState<ReadonlyMap<string, number>>(new Map());

  const index = Math.min(at, Math.max(0, stops.length - 1));
  const stop: LinkStop | null = stops[index] ?? null;
  const link = stop && type.links.find(({ id }) => id === stop.link);
  const name = (id: string) => names.get(id) ?? id;
  const pressed = new Set([...(link ? [link.driver] : []), ...(stop?.held ?? []), ...also]);
  const touch = force ?? regulation.touch;

  const shown: JobMechanism = useMemo(
    () =>
      tried.size === 0
        ? regulation.mechanism
        : {
            ...regulation.mechanism,
            links: regulation.mechanism.links.map((each) => ({ ...each, gap: each.gap + (tried.get(each.id) ?? 0) })),
          },
    [regulation, tried],
  );
  /** how the rules would stand by what is only tried */
  const rulesTried = useMemo(() => (tried.size === 0 ? null : rulesAt(regulation, shown)), [regulation, shown, tried]);
  const forcesAt = (newtons: number) => Object.fromEntries([...pressed].map((key) => [key, newtons]));
  const [now] = pressedUnder(shown, [forcesAt(touch)]);
  if (!now) throw new Error('a press has a state');

  const goTo = (to: number) => {
    setAt(Math.max(0, Math.min(stops.length - 1, to)));
    setAlso([]);
  };
  const seen = (each: LinkStop) =>
    regulation.looks.get(each.link)?.findLast(({ held }) => heldKey(held) === heldKey(each.held));
  const looked = stops.filter((each) => seen(each)?.turnedSince === false).length;

  const heldOf = (each: LinkStop) => (each.held.length > 0 ? { held: [...each.held] } : {});
  const taken = (words: string) => {
    if (!link || !stop) return;
    setSaid(`${name(link.id)}: ${words}`);
    goTo(index + 1);
  };
  const answer = (choice: TickChoice) => {
    if (!stop) return;
    const body: EntryBody<'tick'> = {
      group: 'link',
      part: stop.link,
      says: choice.id,
      ...(choice.means === 'film' && { film: pull.film }),
      ...heldOf(stop),
    };
    if (write('tick', body)) taken(printPhrase(tickWords(body), state.unit));
  };
  const press = (key: string): boolean => {
    const choice = letters.find((each) => each.press === key);
    if (choice) answer(choice);
    return choice !== undefined;
  };
  /** Writes how late the follower is by the feeler, mm. @returns what is in the way of it, null where it was written */
  const readLateness = (value: number, typed: string): string | null => {
    if (!stop) return 'Nothing is looked at.';
    const feelers = shop.gauges.filter(({ kind, retired }) => kind === 'feeler' && !retired);
    const gauge = feelers.find(({ id }) => id === usualGauge.lateness) ?? feelers[0];
    if (!gauge) return 'No feeler is in hand: put one into the shop’s list of gauges first.';
    const body: EntryBody<'reading'> = {
      point: { group: 'link', part: stop.link, measure: 'lateness', clock: 0, ...heldOf(stop) },
      value,
      typed,
      gauge: gaugeOfReading(gauge),
    };
    return write('reading', body) ? null : 'It was not taken.';
  };
  /** Takes what was typed as a lateness. @returns what is in the way of it, null where it was taken */
  const takeFigure = (typed: string): string | null => {
    const text = typed.trim();
    const read = readFigure(text, 'lateness', state.unit);
    const why = read.ok ? readLateness(read.value, text) : read.problem;
    if (why === null) taken(`${text} late`);
    return why;
  };
  /** what the adjuster at hand can do; nothing where there is none */
  const adjusts = regulation.mechanism.links.find(({ id }) => id === link?.id)?.adjusts ?? null;
  /** by how many steps an adjuster stands away, as it is only tried */
  const triedSteps = (of: string): number => {
    const step = regulation.mechanism.links.find(({ id }) => id === of)?.adjusts?.step;
    return step ? Math.round((tried.get(of) ?? 0) / step) : 0;
  };
  /** Tries the adjuster at hand a step further. @returns whether it has one, and has that far to go */
  const tryStep = (by: 1 | -1): boolean => {
    if (!adjusts || !link) return false;
    const steps = triedSteps(link.id) + by;
    if (steps < adjusts.min || steps > adjusts.max) return false;
    const next = new Map(tried);
    if (steps === 0) next.delete(link.id);
    else next.set(link.id, steps * adjusts.step);
    setTried(next);
    return true;
  };
  const turn = (of: string, steps: number, change: number) => {
    if (!write('adjustment', { link: of, steps, change })) return;
    setTried(new Map());
    setSaid(`${name(of)}: set. Look at it again.`);
    back();
    const next = stops.findIndex((each) => each.link === of && each.held.length === 0);
    if (next !== -1) goTo(next);
  };
  /** Writes down all that was tried as turned. */
  const turnTried = () => {
    for (const [of, change] of tried) if (!write('adjustment', { link: of, steps: triedSteps(of), change })) return;
    setTried(new Map());
    setSaid('Set as tried. Look at each again.');
    back();
  };
  /** Presses harder, or more lightly, by some steps. */
  const pressBy = (steps: number) =>
    setForce((now) =>
      Math.min(forceSteps.max, Math.max(forceSteps.min, (now ?? regulation.touch) + steps * forceSteps.step)),
    );
  /** Is a key only pressed because somebody pressed it besides? The one at hand stays down. */
  const mayRelease = (key: string) => also.includes(key);
  const toggle = (key: string) =>
    setAlso((list) => (list.includes(key) ? list.filter((each) => each !== key) : [...list, key]));

  return {
    type,
    judgement,
    regulation,
    adjustments,
    unit: state.unit,
    stops,
    index,
    stop,
    link,
    name,
    seen,
    /** how many of the stops were looked at as they are now */
    looked,
    goTo,
    pressed,
    toggle,
    touch,
    setForce,
    pressBy,
    mayRelease,
    now,
    shown,
    forcesAt,
    pull,
    takeFigure,
    readLateness,
    press,
    answer,
    choices: letters,
    turn,
    tried,
    setTried,
    rulesTried,
    adjusts,
    triedSteps,
    tryStep,
    turnTried,
    said,
    setSaid,
    board,
    back,
  };
}

export type RegulationDesk = ReturnType<typeof useRegulation>;
