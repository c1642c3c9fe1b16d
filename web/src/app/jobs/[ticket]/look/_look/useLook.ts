'use client';

import {
  choiceOf,
  choicesOf,
  findingTitle,
  isTickGroup,
  lookAgain,
  lightClocks,
  printPhrase,
  settledByLook,
  tickGroups,
  tickWords,
  type EntryBody,
  type LookAgain,
  type TickChoice,
  type TickGroup,
} from '@holotonos/core';
import { useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import { v4 as newId } from 'uuid';
import { useFilm } from '@/figure/FilmSelect';
import { partsToMeasure } from '@/figure/groups';
import { useJob } from '@/job/JobContext';

/** Where the look-over stands, and everything that can be done there. Nothing is kept here but the place and the film. */
export function useLook() {
  const { type, state, judgement, write, names } = useJob();
  const { film, films, setFilm } = useFilm();
  const query = useSearchParams();
  const groups = useMemo(() => tickGroups.filter((group) => partsToMeasure(type, group).length > 0), [type]);
  const [at, setAt] = useState<{ group: TickGroup; index: number }>(() => {
    const asked = query.get('group') ?? '';
    const group =
      isTickGroup(asked) && groups.includes(asked) ? asked : groups.includes('pad') ? 'pad' : (groups[0] ?? 'pad');
    const index = partsToMeasure(type, group).indexOf(query.get('part') ?? '');
    return { group, index: Math.max(0, index) };
  });
  const [said, setSaid] = useState('');
  /** the place the walk through what waits for another look came to last */
  const [walked, setWalked] = useState(-1);
  /** the part looked at last: a side pressed afterwards belongs to it */
  const [lastPart, setLastPart] = useState<string | null>(null);

  const { group } = at;
  const parts = useMemo(() => partsToMeasure(type, group), [type, group]);
  const part = parts[Math.min(at.index, parts.length - 1)] ?? null;
  const name = (id: string) => names.get(id) ?? id;
  const choices = choicesOf(group);
  const last = lastPart === null ? null : (state.ticks.get(`${group}:${lastPart}`) ?? null);
  const looked = parts.filter((each) => state.ticks.get(`${group}:${each}`)?.stale === null).length;

  const again = useMemo(() => lookAgain(state, type, judgement), [state, type, judgement]);
  /** Goes to a place that waits for another look. */
  const goAgain = ({ group: to, part: at }: LookAgain) => {
    if (to !== null) go(to, Math.max(0, partsToMeasure(type, to).indexOf(at)));
  };
  /** To the next place that waits for another look, from where the walk stands and round again. */
  const nextAgain = () => {
    const places = again.filter((each) => each.group !== null);
    const rank = (to: TickGroup | null, at: number) => groups.indexOf(to ?? group) * 1000 + at;
    const rankOf = (each: LookAgain) => rank(each.group, partsToMeasure(type, each.group ?? group).indexOf(each.part));
    const here = rank(group, at.index);
    // An answer has moved on to the part beside: where that one waits too it is the next, unless the walk stood there before.
    const next = places.find((each) => rankOf(each) > here || (rankOf(each) === here && here !== walked)) ?? places[0];
    if (!next) return setSaid('Nothing waits for another look here.');
    setWalked(rankOf(next));
    goAgain(next);
  };
  /** What only an eye can judge: good after the work, or not. */
  const sayOf = ({ finding }: LookAgain, good: boolean) => {
    if (!finding) return;
    const { kind, part: on, severity, note } = finding;
    write('finding', {
      finding: finding.finding,
      kind,
      part: on,
      severity,
      note,
      status: good ? 'cured' : 'confirmed',
      reason: good ? 'Looked at after the work: good.' : 'Looked at after the work: still there.',
    });
  };

  const go = (to: TickGroup, index = 0) => {
    setAt({ group: to, index });
    setLastPart(null);
    window.history.replaceState(null, '', `?group=${to}`);
  };
  const move = (steps: number) =>
    setAt((now) => ({ ...now, index: Math.max(0, Math.min(parts.length - 1, now.index + steps)) }));

  const put = (body: EntryBody<'tick'>): boolean => {
    const id = newId();
    if (!write('tick', body, id)) return false;
    const settled =
      choiceOf(group, body.says)?.verdict === 'good' ? settledByLook(state, type, group, body.part, id) : [];
    for (const finding of settled) write('finding', finding);
    setLastPart(body.part);
    const gone = settled.map((finding) => `, ${findingTitle(finding).toLowerCase()} settled`).join('');
    setSaid(`${name(body.part)}: ${printPhrase(tickWords(body), state.unit)}${gone}`);
    return true;
  };
  /** Writes an answer for the part at hand and goes on to the next. */
  const answer = (choice: TickChoice) => {
    if (part === null) return;
    if (put({ group, part, says: choice.id, ...(choice.means === 'film' && { film }) })) move(1);
  };
  const press = (key: string): boolean => {
    const choice = choices.find((each) => each.press === key);
    if (choice) answer(choice);
    return choice !== undefined;
  };
  /** Says toward which side the last look shows. */
  const toward = (clock: number): boolean => {
    if (!last || !choiceOf(group, last.says)?.directed) return false;
    const { part: on, says, film: pulled, at: place, note } = last;
    return put({
      group,
      part: on,
      says,
      toward: clock,
      ...(pulled !== undefined && { film: pulled }),
      ...(place !== undefined && { at: place }),
      ...(note !== undefined && { note }),
    });
  };
  const sideOfKey = (key: string): number | undefined => lightClocks[Number(key) - 1];

  /** Strikes the last look of this group and goes back to it. */
  const undo = () => {
    const entry = state.entries.findLast(
      ({ id, kind, body }) => kind === 'tick' && (body as EntryBody<'tick'>).group === group && !state.struck.has(id),
    );
    if (entry?.kind !== 'tick') return setSaid('Nothing to strike');
    const beside = state.entries.filter(
      ({ id, kind, body }) =>
        kind === 'finding' && !state.struck.has(id) && (body as EntryBody<'finding'>).evidence?.includes(entry.id),
    );
    const all = [...beside.map(({ id }) => id), entry.id];
    if (!all.every((id) => write('strike', { entry: id, reason: 'undone while looking' })))
      return setSaid('Nothing to strike');
    setLastPart(null);
    setAt({ group, index: Math.max(0, parts.indexOf(entry.body.part)) });
    setSaid(`${name(entry.body.part)}: struck`);
  };
  const otherGroup = (steps: number) => {
    const to = groups[groups.indexOf(group) + steps];
    if (to) go(to);
  };

  return {
    group,
    groups,
    parts,
    part,
    index: Math.min(at.index, Math.max(0, parts.length - 1)),
    choices,
    film,
    films,
    setFilm,
    said,
    last,
    looked,
    go,
    goTo: (index: number) => setAt({ group, index }),
    move,
    answer,
    press,
    toward,
    sideOfKey,
    undo,
    otherGroup,
    again,
    goAgain,
    nextAgain,
    sayOf,
  };
}

export type Look = ReturnType<typeof useLook>;
