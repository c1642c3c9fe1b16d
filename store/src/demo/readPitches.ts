import {
  compassOf,
  heardWith,
  hiddenInstrument,
  pitchesOf,
  type EntryBody,
  type InstrumentType,
} from '@holotonos/core';

/** The notes of a made-up instrument as they were heard in a recording of it, the main fingering of each. */
export function readPitches(ticket: string, type: InstrumentType, temperature: number): EntryBody<'reading'>[] {
  const pitches = pitchesOf(type, hiddenInstrument(ticket, type));
  return compassOf(type).flatMap(({ id, alternative }) => {
    const cents = pitches.get(id);
    if (cents === undefined || alternative !== null) return [];
    const value = Math.round(cents * 10) / 10;
    return [
      {
        point: { group: 'pitch', part: id, measure: 'cents', clock: 0 } as const,
        value,
        typed: `${value} cents`,
        gauge: heardWith.recording,
        temperature,
      },
    ];
  });
}
