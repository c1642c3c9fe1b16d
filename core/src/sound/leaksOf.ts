import { gapsRead, padClocks, readPoint, type MeasuredJob } from '../measures';
import { isOpenStatus } from '../findings';
import { boreAt, placeOfPart, sectionStarts, type InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { airViscosity } from '../metrology';
import { matchesMeasure } from '../readings';
import { length, phrase, type Phrase } from '../units';
import { usualLand, usualReach, type Place } from './suspects';
import type { Slit, WallLeak } from './soundTube';

/** All that the leaks of a job are worked out from. */
export type LeakyJob = Pick<
  JobState,
  'points' | 'ticks' | 'observations' | 'operations' | 'byId' | 'practice' | 'tolerances' | 'passes' | 'findings'
>;

/** One place that lets air out, and how that is known. */
export interface KnownLeak {
  /** a hole, `joint:` and a joint, or `crack:` with the part it runs from and its finding */
  id: string;
  slit: Slit;
  words: Phrase;
  /** was its gap read, or does a look stand for one? */
  measured: boolean;
}

/** Thinner than this a gap is what every good pad has, mm. */
const noGap = 0.01;
/** What light, or a film that is free, stands for, mm: enough to see, too little to have been read. */
const lookedGap = 0.05;
/** Joints are tried at this pressure, Pa. */
const jointPressure = 2500;

const rim = (diameter: number, share: number) => Math.PI * diameter * share;

/** The gaps of a pad once all its positions were read, mm; null before. */
function allGaps(state: LeakyJob, hole: string): number[] | null {
  const gaps = gapsRead(state, hole).map(({ gap }) => gap);
  return gaps.length === padClocks.length ? gaps : null;
}

/** A pad’s gaps round the clock as one slit that passes as much: what passes grows with the cube of a gap. */
function slitOfGaps(diameter: number, gaps: readonly number[]): Slit | null {
  const open = gaps.filter((gap) => gap > noGap);
  if (open.length === 0) return null;
  const cubes = open.reduce((sum, gap) => sum + gap ** 3, 0) / open.length;
  return { width: rim(diameter, open.length / gaps.length), gap: Math.cbrt(cubes), land: usualLand };
}

/** Has work that is done moved this pad since? A look with the light is not struck out by it as a reading is. */
const isWorkedSince = ({ operations, byId }: LeakyJob, hole: string, since: number): boolean =>
  [...operations.values()].some(({ status, seq, entry }) => {
    const work = status === 'done' && seq > since ? byId.get(entry) : undefined;
    return work?.kind === 'operation-done' && work.body.disturbs.some((what) => matchesMeasure(what, 'pad', hole));
  });

/** What is known of a pad: its gaps where all were read, else the newer of light and tick. */
function padLeak(state: LeakyJob, hole: string, diameter: number): KnownLeak | null {
  const gaps = allGaps(state, hole);
  if (gaps) {
    const slit = slitOfGaps(diameter, gaps);
    return slit && { id: hole, slit, words: phrase`gap of ${length(slit.gap)} as read`, measured: true };
  }
  const light = state.observations.get(`light:${hole}`);
  const tick = state.ticks.get(`pad:${hole}`);
  const tickSeq = tick && tick.stale === null ? tick.seq : -1;
  if (light?.sectors && light.seq > tickSeq) {
    if (light.sectors.length === 0 || isWorkedSince(state, hole, light.seq)) return null;
    const slit = { width: rim(diameter, light.sectors.length / padClocks.length), gap: lookedGap, land: usualLand };
    return { id: hole, slit, words: ['light shows'], measured: false };
  }
  if (!tick || tickSeq === -1 || tick.verdict === 'good') return null;
  const slit = { width: rim(diameter, usualReach), gap: tick.film ?? lookedGap, land: usualLand };
  return { id: hole, slit, words: ['it was seen not to seal'], measured: false };
}

/** How high pads stand open, by hole, mm, as far as it was read. */
export const heightsOf = (state: MeasuredJob, type: InstrumentType): Map<string, number> =>
  new Map(
    type.pads.flatMap(({ hole }): [string, number][] => {
      const { mean } = readPoint(state, { group: 'pad', part: hole, measure: 'height', clock: 0 });
      return mean === null ? [] : [[hole, mean]];
    }),
  );

/** A slit as a pad of this hole would leak that nobody has looked at, mm. */
export const usualSlit = (type: InstrumentType, id: string, gap = lookedGap): Slit | null => {
  const pad = type.pads.find(({ hole }) => hole === id);
  if (pad) return { width: rim(pad.diameter, usualReach), gap, land: usualLand };
  return wallOf(type).find((wall) => wall.id === id)?.slit ?? null;
};

const wallId = (joint: string) => `joint:${joint}`;

/** The part a place is: a hole, the joint a leak of the wall is at, or what a crack runs from. */
export const partOfPlace = (place: string): string => place.replace(/^joint:/, '').replace(/^crack:([^:]+):.*$/, '$1');

/** What a place is. */
export const kindOfPlace = (place: string): 'pad' | 'joint' | 'crack' =>
  place.startsWith('joint:') ? 'joint' : place.startsWith('crack:') ? 'crack' : 'pad';

/** A crack that nobody has measured is so long, and stands so far open, mm. */
const crackLength = 15;
const crackGap = 0.06;

/** Open cracks as leaks of the wall they run through, at the place they were written down at. */
function cracksOf({ findings }: LeakyJob, type: InstrumentType): WallLeak[] {
  const starts = sectionStarts(type, 0);
  return [...findings.values()].flatMap(({ kind, part, place, status, finding }): WallLeak[] => {
    const at = kind === 'crack' && isOpenStatus(status) ? (place ?? placeOfPart(type, part)) : null;
    const section = at && type.sections.find(({ id }) => id === at.section);
    if (!at || !section) return [];
    const slit = { width: crackLength, gap: crackGap, land: section.wall };
    return [{ id: `crack:${part}:${finding}`, at: (starts.get(at.section) ?? 0) + at.at, slit }];
  });
}

/** Where each joint lies along the whole, and how wide it is there, mm. */
function jointsOf(type: InstrumentType): { id: string; joint: string; at: number; diameter: number; length: number }[] {
  const starts = sectionStarts(type, 0);
  return type.joints.flatMap(({ id, upper, length: deep }) => {
    const section = type.sections.find((each) => each.id === upper);
    if (!section) return [];
    const at = (starts.get(upper) ?? 0) + section.length;
    return [{ id: wallId(id), joint: id, at, diameter: boreAt(section, section.length), length: deep }];
  });
}

/** A joint as a slit that passes what its tester read, or what a look stands for. */
function jointLeak(
  state: LeakyJob,
  { id, joint, diameter, length: deep }: ReturnType<typeof jointsOf>[number],
): KnownLeak | null {
  const read = (measure: 'leak' | 'leak-baseline') =>
    readPoint(state, { group: 'joint', part: joint, measure, clock: 0 });
  const [leak, own] = [read('leak'), read('leak-baseline')];
  const width = rim(diameter, 1);
  if (leak.mean !== null) {
    const flow = Math.max(0, leak.mean - (own.mean ?? 0));
    if (flow === 0) return null;
    // mL/min to m³/s; Q = w·g³·Δp/(12·μ·land), for the gap.
    const gap = Math.cbrt((((flow * 1e-6) / 60) * 12 * airViscosity * deep) / (width * jointPressure)) * 1000;
    return {
      id,
      slit: { width, gap, land: deep },
      words: phrase`${{ value: flow, unit: 'mL/min' }} as read`,
      measured: true,
    };
  }
  const tick = state.ticks.get(`joint:${joint}`);
  if (!tick || tick.stale !== null || tick.says !== 'leaks') return null;
  return {
    id,
    slit: { width, gap: lookedGap, land: deep },
    words: ['it was found to leak'],
    measured: false,
  };
}

/** Joints as places of the wall that may leak, and the open cracks of a job. */
export const wallOf = (type: InstrumentType, state?: LeakyJob): WallLeak[] => [
  ...jointsOf(type).map(({ id, at, diameter, length: deep }) => ({
    id,
    at,
    slit: { width: rim(diameter, 1), gap: lookedGap, land: deep },
  })),
  ...(state ? cracksOf(state, type) : []),
];

/** Every place of the instrument that is known to let air out: pads as read or looked at, joints as tested. */
export function leaksOf(state: LeakyJob, type: InstrumentType): KnownLeak[] {
  const pads = type.pads.flatMap(({ hole, diameter }) => padLeak(state, hole, diameter) ?? []);
  const joints = jointsOf(type).flatMap((joint) => jointLeak(state, joint) ?? []);
  const cracks = cracksOf(state, type).map(({ id, slit }) => ({ id, slit, words: ['an open crack'], measured: false }));
  return [...pads, ...joints, ...cracks];
}

/** What a look adds to the odds of a place, in natural logarithms: one that was seen to leak is not picked by chance. */
const seenLeaking = 2.5;
/** One whose gaps were all read and that seals would have to have changed since. */
const readTight = -3;

/** Pads leak more often than joints. */
const joints = -1;

/**
 * Every place that may leak, with what the bench knows for and against it.
 *
 * @param leaks what is known to leak, from `leaksOf`
 */
export function placesOf(state: LeakyJob, type: InstrumentType, leaks: readonly KnownLeak[]): Place[] {
  const known = new Set(leaks.map(({ id }) => id));
  // All gaps read and no leak found of them: it is shut.
  const prior = (id: string) => (known.has(id) ? seenLeaking : allGaps(state, id) ? readTight : 0);
  return [
    ...type.pads.map(({ hole, diameter }) => ({ id: hole, around: rim(diameter, 1), prior: prior(hole) })),
    ...jointsOf(type).map(({ id, diameter }) => ({
      id,
      around: rim(diameter, 1),
      prior: known.has(id) ? seenLeaking : joints,
    })),
    ...cracksOf(state, type).map(({ id, slit }) => ({ id, around: slit.width, prior: seenLeaking })),
  ];
}
