import { apart, boreAt, holeOfNote, type InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { coarsestGauge, limitsOf, noteAnchor, notePitch, notesBeside, readPoint } from '../measures';
import { gaugeStandardUncertainty } from '../metrology';
import { settingsOf, upperLimit } from '../practice';
import { centsOf, resonanceNear, tubeOf, type Tube, type TuneInput, type TuneOutput } from '../tuning';
import { heightsOf } from './leaksOf';
import { compassOf, type Fingering } from './notes';
import { soundOf, ventOf, type SoundTube } from './soundTube';

/** All that tuning is worked out from. */
export type TunedJob = Pick<JobState, 'points' | 'passes' | 'practice' | 'tolerances'>;

/** A pad lies on its rim by so much all round, or it is cut through, mm. */
const padOnRim = 1;
/** Between two holes so much wall is left, mm. */
const wallLeft = 2;
/** A hole wider than this share of its bore is no hole any more. */
const ofBore = 0.92;
/** Filled further than to this share a hole is another hole. */
const leastOfHole = 0.85;
/** Beyond this share nobody opens a hole that was bored by its maker; what is wrong lies elsewhere. */
const mostOfHole = 1.08;

/** How wide each hole is now, mm: as it was read, or as it was made and what was cut and filled since. */
export function holesNow(state: TunedJob, type: InstrumentType): Map<string, number> {
  return new Map(
    type.holes.map(({ id, diameter }) => {
      const read = [0, 60, 120].flatMap(
        (clock) => readPoint(state, { group: 'hole', part: id, measure: 'diameter', clock }).mean ?? [],
      );
      if (read.length > 0) return [id, read.reduce((a, b) => a + b, 0) / read.length];
      const cut = state.passes
        .filter(({ part }) => part === id)
        .reduce((sum, { pass, amount = 0 }) => sum + (pass === 'cut' ? amount : pass === 'fill' ? -amount : 0), 0);
      return [id, diameter + cut];
    }),
  );
}

/** The tube as it is now: its holes as wide, its pads as high as they were read. */
function tubeNow(state: TunedJob, type: InstrumentType): SoundTube | null {
  const wide = holesNow(state, type);
  const holes = type.holes.map((hole) => ({ ...hole, diameter: wide.get(hole.id) ?? hole.diameter }));
  return soundOf({ ...type, holes }, heightsOf(state, type));
}

/** How far a hole may be altered, and what bounds it. */
export interface CutLimits {
  min: number;
  max: number;
  /** what stands in the way of opening it further */
  bound: 'pad' | 'wall' | 'bore' | 'share';
}

/** How far a hole may be opened and filled before its pad, its neighbour, its bore or good sense stands in the way, mm. */
export function cutLimits(type: InstrumentType, hole: string, wide: ReadonlyMap<string, number>): CutLimits | null {
  const own = type.holes.find(({ id }) => id === hole);
  const section = type.sections.find(({ id }) => id === own?.section);
  if (!own || !section) return null;
  const now = wide.get(hole) ?? own.diameter;
  const pad = type.pads.find((each) => each.hole === hole)?.diameter;
  const next = type.holes
    .filter(({ id }) => id !== hole)
    .map((other) => {
      const { along, round } = apart(type, own, other);
      return 2 * (Math.hypot(along, round) - (wide.get(other.id) ?? other.diameter) / 2 - wallLeft);
    });
  const bounds: [CutLimits['bound'], number][] = [
    ['share', own.diameter * mostOfHole],
    ['bore', boreAt(section, own.at) * ofBore],
    ['wall', Math.min(...next, Infinity)],
    ...(pad === undefined ? [] : [['pad', pad - 2 * padOnRim] as [CutLimits['bound'], number]]),
  ];
  const [bound, max] = bounds.reduce((least, each) => (each[1] < least[1] ? each : least));
  return { min: Math.min(now, own.diameter * leastOfHole), max: Math.max(now, max), bound };
}

/** In words, what bounds a hole. */
export const boundWords: Record<CutLimits['bound'], string> = {
  pad: 'its pad must lie on the rim by a millimetre',
  wall: 'two millimetres of wall are left to its neighbour',
  bore: 'it would be as wide as its bore',
  share: 'no more than a twelfth is taken from what its maker made',
};

/** Does the practice of this job cut tone holes at all? */
export const mayCut = (state: TunedJob, type: InstrumentType): boolean =>
  settingsOf(state.practice, limitsOf(state, type).settings).tuning === 'alter-holes';

/** How far a note may be from its name, cents, by the practice; the tuning aims there. */
export const noteLimit = (state: TunedJob, type: InstrumentType): number =>
  upperLimit('noteCents', limitsOf(state, type)) ?? 12;

/** Slices of a tube that only tells differences, mm; and a move that nobody would tell, cents. */
const coarse = 2;
const noMove = 0.5;

/** The same tube with some of its holes otherwise, for differences. */
const alteredTube = (
  tube: SoundTube,
  alter: (hole: SoundTube['holes'][number]) => SoundTube['holes'][number] = (hole) => hole,
): Tube => tubeOf({ ...tube, holes: tube.holes.map(alter), fingerings: [] }, coarse);

/**
 * What `tune` answered, with every note that was read: those it was not asked about are where they were, and moved by no
 * more than the answer says.
 */
export function tuneAnswer(state: TunedJob, type: InstrumentType, answer: TuneOutput): TuneOutput {
  const read = notesBeside(state, type);
  const notes = answer.notes.map((note) => {
    const before = read.get(note.fingering);
    return note.before !== null || before === undefined ? note : { ...note, before, after: before + note.after };
  });
  const worst = (pick: (note: (typeof notes)[number]) => number) =>
    Math.max(0, ...notes.flatMap((note) => (note.before === null ? [] : [Math.abs(pick(note))])));
  return {
    ...answer,
    notes,
    worst: { before: worst(({ before }) => before ?? 0), after: worst(({ after }) => after) },
  };
}

/**
 * What `tune` is asked: the tube as it is, every note that these holes move as it was read beside the whole instrument,
 * and the holes that may be altered within their limits. Null where nobody has said how it is blown or nothing was read.
 */
export function tuneQuestion(state: TunedJob, type: InstrumentType, holes: readonly string[]): TuneInput | null {
  const tube = tubeNow(state, type);
  if (!tube || noteAnchor(state, type) === null) return null;
  const wide = holesNow(state, type);
  // What the model has no note for it cannot alter.
  const model = alteredTube(tube);
  const compass = compassOf(type).filter(({ closed, near }) => resonanceNear(model, closed, near) !== null);
  const adjust = holes.flatMap((hole) => {
    const limits = cutLimits(type, hole, wide);
    return limits ? [{ hole, min: limits.min, max: limits.max, edge: 'upstream' as const }] : [];
  });
  // What none of these holes moves is the same whatever is cut: it is not asked for at every trial.
  const ends = [adjust.map(({ min }) => min), adjust.map(({ max }) => max)].map((diameters) => {
    const to = new Map(adjust.map(({ hole }, i) => [hole, diameters[i]]));
    return alteredTube(tube, (each) => ({ ...each, diameter: to.get(each.id) ?? each.diameter }));
  });
  const moving = new Set(
    compass
      .filter(({ closed, near }) => {
        const [least, most] = ends.map((end) => resonanceNear(end, closed, near));
        return !least || !most || Math.abs(centsOf(most, least)) > noMove;
      })
      .map(({ id }) => id),
  );
  return {
    ...tube,
    fingerings: compass.map(({ id, closed, near }) => ({ id, closed: [...closed], near })),
    measured: [...notesBeside(state, type)].flatMap(([fingering, cents]) =>
      moving.has(fingering) ? [{ fingering, cents }] : [],
    ),
    adjust,
    // Half the band: a note that is cut to its very edge is out again on a cold day.
    tolerance: noteLimit(state, type) / 2,
  };
}

/** A note that an alteration would leave worse than it may be. */
export interface NotePutOut {
  fingering: string;
  before: number;
  after: number;
}

/** A note may move by so much toward the wrong side before it counts as spoilt, cents. */
const noMatter = 1;

/** What an alteration would take out of its band, or further out: it is not proposed then. */
export function notesPutOut({ notes }: TuneOutput, limit: number): NotePutOut[] {
  return notes.flatMap(({ fingering, before, after }) =>
    before !== null && Math.abs(after) > limit && Math.abs(after) > Math.abs(before) + noMatter
      ? [{ fingering, before, after }]
      : [],
  );
}

/** One pad that stands open, as high as it stands and should, and what raising it would do. */
export interface Vent {
  hole: string;
  /** as it was read; null where nobody has */
  height: number | null;
  usual: number;
  /** what half a millimetre more would do to the note that comes out there, cents; null where the model has none */
  gain: number | null;
  /** the lowest note that comes out there */
  note: Fingering | null;
}

/** So much a pad is raised to see what it does, mm. */
export const raisedBy = 0.5;

/** Every pad that stands open, down the tube, with what raising it would do to its note. Before any hole is cut. */
export function ventsOf(state: TunedJob, type: InstrumentType): Vent[] {
  const heights = heightsOf(state, type);
  const compass = compassOf(type);
  const tube = tubeNow(state, type);
  const open = new Set(type.keys.filter(({ rest }) => rest === 'open').map(({ id }) => id));
  const noteOf = new Map<string, Fingering>();
  const holeOf = holeOfNote(type);
  for (const each of compass) {
    const hole = holeOf.get(each.id);
    if (hole !== undefined && !noteOf.has(hole)) noteOf.set(hole, each);
  }
  const now = tube && alteredTube(tube);
  return type.pads
    .filter(({ key }) => open.has(key))
    .flatMap(({ hole }): Vent[] => {
      const own = type.holes.find(({ id }) => id === hole);
      if (!own) return [];
      const usual = ventOf(type.family, own.diameter);
      const note = noteOf.get(hole) ?? null;
      const height = heights.get(hole) ?? null;
      const raised =
        tube &&
        alteredTube(tube, (each) =>
          each.id === hole && each.pad ? { ...each, pad: { ...each.pad, height: each.pad.height + raisedBy } } : each,
        );
      const before = note && now && resonanceNear(now, note.closed, note.near);
      const after = note && raised && before && resonanceNear(raised, note.closed, before);
      return [{ hole, height, usual, note, gain: before && after ? centsOf(after, before) : null }];
    });
}

/** One cut or filling, and what came of it. */
export interface CutMade {
  entry: string;
  act: 'cut' | 'fill';
  amount: number;
  /** how far the notes that come out of the hole moved, cents a tenth of a millimetre; null before they were read again */
  perTenth: number | null;
  /** why nothing is learned from it; null where it teaches */
  aside: string | null;
}

/** What every alteration of a hole has taught: its notes as they were read before it, and as they are after. */
export function cutsMade(state: TunedJob, type: InstrumentType, hole: string): CutMade[] {
  const own = [...holeOfNote(type)].flatMap(([id, each]) => (each === hole ? [id] : []));
  return state.passes.flatMap(({ part, pass, amount = 0, entry, seq, aside }): CutMade[] => {
    if (part !== hole || (pass !== 'cut' && pass !== 'fill')) return [];
    const moves = own.flatMap((id) => {
      const { fresh, stale } = notePitch(state, id);
      const before = stale.findLast((reading) => reading.stale?.entry === entry);
      const after = [...stale, ...fresh].find((reading) => reading.seq > seq);
      return before && after ? [after.value - before.value] : [];
    });
    const moved = moves.length === 0 || amount === 0 ? null : moves.reduce((a, b) => a + b, 0) / moves.length;
    return [{ entry, act: pass, amount, perTenth: moved === null ? null : moved / (amount / 0.1), aside }];
  });
}

/** Notes of a fair instrument stand so far from their names beside one another (k = 2), cents: no hole can be told closer. */
const fairScatter = 5;

/**
 * How surely the diameter is told that a hole should have, mm: what its notes were read with and how they scatter on any
 * fair instrument, over what a millimetre of this hole does to them. Null where the model says nothing of it.
 *
 * @param hole one of those that may be altered in the question
 */
export function doubtOfHole(state: TunedJob, type: InstrumentType, question: TuneInput, hole: string): number | null {
  const now = question.holes.find(({ id }) => id === hole);
  const asked = new Set(question.measured.map(({ fingering }) => fingering));
  if (!now) return null;
  const tubeWith = (diameter: number) =>
    alteredTube(question, (each) => (each.id === hole ? { ...each, diameter } : each));
  const [narrow, wide] = [tubeWith(now.diameter), tubeWith(now.diameter + probed)];
  // The figures are weighed as least squares weigh them: each by what the hole does to it.
  let information = 0;
  for (const { id, closed, near } of question.fingerings) {
    if (!asked.has(id)) continue;
    const shut = new Set(closed);
    const before = resonanceNear(narrow, shut, near);
    const after = before && resonanceNear(wide, shut, before);
    if (!before || !after) continue;
    const slope = centsOf(after, before) / probed;
    const { fresh } = notePitch(state, id);
    const gauge = fresh.length === 0 ? 0 : 2 * gaugeStandardUncertainty(coarsestGauge(fresh));
    information += (slope / Math.hypot(gauge, fairScatter)) ** 2;
  }
  return information === 0 ? null : 1 / Math.sqrt(information);
}
/** Enough to see what a hole does, mm. */
const probed = 0.2;
