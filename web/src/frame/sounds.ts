'use client';

import type { MeasureState } from '@holotonos/core';
import { keepHere, keptHere, readKept, useKeptHere } from './keptHere';

const key = 'holotonos-sounds';
const isOn = (text: string) => (readKept(text) as { on?: unknown } | null)?.on === true;

/** Are there sounds in this browser, and a way to have them or not. There are none until somebody wants them. */
export function useSounds(): { on: boolean; turn: (on: boolean) => void } {
  return { on: isOn(useKeptHere(key)), turn: (on) => keepHere(key, { on }) };
}

/** One stroke of a sound: where it begins, how long it rings, s, how high it is, Hz. */
export interface Stroke {
  at: number;
  rings: number;
  pitch: number;
}
/** How loud the strokes are: a tick beside the work, not an alarm. */
const loudness = 0.06;

/** What a reading sounds like once it is judged: one high tick, or two low knocks where it lies outside. */
export const strokesOf = (state: MeasureState | null): readonly Stroke[] =>
  state === 'outside'
    ? [
        { at: 0, rings: 0.07, pitch: 330 },
        { at: 0.11, rings: 0.07, pitch: 262 },
      ]
    : [{ at: 0, rings: 0.03, pitch: 1320 }];

let context: AudioContext | null = null;

/** Sounds a reading that was taken, where sounds are wanted. A browser without them stays silent. */
export function soundReading(state: MeasureState | null): void {
  if (!isOn(keptHere(key)) || typeof AudioContext === 'undefined') return;
  context ??= new AudioContext();
  void context.resume().catch(() => undefined);
  for (const { at, rings, pitch } of strokesOf(state)) {
    const [tone, gain] = [context.createOscillator(), context.createGain()];
    const from = context.currentTime + at;
    tone.frequency.value = pitch;
    gain.gain.setValueAtTime(loudness, from);
    gain.gain.exponentialRampToValueAtTime(0.0001, from + rings);
    tone.connect(gain).connect(context.destination);
    tone.start(from);
    tone.stop(from + rings);
  }
}
