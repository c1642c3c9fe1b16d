import { solveSpd, Unsolvable } from '../metrology';
import { oneOfEach } from '../solvers/checks';
import { lastOf } from '../steps';
import { phrase, stock } from '../units';
import { centsOf, resonanceNear } from './solvePitch';
import { tubeOf } from './tube';
import type { TuneInput, TuneOutput } from './tune.schema';

/** What a hole costs that is changed: cents² a mm². Of answers that are as good, the one that cuts least. */
const costOfChange = 0.05;
/** A change nobody can cut or measure is none, mm. */
const leastChange = 0.01;
/** How far a hole is moved to see what it does, mm. */
const probe = 0.01;
/** A step that betters the loss by less than this share of it is the last. */
const settled = 1e-7;

/** What is to be made small: how far notes are off beyond the tolerance, and how much is changed for it. */
interface Aim {
  /** how far each measured note is off with holes of these diameters, cents; null where one has no resonance left */
  off: (diameters: readonly number[]) => number[] | null;
  present: readonly number[];
  lowest: readonly number[];
  highest: readonly number[];
  tolerance: number;
}

const beyond = (off: number, tolerance: number) => Math.sign(off) * Math.max(0, Math.abs(off) - tolerance);
const lossOf = ({ present, tolerance }: Aim, off: readonly number[], diameters: readonly number[]): number =>
  off.reduce((sum, cents) => sum + beyond(cents, tolerance) ** 2, 0) +
  costOfChange * diameters.reduce((sum, d, j) => sum + (d - (present[j] ?? 0)) ** 2, 0);

/** Diameters moved along a step, none past its bounds. */
const moved = ({ lowest, highest }: Aim, from: readonly number[], step: ArrayLike<number>, share: number): number[] =>
  from.map((d, j) => Math.min(highest[j] ?? d, Math.max(lowest[j] ?? d, d + share * (step[j] ?? 0))));

/** What each note does for a millimetre of each hole, cents/mm, by probing inward of the bounds; null as `off`. */
function slopesAt(aim: Aim, at: readonly number[], off: readonly number[]): number[][] | null {
  const columns: number[][] = [];
  for (const [j, d] of at.entries()) {
    const room = (aim.highest[j] ?? d) - (aim.lowest[j] ?? d);
    const h = Math.min(probe, room) * (d + probe <= (aim.highest[j] ?? d) ? 1 : -1);
    if (h === 0) {
      columns.push(off.map(() => 0));
      continue;
    }
    const probed = aim.off(at.map((each, i) => (i === j ? each + h : each)));
    if (!probed) return null;
    columns.push(off.map((cents, i) => ((probed[i] ?? 0) - cents) / h));
  }
  return columns;
}

/**
 * The least loss if every note followed its slopes: convex and piecewise quadratic, by Newton's method on the notes that
 * are off and the holes that are free, within the bounds.
 */
function leastOfSlopes(aim: Aim, start: readonly number[], off: readonly number[], slopes: number[][]): number[] {
  const { present, lowest, highest, tolerance } = aim;
  const offAt = (at: readonly number[]) =>
    off.map((cents, i) => at.reduce((sum, d, j) => sum + (slopes[j]?.[i] ?? 0) * (d - (start[j] ?? 0)), cents));
  let at = [...start];
  let now = offAt(at);
  let loss = lossOf(aim, now, at);
  for (let turn = 0; turn < 100; turn += 1) {
    const excess = now.map((cents) => beyond(cents, tolerance));
    // Half the gradient, and below half the Hessian: what is asked for is their quotient.
    const gradient = at.map((d, j) =>
      excess.reduce((sum, e, i) => sum + e * (slopes[j]?.[i] ?? 0), costOfChange * (d - (present[j] ?? 0))),
    );
    const free = at.flatMap((d, j) => {
      const push = gradient[j] ?? 0;
      return (push > 0 && d <= (lowest[j] ?? 0)) || (push < 0 && d >= (highest[j] ?? 0)) ? [] : [j];
    });
    const n = free.length;
    const hessian = new Float64Array(n * n);
    const newton = new Float64Array(n);
    free.forEach((j, row) => {
      newton[row] = -(gradient[j] ?? 0);
      free.forEach((k, column) => {
        const both = excess.reduce(
          (sum, e, i) => sum + (e === 0 ? 0 : (slopes[j]?.[i] ?? 0) * (slopes[k]?.[i] ?? 0)),
          0,
        );
        hessian[row * n + column] = both + (j === k ? costOfChange : 0);
      });
    });
    if (n === 0 || !solveSpd(hessian, newton, n)) break;
    const step = new Float64Array(at.length);
    free.forEach((j, row) => (step[j] = newton[row] ?? 0));
    const better = firstBetter(aim, at, step, loss, offAt);
    if (!better) break;
    const gained = loss - better.loss;
    ({ at, off: now, loss } = better);
    if (gained <= 1e-12 * loss) break;
  }
  return at;
}

