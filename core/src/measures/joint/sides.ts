import { interpolate } from '../../metrology';

/** What is said where the two sides were read over different depths. */
export const noOverlap = ['Tenon and receiver do not overlap: read the depths again.'] as const;

/** One side of a joint: its diameters at each depth from the shoulder, mm. */
export type JointSide = { at: number; diameters: number[] }[];

/** How far the two sides stand apart at one depth when the wrong places meet, and when the worst do not. */
export interface LocalGap {
  at: number;
  widest: number;
  narrowest: number;
}

/** Least and largest diameter along one side, between its stations straight. */
const edge = (side: JointSide, pick: (...diameters: number[]) => number) => {
  const line = side.map(({ at, diameters }) => ({ at, value: pick(...diameters) }));
  return (at: number) => interpolate(line, at);
};

/**
 * Gaps as they are met: a tenon turns in its receiver, so the widest place of one can come to the narrowest of the
 * other. Means that agree say nothing of a joint that is not round.
 */
export function localGaps(tenon: JointSide, receiver: JointSide, places: readonly number[]): LocalGap[] {
  const [small, large] = [edge(tenon, Math.min), edge(tenon, Math.max)];
  const [narrow, wide] = [edge(receiver, Math.min), edge(receiver, Math.max)];
  return places.map((at) => ({ at, widest: wide(at) - small(at), narrowest: narrow(at) - large(at) }));
}
