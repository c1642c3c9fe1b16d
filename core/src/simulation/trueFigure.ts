import { pitchesOf, usualSpread } from './truePitch';
import { annulusLeak } from '../joints';
import { referenceKey } from '../measures';
import { boreAt, postsOf, rodsOf, type InstrumentType } from '../instruments';
import type { MeasuringPoint } from '../readings';
import { toRadians } from '../metrology';
import { cupAcross, usualCupDepth, usualStand } from '../padSet';
import { trueGaps, trueRimHeight, type Chance, type TrueInstrument } from './trueInstrument';

/** Width of a post as it stands between hinge tubes, mm; a made-up figure like all of this folder. */
const postWidth = 3;
const cosine = (degrees: number) => Math.cos(toRadians(degrees));
/** What a leak tester loses by itself, mL/min. */
const testerBaseline = 0.8;
const coneAngle = 60;

/** The tubes that share a gap between two posts, with the gap. */
function spanOf(type: InstrumentType, key: InstrumentType['keys'][number]) {
  const rod = type.rods.find(({ id }) => id === key.rod);
  if (!rod) return null;
  const extent = (each: typeof key) => ({ from: each.from ?? rod.from, to: each.to ?? rod.to });
  const { from, to } = extent(key);
  const posts = postsOf(type, rod.id).map(({ at }) => at);
  const upper = Math.max(rod.from, ...posts.filter((at) => at <= (from + to) / 2));
  const lower = Math.min(rod.to, ...posts.filter((at) => at > (from + to) / 2));
  const mates = type.keys.filter((each) => {
    if (each.rod !== rod.id || each.nestsIn !== undefined) return false;
    const middle = (extent(each).from + extent(each).to) / 2;
    return middle >= upper && middle < lower;
  });
  const width = ({ from: a, to: b }: { from: number; to: number }) => Math.max(1, b - a);
  const share =
    width(extent(key)) /
    Math.max(
      1,
      mates.reduce((sum, each) => sum + width(extent(each)), 0),
    );
  return { gap: lower - upper - postWidth, mates, share };
}

/** The true length of a hinge tube: its share of the gap, less the play that all tubes there have together. */
function tubeLength(type: InstrumentType, truth: TrueInstrument, part: string): number | null {
  const key = type.keys.find(({ id }) => id === part);
  const span = key && spanOf(type, key);
  if (!span) return null;
  const play = span.mates.reduce((sum, { id }) => sum + (truth.hinges.get(id)?.endPlay ?? 0), 0);
  return (span.gap - play) * span.share;
}

function jointFigure(type: InstrumentType, truth: TrueInstrument, { part, measure, at = 0, clock }: MeasuringPoint) {
  const joint = type.joints.find(({ id }) => id === part);
  const own = truth.joints.get(part);
  const section = type.sections.find(({ id }) => id === joint?.upper);
  if (!joint || !own || !section) return null;
  const receiver = boreAt(section, section.length) + 2 * section.wall + 0.4;
  const tenonAt = (depth: number) => receiver - own.clearance - (own.taper * depth) / joint.length;
  const oval = (size: number) => (size / 2) * cosine(2 * clock);
  switch (measure) {
    case 'tenon':
      return tenonAt(at) + oval(own.tenonOvality);
    case 'receiver':
      return receiver + oval(own.receiverOvality);
    case 'cork':
      return receiver + own.squeeze;
    case 'leak-baseline':
      return testerBaseline;
    case 'leak': {
      const stations = [0, joint.length / 2, joint.length].map((depth) => {
        const clearance = receiver - tenonAt(depth);
        return { at: depth, gap: clearance / 2, diameter: receiver - clearance / 2 };
      });
      return testerBaseline + own.gouge + 2.5 * annulusLeak(stations, 2.5);
    }
    default:
      return null;
  }
}

function hingeFigure(type: InstrumentType, truth: TrueInstrument, { part, measure }: MeasuringPoint): number | null {
  if (measure === 'run-out') return truth.rods.get(part) ?? null;
  const key = type.keys.find(({ id }) => id === part);
  const rod = type.rods.find(({ id }) => id === key?.rod);
  const own = truth.hinges.get(part);
  const length = tubeLength(type, truth, part);
  if (!rod || !own || length === null) return null;
  const figures: Partial<Record<MeasuringPoint['measure'], number>> = {
    'rod': rod.diameter,
    'tube-inner': rod.diameter + own.clearance,
    'tube-outer': rod.diameter * 1.8,
    'tube-length': length,
    'post-gap': length + own.endPlay,
    'rise-and-fall': own.rise,
    'wear': own.wear,
    'cone-angle': coneAngle,
    'end-play': own.endPlay,
    'arm': type.pads.find((pad) => pad.key === part)?.axisDistance ?? length,
  };
  return figures[measure] ?? null;
}

