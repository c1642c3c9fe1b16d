import {
  allGroups,
  groupNamed,
  isFromZero,
  isSigned,
  parseNumber,
  parseQuantity,
  partsOfGroup,
  shareOfScale,
  unitOfMeasure,
  type InstrumentType,
  type LengthUnit,
  type Measure,
  type MeasureGroup,
  type OwnScale,
  type ParsedQuantity,
} from '@holotonos/core';
import type { StripTarget } from '@/tube/StripControl';

/** Groups with a page of their own, in the order of the work. */
export const measuredGroups = allGroups().flatMap((id) => {
  const heading = groupNamed(id)?.heading;
  return heading ? [{ id, words: heading }] : [];
});
export type MeasuredGroup = MeasureGroup;

export const isMeasuredGroup = (id: string | null): id is MeasuredGroup =>
  measuredGroups.some((each) => each.id === id);

/** The parts of a group in the order they are walked. */
export const partsToMeasure = (type: InstrumentType, group: MeasuredGroup): string[] =>
  groupNamed(group)?.walk?.(type) ?? partsOfGroup(type, group);

/** The unit a figure is typed in: lengths in the unit of the job, all else in its own. */
export const typedUnit = (measure: Measure, unit: LengthUnit, scale?: OwnScale): string => {
  if (scale) return scale.unit;
  const own = unitOfMeasure(measure);
  return own === 'mm' ? unit : own;
};

/** A figure as it was typed, in the unit its measure is kept in, or what to type instead. */
export function readFigure(text: string, measure: Measure, unit: LengthUnit, scale?: OwnScale): ParsedQuantity {
  const own = unitOfMeasure(measure);
  if (scale) {
    const shown = parseNumber(text.trim().toLowerCase().replace(scale.unit.toLowerCase(), '').trim());
    if (shown === null) return { ok: false, problem: `Type what it shows, for example ${scale.closed}` };
    return { ok: true, value: shareOfScale(shown, scale) };
  }
  const parsed = parseQuantity(text, own, unit);
  if (!parsed.ok) return parsed;
  const { value } = parsed;
  if (own !== 'mm')
    return value < 0 && !isSigned(measure) && measure !== 'lean'
      ? { ok: false, problem: 'It cannot be less than 0.' }
      : parsed;
  const fromZero = isFromZero(measure);
  if (fromZero && value < 0)
    return { ok: false, problem: measure === 'gap' ? 'A gap cannot be less than 0.' : 'It cannot be less than 0.' };
  if (!isSigned(measure) && !fromZero && value <= 0)
    return { ok: false, problem: `${measure === 'diameter' ? 'A diameter' : 'It'} must be more than 0.` };
  return parsed;
}

/** What can be gone to on the strip while a group is measured. */
export const targetsOfGroup = (group: MeasuredGroup): readonly StripTarget[] => groupNamed(group)?.lies ?? [];
