import {
  compassOf,
  gaugeOfReading,
  hiddenInstrument,
  pitchesOf,
  type EntryBody,
  type InstrumentType,
} from '@holotonos/core';

/** A recording is heard as surely as a microphone, cents. */
const recording = gaugeOfReading({
  id: 'recording',
  name: 'Recording',
  kind: 'pitch-meter',
  resolution: 0.1,
  maxPermissibleError: 1,
  calibratedOn: null,
  calibrateEvery: 12,
});

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
        gauge: recording,
        temperature,
      },
    ];
  });
}
