import type { PassState } from '../../corrections';
import type { MeasuredJob } from './measuredJob';
import { pointsOf, type MeasuringPoint, type ReadingState } from '../../readings';
import { boreAt, type InstrumentType } from '../../instruments';
import { clockDistance, learn, meanOf, toDegrees, toRadians, type Learned } from '../../metrology';
import type { Measure, MeasureGroup, PassKind } from '../../vocabulary';
import { groupsAnsweredHere, type GroupAnswers } from './groupAnswers';
import { enoughStations, lineStations, ofLine } from '../line/stations';

/** A point with the mean of what one generation of readings said there. */
export interface PointMean {
  point: MeasuringPoint;
  mean: number;
}

export interface PassEffect {
  pass: PassState;
  before: PointMean[];
  after: PointMean[];
}

const samplesWhere = (
  state: MeasuredJob,
  group: MeasureGroup,
  part: string,
  takes: (reading: ReadingState) => boolean,
): PointMean[] =>
  pointsOf(state, group, part).flatMap(({ point, readings }) => {
    const taken = readings.filter(takes);
    return taken.length === 0 ? [] : [{ point, mean: meanOf(taken.map(({ value }) => value)) }];
  });

/** What was read before and after each pass of one kind on a part: nothing but the readings decides what it did. */
function passEffects(state: MeasuredJob, kinds: readonly PassKind[], group: MeasureGroup, part: string): PassEffect[] {
  const passes = state.passes.filter((pass) => kinds.includes(pass.pass) && pass.group === group && pass.part === part);
  return passes.map((pass) => {
    const later = pointsOf(state, group, part).flatMap(({ readings }) => readings.filter(({ seq }) => seq > pass.seq));
    const first = later.reduce<ReadingState | null>((a, b) => (a && a.seq < b.seq ? a : b), null);
    const generation = first?.stale?.entry ?? null;
    return {
      pass,
      before: samplesWhere(state, group, part, ({ stale }) => stale?.entry === pass.entry),
      after: samplesWhere(
        state,
        group,
        part,
        ({ seq, stale }) => first !== null && seq > pass.seq && (stale?.entry ?? null) === generation,
      ),
    };
  });
}

/** The bend a set of sightings shows: angle in degrees and the clock it leans toward; null where they do not say (yet). */
function bendOf(samples: readonly PointMean[], line: GroupAnswers['line']): { angle: number; toward: number } | null {
  const stations = lineStations(samples.filter(ofLine).map(({ point, mean }) => ({ ...point, mean })));
  if (stations.length < enoughStations) return null;
  // With no zone to stay in, whatever bend there is gets named, however small.
  const answer = line({ stations, limits: { zone: 0 } });
  return answer && { angle: answer.bend?.angleDegrees ?? 0, toward: answer.bend?.towardClock ?? 0 };
}

/** One straightening pass: what it was set to, and what of it stayed. */
export interface StraightenPass {
  entry: string;
  /** degrees */
  set: number;
  before: number;
  /** what is left of the bend after it, negative when it went past straight */
  after: number;
  /** the share of what was set that sprang back */
  returned: number;
  /** why nothing is learned from it; null where it teaches */
  aside: string | null;
}

/**
 * Every straightening pass of a part that was measured before and after.
 *
 * @param line who works out the bends: a page asks its worker, and a pass is left out until the answer is there
 */
export function straightenPasses(
  state: MeasuredJob,
  part: string,
  line: GroupAnswers['line'] = groupsAnsweredHere.line,
): StraightenPass[] {
  return passEffects(state, ['straighten'], 'body-line', part).flatMap(({ pass, before, after }) => {
    const [from, to] = [bendOf(before, line), bendOf(after, line)];
    const set = pass.amount ?? 0;
    if (!from || !to || set <= 0) return [];
    const left = to.angle * Math.cos(toRadians(clockDistance(to.toward, from.toward)));
    return [
      {
        entry: pass.entry,
        set,
        before: from.angle,
        after: left,
        returned: 1 - (from.angle - left) / set,
        aside: pass.aside,
      },
    ];
  });
}

/** More than this of a set does not spring back in any metal worth bending. */
const mostReturn = 0.9;

/** How much of a bend springs back on this part, as its own passes have shown; between 0 and 0.9. */
export function learnedReturn(passes: readonly Pick<StraightenPass, 'returned' | 'aside'>[]): Learned | null {
  const learned = learn(passes.flatMap(({ returned, aside }) => (aside === null ? [returned] : [])));
  return learned && { ...learned, value: Math.min(mostReturn, Math.max(0, learned.value)) };
}

