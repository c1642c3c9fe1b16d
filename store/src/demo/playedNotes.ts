import {
  compassOf,
  leaksByNote,
  soundNotes,
  soundOf,
  usualSlit,
  wallOf,
  type EntryBody,
  type Heard,
  type InstrumentType,
} from '@holotonos/core';

const heardOf = (loss: number): Heard => (loss < 1.5 ? 'clear' : loss < 4 ? 'fuzzy' : loss < 9 ? 'late' : 'silent');

/**
 * How the lowest notes come out while one pad does not seal: the instrument plays as the model has it.
 *
 * @param gap under the pad, mm
 */
export function playedNotes(type: InstrumentType, hole: string, gap: number, count: number): EntryBody<'played'>[] {
  const walls = wallOf(type);
  const wall = walls.map(({ id }) => id);
  const tube = soundOf(type, new Map(), walls);
  const slit = usualSlit(type, hole, gap);
  if (!tube || !slit) throw new Error(`${type.name} has no sound, or no pad at ${hole}`);
  const notes = soundNotes(tube, compassOf(type), wall);
  return leaksByNote(tube, notes, new Map([[hole, slit]]), wall)
    .slice(0, count)
    .map(({ id, loss }) => ({ fingering: id, heard: heardOf(loss) }));
}