/** The first of ever shorter steps that betters the loss; null when none does. */
function firstBetter(
  aim: Aim,
  from: readonly number[],
  step: ArrayLike<number>,
  loss: number,
  offAt: (diameters: readonly number[]) => number[] | null,
): { at: number[]; off: number[]; loss: number } | null {
  for (let share = 1; share > 1e-4; share /= 2) {
    const at = moved(aim, from, step, share);
    const off = offAt(at);
    const reached = off && lossOf(aim, off, at);
    if (reached !== null && reached < loss) return { at, off: off ?? [], loss: reached };
  }
  return null;
}

/** The least loss that is reached downhill from these diameters; null where a note has no resonance with them. */
function* downhill(aim: Aim, start: readonly number[]): Generator<void, { at: number[]; loss: number } | null> {
  let at = [...start];
  let off = aim.off(at);
  if (!off) return null;
  let loss = lossOf(aim, off, at);
  for (let turn = 0; turn < 40; turn += 1) {
    yield;
    const slopes = slopesAt(aim, at, off);
    if (!slopes) break;
    const target = leastOfSlopes(aim, at, off, slopes);
    const step = target.map((d, j) => d - (at[j] ?? 0));
    const better = firstBetter(aim, at, step, loss, aim.off);
    if (!better) break;
    const gained = loss - better.loss;
    ({ at, off, loss } = better);
    if (gained <= settled * loss) break;
  }
  return { at, loss };
}

/** How far a search for what to change has come: which of its beginnings it follows. */
export interface TuneProgress {
  start: number;
  starts: number;
}

/**
 * Which tone holes to change, and to what diameter, so that measured notes come within a tolerance: of all diameters
 * allowed those of the least loss, which is the sum of squares of what is beyond the tolerance (cents) and 0.05 of the
 * squares of the changes (mm). What a change does to a note is the model's difference (`pitch`); where the note stands
 * is what was measured. A hole cut at its upper edge moves up by half of what it gains.
 *
 * Gauss–Newton steps on notes beyond the tolerance within the bounds, each betterment proved on the model, from the holes
 * as they are and from the corners and the middle of what is allowed: the loss can have more than one valley.
 *
 * @throws Unsolvable as `pitch`; when a note has no resonance, a hole lies outside its own range, or a name is unknown
 */
export const solveTune = (input: TuneInput): TuneOutput => lastOf(tuneSteps(input));

