'use client';

import {
  centsText,
  compassOf,
  fingeringWords,
  heardWith,
  noteAnchor,
  noteLimit,
  notePitch,
  notesBeside,
  whichNote,
  type Fingering,
  type HeardWith,
  type MeasuringPoint,
} from '@holotonos/core';
import type { SteadyNote } from '@holotonos/core/listening';
import { useEffect, useId, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { FigureReadout } from '@/figure/FigureReadout';
import { GaugePanel } from '@/figure/GaugePanel';
import { useFigure } from '@/figure/useFigure';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { useFirstFocus } from '@/frame/useFirstFocus';
import { useJob } from '@/job/JobContext';
import { Bands } from '@/job/JobShell';
import { Button, Form } from '@/ui/bootstrap';
import { StateMark } from '@/ui/StateMark';
import { CentsChart } from './CentsChart';
import { Hygiene, readFirst, useIsShut } from './Hygiene';
import { isLift, liftWords, tenth } from './lifts';
import { openPlayer } from './openPlayer';
import { SoundNav } from './SoundNav';
import { openMicrophone, useListening } from './useListening';
import { FingeredLike } from './FingeredLike';
import { Recording } from './Recording';

const standards = [415, 430, 435, 440, 442, 443];

const pointOf = (part: string, measure: 'cents' | 'spread'): MeasuringPoint => ({
  group: 'pitch',
  part,
  measure,
  clock: 0,
});

/** Pitch, note by note: typed, from a gauge, heard by a microphone or out of a recording. */
export function PitchView() {
  const { ticket, type, state, judgement, write } = useJob();
  const { unit } = state;
  const compass = useMemo(() => compassOf(type), [type]);
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      compass.findIndex(({ id }) => notePitch(state, id).mean === null),
    ),
  );
  const [from, setFrom] = useState<HeardWith>('microphone');
  const [heard, setHeard] = useState('');
  const input = useRef<HTMLInputElement>(null);
  const list = useRef<HTMLOListElement>(null);
  const isShut = useIsShut();
  const id = useId();
  const note = compass[at] ?? null;
  usePageKeys(pageKeys.pitch.keys);
  const next = () => setAt((now) => Math.min(compass.length - 1, now + 1));
  const figure = useFigure(note ? pointOf(note.id, 'cents') : null, input, next);
  const { air, devices } = figure;

  const put = (
    fingering: Fingering,
    cents: number,
    { spread, step, uncertainty }: SteadyNote,
    by: HeardWith,
  ): boolean => {
    const own = heardWith[by];
    const gauge = { ...own, maxPermissibleError: Math.max(own.maxPermissibleError, tenth(uncertainty)) };
    const { temperature } = air;
    const take = (measure: 'cents' | 'spread', value: number) =>
      write('reading', {
        point: pointOf(fingering.id, measure),
        value,
        typed: `${value} cents`,
        gauge,
        ...(temperature !== null && { temperature }),
      });
    const value = tenth(cents);
    const written = take('cents', value) && take('spread', tenth(spread));
    if (!written) return false;
    const lifted = isLift(step) ? `. ${liftWords(step)}` : '';
    setHeard(`${fingeringWords(fingering)} ${centsText(value)} cents taken${lifted}`);
    return true;
  };
  const asked = useRef(note);
  useEffect(() => {
    asked.current = note;
  });
  const ear = useListening((held) => {
    if (!asked.current) return;
    const as = whichNote(held.frequency, compass, asked.current);
    if (!as) return setHeard(`${held.frequency.toFixed(1)} Hz is near no name of this instrument. It was not taken.`);
    // It was asked for another: what was played may be the wrong note, or the asked one far off.
    if (as.fingering.id !== asked.current.id)
      return setHeard(
        `That is ${fingeringWords(as.fingering)}, not ${fingeringWords(asked.current)}. It was not taken.`,
      );
    if (put(as.fingering, as.cents, held, from)) next();
  });
  const listen = (by: HeardWith) => {
    if (ear.on) return ear.stop();
    if (isShut) return setHeard(readFirst);
    setFrom(by);
    setHeard('');
    ear.start(by === 'player' ? openPlayer(ticket, type, () => asked.current) : openMicrophone);
    input.current?.focus();
  };

  const anchor = noteAnchor(state, type);
  const cents = useMemo(() => notesBeside(state, type), [state, type]);
  useFirstFocus(input);
  useEffect(() => {
    const here = list.current?.children[at] as HTMLElement | undefined;
    if (here && list.current) list.current.scrollTop = here.offsetTop - list.current.clientHeight / 2;
  }, [at]);

  if (compass.length === 0)
    return (
      <Bands
        work={
          <>
            <SoundNav />
            <FingeredLike />
          </>
        }
        readout={<div className="readout-plain">Nothing to play</div>}
      />
    );

  const limit = noteLimit(state, type);
  const undo = () => {
    const standing = state.entries.filter(
      (entry) => entry.kind === 'reading' && entry.body.point.group === 'pitch' && !state.struck.has(entry.id),
    );
    const [before, last] = [standing.at(-2), standing.at(-1)];
    if (last?.kind !== 'reading') return;
    const { part, measure } = last.body.point;
    // What was heard is two figures: how far it is off, and how it wavers. They go together.
    const both = measure === 'spread' && before?.kind === 'reading' && before.body.point.part === part;
    for (const entry of both ? [last, before] : [last])
      if (!write('strike', { entry: entry.id, reason: 'undone while reading the pitch' })) return;
    setAt(
      Math.max(
        0,
        compass.findIndex((each) => each.id === part),
      ),
    );
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') undo();
    else if (event.ctrlKey || event.metaKey || event.altKey) return;
    else if (event.key === 'Enter') figure.take();
    else if (event.key === 'ArrowDown') next();
    else if (event.key === 'ArrowUp') setAt(Math.max(0, at - 1));
    else if (event.key.toLowerCase() === 'm') listen('microphone');
    else return;
    event.preventDefault();
  };
  const report = note ? (judgement.parts.get(`pitch:${note.id}`) ?? null) : null;
  const here = note ? notePitch(state, note.id) : null;
  const standing = here?.fresh.at(-1);
  const live = ear.hears === null ? null : whichNote(ear.hears, compass, note ?? undefined);
  return (
    <Bands
      work={
        <>
          <SoundNav />
          <div className="sound">
            <ol ref={list} className="part-list note-list" aria-label="Notes, lowest first">
              {compass.map((fingering, i) => {
                const read = notePitch(state, fingering.id);
                const own = judgement.parts.get(`pitch:${fingering.id}`)?.state;
                return (
                  <li key={fingering.id} className={i === at ? 'here' : undefined}>
                    <button
                      type="button"
                      className="plain"
                      aria-current={i === at ? 'true' : undefined}
                      onClick={() => {
                        setAt(i);
                        input.current?.focus();
                      }}
                    >
                      {fingeringWords(fingering)}
                    </button>
                    <span className="num" data-note={fingering.id}>
                      {read.mean === null ? '' : `${centsText(tenth(read.mean))} ¢`}
                    </span>
                    {own ? <StateMark state={own} word={false} /> : <span />}
                  </li>
                );
              })}
            </ol>
            <div className="sound-middle">
              <Hygiene onDone={() => input.current?.focus()} />
              <div className="sheet mb-0">
                <h2>Cents by note</h2>
                <CentsChart compass={compass} cents={cents} limit={limit} here={note?.id ?? null} />
                <p className="soft mb-0">
                  {anchor === null
                    ? 'Read five notes: then it is told how the whole instrument stands, and each note beside it.'
                    : `The whole instrument stands ${centsText(tenth(anchor))} cents from A4 = ${type.sound?.standard ?? 440} Hz: a player tunes that out. Notes are shown beside it, and may be ${limit} cents off.`}
                </p>
              </div>
            </div>
            <div className="sound-side">
              <div className="sheet mb-0">
                <h2>Listen</h2>
                <div className="d-flex gap-2 flex-wrap">
                  <Button aria-pressed={ear.on && from === 'microphone'} onClick={() => listen('microphone')}>
                    {ear.on && from === 'microphone' ? 'Stop listening' : 'Microphone'}
                  </Button>
                  {(devices?.places ?? 0) > 0 && (
                    <Button variant="quiet" aria-pressed={ear.on && from === 'player'} onClick={() => listen('player')}>
                      {ear.on && from === 'player' ? 'Stop the player' : 'Stand-in player'}
                    </Button>
                  )}
                </div>
                <p className="heard num" aria-hidden={!ear.on}>
                  {!ear.on
                    ? ''
                    : live
                      ? `${fingeringWords(live.fingering)} ${centsText(Math.round(live.cents))} ¢`
                      : ear.hears === null
                        ? '…'
                        : `${ear.hears.toFixed(0)} Hz`}
                </p>
                <p className="soft mb-2" role="status">
                  {ear.problem ?? (heard || 'Hold each note for a second. No sound is kept or sent.')}
                </p>
                <Recording
                  compass={compass}
                  onTake={(notes) => {
                    const taken = notes.filter(([fingering, off, held]) => put(fingering, off, held, 'recording'));
                    setHeard(`${taken.length} ${taken.length === 1 ? 'note' : 'notes'} taken from the recording`);
                  }}
                />
              </div>
              <GaugePanel figure={figure} readings={here?.fresh ?? []} warnings={report?.warnings ?? []} />
              <div className="sheet mb-0">
                <Form.Label htmlFor={`${id}-standard`}>Built for A4 at, Hz</Form.Label>
                <Form.Select
                  id={`${id}-standard`}
                  value={type.sound?.standard ?? 440}
                  onChange={(event) => {
                    if (!type.sound) return;
                    const standard = Number(event.target.value);
                    write('instrument-change', {
                      sound: { ...type.sound, standard },
                      reason: `pitch standard ${standard} Hz`,
                    });
                  }}
                >
                  {standards.map((hertz) => (
                    <option key={hertz} value={hertz}>
                      {hertz}
                    </option>
                  ))}
                </Form.Select>
              </div>
            </div>
          </div>
        </>
      }
      readout={
        <FigureReadout
          figure={figure}
          input={input}
          point={note ? pointOf(note.id, 'cents') : null}
          where={note ? fingeringWords(note) : ''}
          next={`${cents.size} of ${compass.length} read`}
          last={standing && note ? { reading: standing, point: pointOf(note.id, 'cents') } : null}
          unit={unit}
          verdict={report?.state ?? null}
          limit={`±${limit} cents, the whole in tune`}
          onKeyDown={onKeyDown}
        />
      }
    />
  );
}