function lineFigure(type: InstrumentType, truth: TrueInstrument, { part, measure, at: ownAt, clock }: MeasuringPoint) {
  const at = ownAt ?? 0;
  const tube = truth.tubes.get(part);
  const section = type.sections.find(({ id }) => id === part);
  if (!tube || !section) return null;
  const { bend, turned } = tube;
  const off = (where: number) => (bend && where > bend.at ? (where - bend.at) * Math.tan(toRadians(bend.degrees)) : 0);
  switch (measure) {
    case 'deviation':
      return bend ? off(at) * cosine(clock - bend.clock) : 0;
    case 'run-out':
      // Turned between its ends, the middle wanders by twice its way off the line through them.
      return 2 * Math.abs(off(at) - (off(section.length) * at) / section.length);
    case 'mark-gap':
      return toRadians(turned) * (boreAt(section, at) / 2 + section.wall);
    case 'key-gap': {
      const key = referenceKey(type, part, ownAt);
      return key
        ? Math.max(0, (Math.abs(turned) * key.diameter) / 100 + (turned * key.diameter * cosine(clock)) / 100)
        : null;
    }
    default:
      return null;
  }
}

/**
 * What is true at a measuring point of an instrument whose shape is known: what a perfect gauge would read there, in the
 * unit of the measure. Null where the type has no such place.
 *
 * @param chance the roughness of pad beds comes from it
 */
export function trueFigure(
  type: InstrumentType,
  truth: TrueInstrument,
  point: MeasuringPoint,
  chance: Chance,
): number | null {
  const { group, part, measure, at = 0, clock } = point;
  const hole = type.holes.find(({ id }) => id === part);
  const rim = truth.rims.get(part);
  switch (group) {
    case 'body-line':
      return lineFigure(type, truth, point);
    case 'bore': {
      const section = type.sections.find(({ id }) => id === part);
      const dents = truth.tubes.get(part)?.dents ?? [];
      const pressed = dents.reduce(
        (sum, dent) =>
          sum + dent.depth * Math.exp(-(((at - dent.at) / dent.halfWidth) ** 2)) * cosine(clock - dent.clock) ** 2,
        0,
      );
      return section ? boreAt(section, at) - pressed : null;
    }
    case 'rim':
      if (!rim) return null;
      return measure === 'height' ? trueRimHeight(rim, clock) : trueDiameter(rim, hole, clock);
    case 'hole':
      return rim ? trueDiameter(rim, hole, clock) : null;
    case 'post': {
      const own = truth.posts.get(part);
      const post = type.posts.find(({ id }) => id === part);
      if (!own || !post) return null;
      if (measure === 'lean') return own.lean;
      if (measure === 'height') return 6 + own.lift;
      const above = Math.max(
        ...rodsOf(post)
          .flatMap((rod) => postsOf(type, rod))
          .filter((each) => each.at < post.at)
          .map((each) => each.at),
      );
      return Number.isFinite(above) ? post.at - above - postWidth : null;
    }
    case 'hinge':
      return hingeFigure(type, truth, point);
    case 'joint':
      return jointFigure(type, truth, point);
    case 'spring':
      return truth.springs.get(part)?.[measure === 'weight' ? 'weight' : 'force'] ?? null;
    case 'pitch':
      return measure === 'spread' ? usualSpread : (pitchesOf(type, truth).get(part) ?? null);
    case 'link':
      // What is lost between two keys is by how much the second comes late.
      return truth.links.get(part) ?? null;
    case 'pad': {
      const pad = type.pads.find((each) => each.hole === part);
      const cup = truth.pads.get(part);
      if (!pad || !cup) return null;
      if (measure === 'stand') return usualStand[type.family] + cup.thickness;
      if (measure === 'setter') return 0.4;
      if (measure === 'cup') return cupAcross(pad);
      if (measure === 'cup-depth') return pad.cupDepth ?? usualCupDepth;
      if (measure === 'height') return pad.diameter * 0.16;
      return trueGaps(type, truth, part, [clock, 0, 45, 90, 135, 180, 225, 270, 315], chance)[0]?.gap ?? null;
    }
    default:
      return null;
  }
}

/** Across a hole that a blow has made oval along its saddle. */
const trueDiameter = (
  { saddle, saddleClock }: { saddle: number; saddleClock: number },
  hole: InstrumentType['holes'][number] | undefined,
  clock: number,
): number | null => (hole ? hole.diameter + saddle * cosine(2 * (clock - saddleClock)) : null);
