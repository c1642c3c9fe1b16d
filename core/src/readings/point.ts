import type { FromSchema } from 'json-schema-to-ts';
import { measuring_point } from '../generated/gauges.js';
import type { Problem } from '../solvers/contract';
import { problemsWith } from '../validation';
import type { MeasureGroup } from '../vocabulary';
import type { measuringPointSchema } from './point.schema';
import type { PointState } from './readingState';

/** A place where a figure is taken. */
export type MeasuringPoint = FromSchema<typeof measuringPointSchema>;

/** Problems with the form of a document that should be a measuring point. */
export const pointProblems = (data: unknown): Problem[] => problemsWith(measuring_point, data);

/**
 * The key of a measuring point.
 *
 * @example pointKey({ group: 'pad', part: 'low-e', measure: 'gap', clock: 45 }) // => "pad:low-e:gap@45"
 */
export const pointKey = ({ group, part, measure, clock, at, held }: MeasuringPoint): string =>
  `${group}:${part}:${measure}@${clock}${at === undefined ? '' : `/${at}`}${heldKey(held)}`;

/**
 * With which keys held down, in words; nothing where none was.
 *
 * @example heldWords(['e-key', 'f-key'], (part) => part.replace('-', ' ')) // => " with e key and f key down"
 */
export const heldWords = (held: readonly string[] | undefined, name: (part: string) => string): string =>
  held === undefined || held.length === 0 ? '' : ` with ${held.map(name).join(' and ')} down`;

/** Which keys were held down, as a part of a key; the order in which they were named says nothing. */
export const heldKey = (held: readonly string[] = []): string =>
  held.length === 0 ? '' : `+${[...held].sort().join('+')}`;

/** Somebody who answers for the points of a job: for one by its key, and for all of a part. */
export interface PointsAsked {
  get: (key: string) => PointState | undefined;
  ofPart: (group: string, part: string) => readonly PointState[];
}

const byPart = new WeakMap<ReadonlyMap<string, PointState>, ReadonlyMap<string, readonly PointState[]>>();

/** Every point of one part in one group that was ever read. Sorted out once for each state: every report asks. */
export function pointsOf(
  { points }: { readonly points: ReadonlyMap<string, PointState> | PointsAsked },
  group: MeasureGroup | string,
  part: string,
): readonly PointState[] {
  if ('ofPart' in points) return points.ofPart(group, part);
  let sorted = byPart.get(points);
  if (!sorted) {
    const lists = new Map<string, PointState[]>();
    for (const state of points.values()) {
      const key = `${state.point.group}:${state.point.part}`;
      const list = lists.get(key);
      if (list) list.push(state);
      else lists.set(key, [state]);
    }
    sorted = lists;
    byPart.set(points, sorted);
  }
  return sorted.get(`${group}:${part}`) ?? [];
}

/**
 * Does a pattern `group:part` or `group:*` speak of this group and part?
 *
 * @example matchesMeasure('rim:*', 'rim', 'low-e') // => true
 */
export const matchesMeasure = (pattern: string, group: MeasureGroup | string, part: string): boolean =>
  pattern === `${group}:${part}` || pattern === `${group}:*`;
