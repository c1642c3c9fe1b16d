import {
  parseLength,
  partsOfGroup,
  printLength,
  printWithUncertainty,
  unitOfMeasure,
  type InstrumentType,
  type LengthUnit,
  type Measure,
  type MeasureUnit,
} from '@holotonos/core';

/** Groups with a page of their own, in the order of the work. */
export const measuredGroups = [
  { id: 'body-line', words: 'Body line' },
  { id: 'bore', words: 'Bore' },
  { id: 'rim', words: 'Rims' },
  { id: 'joint', words: 'Joints' },
  { id: 'hinge', words: 'Hinges' },
  { id: 'pad', words: 'Pads' },
  { id: 'link', words: 'Links' },
  { id: 'spring', words: 'Springs' },
] as const;
export type MeasuredGroup = (typeof measuredGroups)[number]['id'];

export const isMeasuredGroup = (id: string | null): id is MeasuredGroup =>
  measuredGroups.some((each) => each.id === id);

/** The parts of a group in the order they are walked. */
export function partsToMeasure(type: InstrumentType, group: MeasuredGroup): string[] {
  if (group === 'rim') return type.holes.map(({ id }) => id);
  if (group !== 'pad') return partsOfGroup(type, group);
  const padded = new Set(type.pads.map(({ hole }) => hole));
  return type.holes.filter(({ id }) => padded.has(id)).map(({ id }) => id);
}

/** What is asked for, in words. */
export const measureWords: Record<Measure, string> = {
  'gap': 'gap at the lightest touch',
  'height': 'height',
  'diameter': 'diameter',
  'deviation': 'deviation outward from the true line',
  'tube-outer': 'outside of the hinge tube',
  'tube-inner': 'inside of the hinge tube',
  'tube-length': 'length of the hinge tube',
  'rod': 'diameter of the rod',
  'post-gap': 'gap between the posts',
  'tenon': 'tenon',
  'receiver': 'receiver',
  'leak': 'leak at 2.5 kPa, the joint alone',
  'force': 'force at the touch to seal',
  'lost-motion': 'lost motion',
};

/** The gauge off the shelf that usually takes a measure. */
export const gaugeFor: Record<Measure, string> = {
  'gap': 'feeler-film',
  'height': 'dial-indicator',
  'diameter': 'telescoping-gauge',
  'deviation': 'dial-indicator',
  'tube-outer': 'micrometer',
  'tube-inner': 'pin-gauges',
  'tube-length': 'micrometer',
  'rod': 'micrometer',
  'post-gap': 'micrometer',
  'tenon': 'micrometer',
  'receiver': 'bore-gauge',
  'leak': 'leak-tester',
  'force': 'force-gauge',
  'lost-motion': 'feeler-film',
};

/** The unit a figure is typed in: lengths in the unit of the job, all else in its own. */
export const typedUnit = (measure: Measure, unit: LengthUnit): string => {
  const own = unitOfMeasure(measure);
  return own === 'mm' ? unit : own;
};

/** A figure as it was typed, in the unit its measure is kept in, or what to type instead. */
export function parseFigure(
  text: string,
  measure: Measure,
  unit: LengthUnit,
): { ok: true; value: number } | { ok: false; problem: string } {
  if (unitOfMeasure(measure) !== 'mm') {
    const value = Number(text.trim().replace(',', '.').replace(/[−–]/, '-'));
    if (text.trim() === '' || !Number.isFinite(value)) return { ok: false, problem: 'Type a figure, for example 12.5' };
    return value < 0 ? { ok: false, problem: 'It cannot be less than 0.' } : { ok: true, value };
  }
  const parsed = parseLength(text, unit);
  if (!parsed.ok) return parsed;
  const { mm } = parsed;
  const signed = measure === 'deviation' || measure === 'height';
  if ((measure === 'gap' || measure === 'lost-motion') && mm < 0)
    return { ok: false, problem: measure === 'gap' ? 'A gap cannot be less than 0.' : 'It cannot be less than 0.' };
  if (!signed && measure !== 'gap' && measure !== 'lost-motion' && mm <= 0)
    return { ok: false, problem: `${measure === 'diameter' ? 'A diameter' : 'It'} must be more than 0.` };
  return { ok: true, value: mm };
}

/** A figure for a reader, with its unit and its uncertainty where it has one. */
export function printFigureOf(
  value: number,
  own: MeasureUnit | '°' | 'mm³',
  unit: LengthUnit,
  uncertainty: number | null = null,
): string {
  if (own === 'mm')
    return uncertainty === null ? printLength(value, unit) : printWithUncertainty(value, uncertainty, unit);
  const places = own === 'mm³' ? 0 : 2;
  const figure = (number: number) => number.toFixed(places).replace('-', '−');
  return uncertainty === null ? `${figure(value)} ${own}` : `${figure(value)} ± ${figure(uncertainty)} ${own}`;
}