/** The same in steps: says at each how far it has come, and can be left at any. */
export function* tuneSteps(input: TuneInput): Generator<TuneProgress, TuneOutput> {
  const { holes, fingerings, measured, adjust, tolerance = 5, ...rest } = input;
  oneOfEach(
    adjust.map(({ hole }) => ({ id: hole })),
    'hole',
  );
  oneOfEach(
    measured.map(({ fingering }) => ({ id: fingering })),
    'note',
  );
  const byId = new Map(holes.map((hole) => [hole.id, hole]));
  const present = adjust.map(({ hole, min, max }) => {
    const diameter = byId.get(hole)?.diameter;
    if (diameter === undefined) throw new Unsolvable(`“${hole}” is not among the holes.`);
    if (diameter < min || diameter > max)
      throw new Unsolvable(
        phrase`The hole “${hole}” is ${stock(diameter)} wide now, outside the ${stock(min)} to ${stock(max)} it may have.`,
      );
    return diameter;
  });
  const known = new Set(fingerings.map(({ id }) => id));
  const strange = measured.find(({ fingering }) => !known.has(fingering));
  if (strange) throw new Unsolvable(`“${strange.fingering}” is not among the fingerings.`);

  const shut = new Map(fingerings.map(({ id, closed }) => [id, new Set(closed)]));
  const tubeWith = (diameters: readonly number[]) => {
    const changed = new Map(
      adjust.map(({ hole, edge = 'even' }, j) => [hole, { to: diameters[j] ?? 0, upstream: edge === 'upstream' }]),
    );
    return tubeOf({
      ...rest,
      fingerings,
      holes: holes.map((hole) => {
        const change = changed.get(hole.id);
        if (!change) return hole;
        const gained = change.to - hole.diameter;
        return { ...hole, diameter: change.to, at: change.upstream ? hole.at - gained / 2 : hole.at };
      }),
    });
  };
  type Notes = readonly { id: string; near: number }[];
  const heard = (notes: Notes, diameters: readonly number[]): (number | null)[] => {
    const tube = tubeWith(diameters);
    return notes.map(({ id, near }) => {
      const frequency = resonanceNear(tube, shut.get(id) ?? new Set(), near);
      return frequency === null ? null : centsOf(frequency, near);
    });
  };
  const now = new Map<string, number>();
  heard(fingerings, present).forEach((cents, i) => {
    const id = fingerings[i]?.id ?? '';
    if (cents === null)
      throw new Unsolvable(`“${id}” has no resonance within half an octave of where it is looked for.`);
    now.set(id, cents);
  });
  const asked = measured.map(({ fingering, cents }) => ({
    id: fingering,
    near: fingerings.find(({ id }) => id === fingering)?.near ?? 0,
    cents,
  }));
  const aim: Aim = {
    present,
    lowest: adjust.map(({ min }) => min),
    highest: adjust.map(({ max }) => max),
    tolerance,
    off: (diameters) => {
      const off: number[] = [];
      for (const [i, cents] of heard(asked, diameters).entries()) {
        const note = asked[i];
        if (cents === null || !note) return null;
        off.push(note.cents + cents - (now.get(note.id) ?? 0));
      }
      return off;
    },
  };
  const { lowest, highest } = aim;
  const starts = [present, lowest, highest, lowest.map((low, j) => (low + (highest[j] ?? low)) / 2)];
  let best = { at: [...present], loss: Infinity };
  for (const [i, start] of (adjust.length > 0 ? starts : []).entries()) {
    const steps = downhill(aim, start);
    let step = steps.next();
    for (; !step.done; step = steps.next()) yield { start: i, starts: starts.length };
    const found = step.value;
    if (found && found.loss < best.loss) best = found;
  }
  // What is told is what is cut: the notes answer for the changes that are named, and no others.
  const to = best.at.map((d, j) => (Math.abs(d - (present[j] ?? 0)) >= leastChange ? d : (present[j] ?? 0)));
  const told = heard(fingerings, to);
  const before = new Map(measured.map(({ fingering, cents }) => [fingering, cents]));
  const notes = fingerings.map(({ id }, i) => {
    const cents = told[i] ?? null;
    if (cents === null) throw new Unsolvable(`“${id}” loses its resonance with the changes that suit the others best.`);
    const change = cents - (now.get(id) ?? 0);
    const stood = before.get(id);
    return { fingering: id, before: stood ?? null, after: (stood ?? 0) + change };
  });
  const worst = (which: 'before' | 'after') =>
    Math.max(0, ...notes.flatMap((note) => (note.before === null ? [] : [Math.abs(note[which] ?? 0)])));
  return {
    changes: adjust.flatMap(({ hole }, j) => {
      const [from, diameter] = [present[j] ?? 0, to[j] ?? 0];
      if (from === diameter) return [];
      return [{ hole, from, to: diameter, act: diameter > from ? ('enlarge' as const) : ('fill' as const) }];
    }),
    notes,
    worst: { before: worst('before'), after: worst('after') },
  };
}
