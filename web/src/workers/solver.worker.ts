import {
  gradesOf,
  layOut,
  newPiece,
  pieceType,
  reviewPiece,
  type Grade,
  type PieceJob,
  type PieceReview,
  type PracticePiece,
} from '@holotonos/core/practicePieces';
import {
  regulateSteps,
  type RegulateInput,
  type RegulateOutput,
  type RegulateProgress,
} from '@holotonos/core/regulation';
import {
  chanceSteps,
  scheduleSteps,
  type TimeRange,
  type ScheduleInput,
  type ScheduleOutput,
} from '@holotonos/core/schedule';
import { runSolver } from '@holotonos/core/solvers';
import {
  leakEffectsSteps,
  leaksByNote,
  soundNotes,
  suspects,
  type EffectsProgress,
  type Fingering,
  type Heard,
  type LeakEffects,
  type NoteLoss,
  type Place,
  type Slit,
  type SoundTube,
  type Suspect,
} from '@holotonos/core/sound';
import { knowTypes, shippedTypes } from '@holotonos/core/instruments';
import { notesIn, type SteadyNote } from '@holotonos/core/listening';
import { tuneSteps, type TuneInput, type TuneOutput, type TuneProgress } from '@holotonos/core/tuning';
import { expose } from 'comlink';

// Practice pieces name their instrument. Said outright: a bundler leaves out what nobody names.
knowTypes(shippedTypes);

/** How long a search keeps the thread before it listens for a stop, ms. */
const sliceMs = 40;
/** Long answers under way, by the name they were asked under. */
const walks = new Set<{ name: string; stopped: boolean }>();

/** Walks a long answer in slices: says how far it has come, and gives up with null when it is stopped. */
async function walk<P, T>(name: string, steps: Generator<P, T>, tell: (progress: P) => void): Promise<T | null> {
  const own = { name, stopped: false };
  walks.add(own);
  let since = performance.now();
  try {
    for (;;) {
      const step = steps.next();
      if (step.done) return step.value;
      if (performance.now() - since < sliceMs) continue;
      tell(step.value);
      await new Promise((resolve) => setTimeout(resolve));
      if (own.stopped) return null;
      since = performance.now();
    }
  } finally {
    walks.delete(own);
  }
}

/** An instrument as its sound is asked for. */
export interface SoundOf {
  tube: SoundTube;
  compass: readonly Fingering[];
  /** ids of the leaks its wall may have */
  wall: string[];
}
/** What was worked out of the instrument asked for last: its notes, and what each place that leaks would do to them. */
let soundKept: { key: string; notes: ReturnType<typeof soundNotes> } | null = null;
let effectsKept: { key: string; effects: LeakEffects } | null = null;

function notesOf(of: SoundOf): ReturnType<typeof soundNotes> {
  const key = JSON.stringify([of.tube, of.compass.map(({ id }) => id), of.wall]);
  soundKept = soundKept?.key === key ? soundKept : { key, notes: soundNotes(of.tube, of.compass, of.wall) };
  return soundKept.notes;
}

/** The solvers, off the page's own thread. */
const api = {
  ready: () => true,
  solve: runSolver,
  /** a better schedule; null when it was stopped */
  schedule: (input: ScheduleInput, tell: (progress: { round: number; rounds: number }) => void) =>
    walk('schedule', scheduleSteps(input), tell),
  /** how sure each ticket is; null when it was stopped */
  chance: (
    input: ScheduleInput,
    schedule: ScheduleOutput,
    ranges: Record<string, TimeRange>,
    tell: (progress: { run: number; runs: number }) => void,
  ) => walk('chance', chanceSteps(input, schedule, ranges), tell),
  /** what to turn; null when it was stopped */
  regulate: (
    name: string,
    input: RegulateInput,
    tell: (progress: RegulateProgress) => void,
  ): Promise<RegulateOutput | null> => walk(name, regulateSteps(input), tell),
  /** the grades of practice pieces an instrument has something for; none of one that does not ship */
  grades: (of: Pick<PracticePiece, 'instrument' | 'practice'>): Grade[] => {
    const type = pieceType(of);
    return type ? gradesOf(type, of.practice) : [];
  },
  /** what leaks do to every note, all together and each alone, in the order of the leaks */
  leaksByNote: (of: SoundOf, leaks: [string, Slit][]): { together: NoteLoss[]; alone: NoteLoss[][] } => {
    const notes = notesOf(of);
    const by = (some: [string, Slit][]) => leaksByNote(of.tube, notes, new Map(some));
    return { together: by(leaks), alone: leaks.map((leak) => by([leak])) };
  },
  /** which places would explain how the notes came out; null when it was stopped */
  suspects: async (
    of: SoundOf,
    places: Place[],
    heard: [string, Heard][],
    tell: (progress: EffectsProgress) => void,
  ): Promise<Suspect[] | null> => {
    const notes = notesOf(of);
    const key = JSON.stringify([soundKept?.key, places]);
    const kept = effectsKept?.key === key ? effectsKept.effects : null;
    const effects = kept ?? (await walk('suspects', leakEffectsSteps(of.tube, notes, places), tell));
    if (effects === null) return null;
    effectsKept = { key, effects };
    return suspects(effects, new Map(heard));
  },
  /** the notes held in a recording, in their order; null when it was stopped */
  notesIn: (samples: Float32Array, rate: number, tell: (part: number) => void): Promise<SteadyNote[] | null> =>
    walk('notesIn', notesIn(samples, rate), tell),
  /** which holes to alter, and by how much; null when it was stopped */
  tune: (input: TuneInput, tell: (progress: TuneProgress) => void): Promise<TuneOutput | null> =>
    walk('tune', tuneSteps(input), tell),
  newPiece,
  /** what there was to a practice piece, and what was done of it */
  review: (piece: PracticePiece, job: PieceJob): PieceReview | null => {
    const laid = layOut(piece);
    return laid && reviewPiece(laid, job);
  },
  /** gives up what was asked under this name, or everything */
  stop: (name?: string) => {
    for (const each of walks) if (name === undefined || each.name === name) each.stopped = true;
  },
};
export type SolverWorker = typeof api;

expose(api);
