'use client';

import type { Fingering, InstrumentType } from '@holotonos/core';
import type { OpenSource } from './useListening';

const rate = 48_000;
const pieceLength = 2048;
/** How far the breath lies below a note, dB, and how long it is held, seconds. */
const above = 30;
const seconds = 1.5;

/**
 * The stand-in player: blows the notes of the made-up instrument of this ticket, each when it is asked for, as fast as a
 * person would. It stands in for a microphone and somebody in front of it.
 *
 * @param asked the note that is asked for; the player looks at the page as a person does
 */
export function openPlayer(ticket: string, type: InstrumentType, asked: () => Fingering | null): OpenSource {
  return async (give) => {
    const { hiddenInstrument, pitchesOf, playedSound } = await import('@holotonos/core/simulation');
    const pitches = pitchesOf(type, hiddenInstrument(ticket, type));
    let sound: Float32Array = new Float32Array();
    let at = 0;
    let seed = 1;
    const timer = setInterval(
      () => {
        if (at >= sound.length) {
          const note = asked();
          const cents = note && pitches.get(note.id);
          seed += 1;
          at = 0;
          // What does not speak is breath.
          sound = note
            ? playedSound([{ frequency: note.near * 2 ** ((cents ?? 0) / 1200), seconds, drift: (seed % 3) - 1 }], {
                family: type.family,
                rate,
                above: cents === undefined ? -30 : above,
                seed,
              })
            : new Float32Array(rate);
        }
        give(sound.subarray(at, at + pieceLength));
        at += pieceLength;
      },
      (1000 * pieceLength) / rate,
    );
    return { rate, close: () => clearInterval(timer) };
  };
}
