'use client';

import type { Listener, SteadyNote } from '@holotonos/core/listening';
import { centsOf } from '@holotonos/core/tuning';
import { useCallback, useEffect, useRef, useState } from 'react';

/** Something that gives sound piece by piece until it is shut off. */
export interface Source {
  rate: number;
  close: () => void;
}
export type OpenSource = (give: (piece: Float32Array) => void) => Promise<Source>;

export interface Ear {
  /** what is heard just now, Hz; null in silence or before it listens */
  hears: number | null;
  /** how long it has been held, seconds */
  held: number;
  on: boolean;
  /** the note under way, look by look, cents from where it began; the newest last */
  trace: readonly number[];
  /** why it cannot listen */
  problem: string | null;
  start: (open: OpenSource) => void;
  stop: () => void;
}

/** A note that is held for so long is taken; it need not end first. Seconds. */
const longEnough = 1;

/** The first looks of a note belong to the tongue, seconds; and ten seconds of looks are drawn. */
const shortest = 0.05;
const mostTraced = 240;

/** What stands between the page and a microphone, in words. */
function whyNot(error: unknown): string {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'NotAllowedError')
    return 'The browser was told not to let this page hear. Allow the microphone, and press again.';
  if (name === 'NotFoundError')
    return 'There is no microphone at this machine. Figures can be typed, a recording can be dropped in.';
  return 'The microphone could not be opened. Figures can be typed, a recording can be dropped in.';
}

/** The microphone of this machine, raw: nothing that makes speech clearer may bend a pitch. */
export const openMicrophone: OpenSource = async (give) => {
  // Browsers give no microphone to a page that came over a plain line from another machine.
  if (!navigator.mediaDevices) throw new DOMException('', 'NotFoundError');
  const stream = await navigator.mediaDevices.getUserMedia({
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
  });
  const context = new AudioContext();
  try {
    await context.audioWorklet.addModule('/listen.worklet.js');
    await context.resume();
  } catch (error) {
    for (const track of stream.getTracks()) track.stop();
    void context.close();
    throw error;
  }
  const tap = new AudioWorkletNode(context, 'tap', { numberOfOutputs: 0 });
  tap.port.onmessage = ({ data }: MessageEvent<Float32Array>) => give(data);
  context.createMediaStreamSource(stream).connect(tap);
  return {
    rate: context.sampleRate,
    close: () => {
      for (const track of stream.getTracks()) track.stop();
      void context.close();
    },
  };
};

/**
 * Listens to a source and hands on each note that is held, once. No sound is kept.
 *
 * @param onNote a note that was held for a second
 * @param onHeld the same note again, as long as it goes on: a key that lifts does so after a while
 */
export function useListening(onNote: (note: SteadyNote) => void, onHeld?: (note: SteadyNote) => void): Ear {
  const [now, setNow] = useState<{ hears: number | null; held: number }>({ hears: null, held: 0 });
  const [trace, setTrace] = useState<readonly number[]>([]);
  const [on, setOn] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  /** closes what is open; what is still being opened belongs to its own turn */
  const open = useRef<Source | null>(null);
  const turn = useRef(0);
  const told = useRef({ onNote, onHeld });
  useEffect(() => {
    told.current = { onNote, onHeld };
  });
  const stop = useCallback(() => {
    turn.current += 1;
    open.current?.close();
    open.current = null;
    setOn(false);
    setNow({ hears: null, held: 0 });
  }, []);
  useEffect(() => stop, [stop]);

  const start = (openSource: OpenSource) => {
    stop();
    setProblem(null);
    setTrace([]);
    const mine = turn.current;
    let listener: Listener | null = null;
    let taken = false;
    let began = 0;
    const waiting: Float32Array[] = [];
    const hear = (piece: Float32Array) => {
      if (turn.current !== mine) return;
      if (!listener) return void waiting.push(piece);
      for (const { look, held } of listener.take(piece)) {
        setNow({ hears: look?.frequency ?? null, held });
        if (look) {
          if (held < 2 * shortest || began === 0) began = look.frequency;
          const cents = centsOf(look.frequency, began);
          setTrace((before) => (held < 2 * shortest ? [0] : [...before, cents].slice(-mostTraced)));
        }
        // Each run of looks is one note: it is taken once, and the next only after it.
        if (held < longEnough / 4) taken = false;
        if (held < longEnough || (taken && !told.current.onHeld)) continue;
        const note = listener.underWay;
        if (!note) continue;
        told.current.onHeld?.(note);
        if (!taken) told.current.onNote(note);
        taken = true;
      }
    };
    void Promise.all([openSource(hear), import('@holotonos/core/listening')]).then(
      ([source, { Listener: Ears }]) => {
        // Shut off while it was being opened.
        if (turn.current !== mine) return source.close();
        open.current = source;
        listener = new Ears(source.rate);
        setOn(true);
        for (const piece of waiting.splice(0)) hear(piece);
      },
      (error: unknown) => turn.current === mine && setProblem(whyNot(error)),
    );
  };
  return { ...now, on, trace, problem, start, stop };
}
