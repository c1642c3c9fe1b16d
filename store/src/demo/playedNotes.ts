import {
  compassOf,
  heardOf,
  leaksByNote,
  soundNotes,
  soundOf,
  usualSlit,
  wallOf,
  type EntryBody,
  type InstrumentType,
} from '@holotonos/core';

/**
 * How the lowest notes come out while one pad does not seal: the instrument plays as the model has it.
 *
 * @param gap under the pad, mm
 */
export function playedNotes(type: InstrumentType, hole: string, gap: number, count: number): EntryBody<'played'>[] {
  const walls = wallOf(type);
  const tube = soundOf(type, new Map(), walls);
  const slit = usualSlit(type, hole, gap);
  if (!tube || !slit) throw new Error(`${type.name} has no sound, or no pad at ${hole}`);
  const notes = soundNotes(
    tube,
    compassOf(type),
    walls.map(({ id }) => id),
  );
  return leaksByNote(tube, notes, new Map([[hole, slit]]))
    .slice(0, count)
    .map(({ id, loss }) => ({ fingering: id, heard: heardOf(loss) }));
}
