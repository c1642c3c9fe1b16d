import type { Measure } from '../vocabulary';

export type MeasureUnit = 'mm' | 'N' | 'mL/min' | '°' | '%' | 'cents';

interface MeasureFacts {
  /** what is asked for, where its group has no other name for it */
  words: string;
  /** the unit it is kept in, where that is no length */
  unit?: MeasureUnit;
  /** read either way of a line, a mark or a name; all others are sizes */
  signed?: true;
  /** may well be nothing at all */
  fromZero?: true;
  /** taken when somebody wants it; nothing waits for it */
  wanted?: true;
}

/** Everything that is true of a measure whichever group it is taken in. */
export const measureTable: Record<Measure, MeasureFacts> = {
  'gap': { words: 'gap at the lightest touch', fromZero: true },
  'height': { words: 'height', signed: true },
  'diameter': { words: 'diameter' },
  'deviation': { words: 'deviation outward from the true line', signed: true },
  'tube-outer': { words: 'outside of the hinge tube' },
  'tube-inner': { words: 'inside of the hinge tube' },
  'tube-length': { words: 'length of the hinge tube' },
  'rod': { words: 'diameter of the rod' },
  'post-gap': { words: 'gap between the posts' },
  'tenon': { words: 'tenon' },
  'receiver': { words: 'receiver' },
  'leak': { words: 'leak at 2.5 kPa, the joint alone', unit: 'mL/min', wanted: true },
  'force': { words: 'force at the touch to seal', unit: 'N' },
  'lost-motion': { words: 'lost motion', fromZero: true },
  'lateness': { words: 'how late the follower lands, less than 0 where it lands first', signed: true, wanted: true },
  'lean': { words: 'lean from upright', unit: '°' },
  'run-out': { words: 'run-out, turned between its ends', fromZero: true, wanted: true },
  'rise-and-fall': { words: 'rise and fall, the screw backed out with no load', fromZero: true },
  'wear': { words: 'wear of point and seat', fromZero: true },
  'cone-angle': { words: 'angle of the cone', unit: '°' },
  'cork': { words: 'diameter over the cork', wanted: true },
  'leak-baseline': { words: 'leak of the tester itself, closed, at 2.5 kPa', unit: 'mL/min', wanted: true },
  // A scale that is the tester's own is kept as a share of the way from its closed to its open mark.
  'leak-scale': { words: 'leak on the scale of the tester', unit: '%', wanted: true },
  'leak-scale-baseline': { words: 'the tester itself on its own scale, closed', unit: '%', wanted: true },
  'weight': { words: 'weight at the touch, spring off', unit: 'N', wanted: true },
  'stand': { words: 'pad stand above the edge of the cup', wanted: true },
  'setter': { words: 'height of the screw, washer or grommet', wanted: true },
  'cup': { words: 'diameter of the cup, inside', wanted: true },
  'cup-depth': { words: 'depth of the cup, inside', wanted: true },
  'mark-gap': { words: 'gap at the witness mark, clockwise more than 0', signed: true, wanted: true },
  'key-gap': { words: 'gap under the reference key', fromZero: true, wanted: true },
  'end-play': { words: 'end play, felt directly', fromZero: true, wanted: true },
  'arm': { words: 'arm, from the rod to the middle of the pad', wanted: true },
  'cents': { words: 'how far from its name, less than 0 where it is flat', unit: 'cents', signed: true },
  'spread': { words: 'how much it wavers while it is held', unit: 'cents' },
};

/** The unit a measure is kept in. */
export const unitOfMeasure = (measure: Measure): MeasureUnit => measureTable[measure].unit ?? 'mm';

/** Figures that are read either way of a line, a mark or a name; all others are sizes. */
export const isSigned = (measure: Measure): boolean => measureTable[measure].signed ?? false;

/** May it well be nothing at all? */
export const isFromZero = (measure: Measure): boolean => measureTable[measure].fromZero ?? false;
