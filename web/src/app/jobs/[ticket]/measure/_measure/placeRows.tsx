'use client';

import {
  along,
  groupNamed,
  isFurtherStation,
  isWanted,
  pointKey,
  pointsOfPart,
  pointWords,
  printPhrase,
  printQuantity,
  referenceKey,
  type ConformityOutput,
  type InstrumentType,
  type JobJudgement,
  type JobState,
  type LengthUnit,
  type MeasureState,
  type MeasuringPoint,
  type PointReading,
} from '@holotonos/core';
import { StateMark } from '@/ui/StateMark';
import type { MeasuredGroup } from '@/figure/groups';

export const quarterClocks = [0, 90, 180, 270] as const;

/** A position of a part with what is known at it, as a line of the table. */
export interface Row extends PointReading {
  key: string;
  place: string;
  state: MeasureState;
  conformity: ConformityOutput | null;
  optional: boolean;
}

/** Where on its part a point lies, as short as can be understood beside the others of its group. */
export function place(point: MeasuringPoint, unit: LengthUnit, type: InstrumentType): string {
  const { group, measure, clock, at } = point;
  const gauge = measure === 'key-gap' && at !== undefined ? referenceKey(type, point.part, at) : null;
  if (gauge) return `key of ${gauge.name}, ${clock}°`;
  const { spots, round } = groupNamed(group) ?? {};
  const spot = spots?.[measure];
  if (spot !== undefined) return spot;
  if (round) return `${measure === 'diameter' ? 'across ' : ''}${clock}°`;
  if (at === undefined) return printPhrase(pointWords(point), unit);
  const station = printQuantity(along(at), unit);
  if (measure === 'run-out') return `run-out at ${station}`;
  return `${group === 'joint' ? `${measure} ` : measure === 'mark-gap' ? 'mark ' : ''}${station}, ${clock}°`;
}

export const clockName = (clock: number) => ({ 0: 'front', 90: 'right', 180: 'hinge', 270: 'left' })[clock] ?? '';

/** The positions of one part with what is known at each. */
export function rowsOf(
  state: JobState,
  type: InstrumentType,
  judgement: JobJudgement,
  group: MeasuredGroup,
  part: string,
): Row[] {
  const pad = judgement.pads.get(part);
  const rim = judgement.rims.get(part);
  const row = <T extends PointReading>(point: T) => ({
    ...point,
    key: pointKey(point.point),
    place: place(point.point, state.unit, type),
  });
  const more = (point: PointReading): Row => ({
    ...row(point),
    state: point.fresh.length > 0 ? 'within' : point.stale.length > 0 ? 'stale' : 'unmeasured',
    conformity: null,
    optional: isWanted(point.point) || isFurtherStation(type, point.point),
  });
  if (group === 'pad')
    return [
      ...(pad?.points ?? []).map((point) => ({ ...row(point), optional: false })),
      ...pointsOfPart(state, type, group, part)
        .filter(({ point }) => point.measure !== 'gap')
        .map(more),
    ];
  if (group === 'rim')
    return [...(rim?.heights ?? []), ...(rim?.diameters ?? [])].map((point) => ({
      ...row(point),
      conformity: null,
      optional: isWanted(point.point),
    }));
  return pointsOfPart(state, type, group, part).map(more);
}

/** A gap has a verdict of its own; a height or diameter is only read, and the rim judged as a whole. */
export function rowState({ state, optional, conformity, mean }: Row) {
  if (state === 'unmeasured') return optional ? null : <StateMark state={state} word={false} />;
  return conformity || mean === null ? <StateMark state={state} /> : <span className="soft">read</span>;
}