/** One push that turned a bell: what it was set to, what it left, what came back of it. */
export interface TurnPass {
  entry: string;
  /** degrees, as the hand set it */
  set: number;
  /** degrees the bell stood turned by the witness marks, before and after; null where they were not read */
  before: number | null;
  after: number | null;
  /** mm the reference key stood open more at the front than at the back, before and after; null where not read */
  keyBefore: number | null;
  keyAfter: number | null;
  /** the share of what was set that came back; null where the marks do not tell */
  returned: number | null;
  /** why nothing is learned from it; null where it teaches */
  aside: string | null;
}

type Section = InstrumentType['sections'][number];

/**
 * How far a bell stands turned by its witness marks, clockwise seen from the mouthpiece.
 *
 * @param marks at least one
 * @returns `off` mm at the marks, `turned` degrees
 */
export function bellTurn(section: Section, marks: readonly PointMean[]): { off: number; turned: number } {
  const off = meanOf(marks.map(({ mean }) => mean));
  const radius = meanOf(marks.map(({ point }) => boreAt(section, point.at ?? 0) / 2 + section.wall));
  return { off, turned: toDegrees(off / radius) };
}

/** Degrees a bell stands turned; null where no mark was read. */
function turnedBy(samples: readonly PointMean[], section: Section): number | null {
  const marks = samples.filter(({ point }) => point.measure === 'mark-gap');
  return marks.length === 0 ? null : bellTurn(section, marks).turned;
}

/** How much more the reference key is open at the front than at the back; null where both were not read. */
function keyLeans(samples: readonly PointMean[]): number | null {
  const gapAt = (clock: number) => samples.find(({ point }) => point.measure === 'key-gap' && point.clock === clock);
  const [front, back] = [gapAt(0), gapAt(180)];
  return front && back ? front.mean - back.mean : null;
}

/** Every push that turned a bell, with what its marks and its reference key said before and after, oldest first. */
export function turnPasses(state: MeasuredJob, type: InstrumentType, part: string): TurnPass[] {
  const section = type.sections.find(({ id }) => id === part);
  if (!section) return [];
  return passEffects(state, ['turn-bell'], 'body-line', part).map(({ pass, before, after }) => {
    const [from, to] = [turnedBy(before, section), turnedBy(after, section)];
    const set = pass.amount ?? 0;
    return {
      entry: pass.entry,
      set,
      before: from,
      after: to,
      keyBefore: keyLeans(before),
      keyAfter: keyLeans(after),
      returned: from === null || to === null || set <= 0 ? null : 1 - Math.abs(from - to) / set,
      aside: pass.aside,
    };
  });
}

export const tenonZones = ['shoulder', 'middle', 'leading'] as const;
export type TenonZone = (typeof tenonZones)[number];
/** What a pass of the tool does in each third, and what that is counted in. */
export interface ZoneGrowth extends Record<TenonZone, Learned | null> {
  /** clicks of the tool where they were written down, else whole passes */
  per: 'click' | 'pass';
}

/** Mean diameter of a tenon in its first, middle and last third, from the shoulder. */
function thirds(samples: readonly PointMean[], measure: Measure): Partial<Record<TenonZone, number>> {
  const taken = samples.filter(({ point }) => point.measure === measure);
  const ats = taken.map(({ point }) => point.at ?? 0);
  const [from, to] = [Math.min(...ats), Math.max(...ats)];
  const zone = (at: number): TenonZone =>
    tenonZones[Math.min(2, Math.floor((3 * (at - from)) / Math.max(1e-9, to - from)))] ?? 'leading';
  const means: Partial<Record<TenonZone, number>> = {};
  for (const each of tenonZones) {
    const here = taken.filter(({ point }) => zone(point.at ?? 0) === each);
    if (here.length > 0) means[each] = meanOf(here.map(({ mean }) => mean));
  }
  return means;
}

/**
 * How much one pass of the tool grows (or, shrinking, takes from) each third of this tenon, mm on the diameter. Where
 * clicks of the tool were written down, how much one click does: then passes of which nobody wrote them teach nothing.
 */
export function learnedSteps(state: MeasuredJob, part: string, kind: 'expand' | 'shrink'): ZoneGrowth {
  const effects = passEffects(state, [kind], 'joint', part)
    .filter(({ pass }) => pass.aside === null)
    .map(({ pass, before, after }) => ({
      clicks: pass.amount ?? 0,
      before: thirds(before, 'tenon'),
      after: thirds(after, 'tenon'),
    }));
  const per = effects.some(({ clicks }) => clicks > 0) ? 'click' : 'pass';
  const counted = per === 'pass' ? effects.map((each) => ({ ...each, clicks: 1 })) : effects;
  const of = (zone: TenonZone) =>
    learn(
      counted.flatMap(({ clicks, before, after }) => {
        const [a, b] = [before[zone], after[zone]];
        return a === undefined || b === undefined || clicks <= 0 ? [] : [(b - a) / clicks];
      }),
    );
  return { shoulder: of('shoulder'), middle: of('middle'), leading: of('leading'), per };
}
