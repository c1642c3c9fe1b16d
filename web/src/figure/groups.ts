import {
  isSigned,
  padsDownTheTube,
  parseNumber,
  parseQuantity,
  partsOfGroup,
  shareOfScale,
  unitOfMeasure,
  type InstrumentType,
  type LengthUnit,
  type Measure,
  type MeasuringPoint,
  type OwnScale,
  type ParsedQuantity,
} from '@holotonos/core';
import type { StripTarget } from '@/tube/StripControl';

/** Groups with a page of their own, in the order of the work. */
export const measuredGroups = [
  { id: 'body-line', words: 'Body line' },
  { id: 'bore', words: 'Bore' },
  { id: 'rim', words: 'Rims' },
  { id: 'post', words: 'Posts' },
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
  if (group === 'pad') return padsDownTheTube(type).map(({ hole }) => hole);
  return partsOfGroup(type, group);
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
  'lateness': 'how late the follower lands, less than 0 where it lands first',
  'lean': 'lean from upright',
  'run-out': 'run-out, turned between its ends',
  'rise-and-fall': 'rise and fall, the screw backed out with no load',
  'wear': 'wear of point and seat',
  'cone-angle': 'angle of the cone',
  'cork': 'diameter over the cork',
  'leak-baseline': 'leak of the tester itself, closed, at 2.5 kPa',
  'leak-scale': 'leak on the scale of the tester',
  'leak-scale-baseline': 'the tester itself on its own scale, closed',
  'weight': 'weight at the touch, spring off',
  'stand': 'pad stand above the edge of the cup',
  'setter': 'height of the screw, washer or grommet',
  'cup': 'diameter of the cup, inside',
  'cup-depth': 'depth of the cup, inside',
  'mark-gap': 'gap at the witness mark, clockwise more than 0',
  'key-gap': 'gap under the reference key',
  'end-play': 'end play, felt directly',
  'arm': 'arm, from the rod to the middle of the pad',
  'cents': 'how far from its name, less than 0 where it is flat,',
  'spread': 'how much it wavers while it is held',
};

/** What is asked for at a point, in words; the same measure means different things in different groups. */
export function askWords({ group, measure }: MeasuringPoint): string {
  if (group === 'post')
    return (
      { 'post-gap': 'gap to the post above it', 'height': 'height of the post' }[measure as string] ??
      measureWords[measure]
    );
  if (group === 'rim') return `${measure === 'height' ? 'rim' : 'hole'} ${measureWords[measure]}`;
  if (group === 'pad' && measure === 'height') return 'opening height';
  if (group === 'bore') return 'bore diameter';
  return measureWords[measure];
}

/** Measures that are taken when somebody wants them; nothing waits for them. */
const wantedOnly: readonly Measure[] = [
  'run-out',
  'mark-gap',
  'key-gap',
  'leak',
  'leak-baseline',
  'leak-scale',
  'leak-scale-baseline',
  'cork',
  'weight',
  'stand',
  'setter',
  'cup',
  'cup-depth',
  'end-play',
  'arm',
  'lateness',
];
export const isOptional = ({ group, measure }: MeasuringPoint): boolean =>
  (wantedOnly.includes(measure) && !(group === 'hinge' && measure === 'run-out')) ||
  (group === 'rim' && measure === 'diameter') ||
  (group === 'pad' && measure === 'height');

/** The unit a figure is typed in: lengths in the unit of the job, all else in its own. */
export const typedUnit = (measure: Measure, unit: LengthUnit, scale?: OwnScale): string => {
  if (scale) return scale.unit;
  const own = unitOfMeasure(measure);
  return own === 'mm' ? unit : own;
};

/** Measures that may well be nothing at all. */
const zeroAllowed: readonly Measure[] = [
  'gap',
  'lost-motion',
  'run-out',
  'rise-and-fall',
  'wear',
  'key-gap',
  'end-play',
];

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
  const fromZero = zeroAllowed.includes(measure);
  if (fromZero && value < 0)
    return { ok: false, problem: measure === 'gap' ? 'A gap cannot be less than 0.' : 'It cannot be less than 0.' };
  if (!isSigned(measure) && !fromZero && value <= 0)
    return { ok: false, problem: `${measure === 'diameter' ? 'A diameter' : 'It'} must be more than 0.` };
  return parsed;
}

/** What can be gone to on the strip while a group is measured. */
export const targetsOfGroup: Record<MeasuredGroup, readonly StripTarget[]> = {
  'body-line': ['sections'],
  'bore': ['sections'],
  'rim': ['holes'],
  'post': ['posts'],
  'joint': ['joints'],
  'hinge': ['rods', 'keys'],
  'pad': ['holes'],
  'link': ['holes'],
  'spring': ['keys'],
};
