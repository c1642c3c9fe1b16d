import type { Family } from '../vocabulary';
import type { InstrumentType } from './instrumentType.schema';

/** A tube to begin with, by family: length, bore and wall, mm. Every figure of it counts as assumed. */
const tubes: Record<Family, { length: number; bore: number; wall: number; body: 'metal' | 'wood' }> = {
  flute: { length: 600, bore: 19, wall: 0.4, body: 'metal' },
  piccolo: { length: 300, bore: 10, wall: 3, body: 'wood' },
  clarinet: { length: 600, bore: 14.8, wall: 7, body: 'wood' },
  oboe: { length: 590, bore: 9, wall: 7, body: 'wood' },
  saxophone: { length: 1100, bore: 40, wall: 0.7, body: 'metal' },
  other: { length: 800, bore: 15, wall: 5, body: 'wood' },
};

/** The id of every type that is built while the instrument is on the bench. */
export const homeMadeId = 'home-made';

/** An instrument nobody here has met before: one tube, and everything still to be named. */
export function blankType(family: Family, name: string): InstrumentType {
  const { length, bore, wall, body } = tubes[family];
  return {
    format: 'holotonos-instrument-type',
    version: 1,
    id: homeMadeId,
    name,
    family,
    body,
    playTest: family,
    options: [],
    sections: [
      {
        id: 'tube',
        name: 'Tube',
        length,
        wall,
        bore: [
          { at: 0, diameter: bore },
          { at: length, diameter: bore },
        ],
        assumed: ['length', 'wall', 'bore'],
      },
    ],
    joints: [],
    holes: [],
    rods: [],
    posts: [],
    keys: [],
    pads: [],
    links: [],
    fittings: [],
    fingerings: [],
    rules: [],
    measuringPoints: [],
  };
}
