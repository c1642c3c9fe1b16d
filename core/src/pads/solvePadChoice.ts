import { atMost, sameWithin, Unsolvable } from '../metrology';
import { oneOfEach } from '../solvers/checks';
import { phrase, stock as ofStock, type Phrase } from '../units';
import type { PadChoiceInput, PadChoiceOutput } from './padChoice.schema';

/** Adhesive that can be floated behind a pad, least and most, mm: a workshop default. */
const bedFrom = 0.1;
const bedTo = 0.8;
/** A pad that is wrong by more than this is not made right by shims or by bending, mm: a workshop default. */
const mostShimmed = 0.3;

/** Where a pad that is too thick or too thin opens on its hinge: the pad turns about an axis R from its middle. */
function gapOf(error: number, diameter: number, axis: number): PadChoiceOutput['predicted'] {
  if (Math.abs(error) <= sameWithin) return { side: null, gap: 0 };
  return error > 0
    ? { side: 'front', gap: (error * diameter) / (axis - diameter / 2) }
    : { side: 'back', gap: (-error * diameter) / (axis + diameter / 2) };
}

/** The answer, or what to say where there is none. */
function answerOf(input: PadChoiceInput): PadChoiceOutput | (() => Phrase) {
  const { cup, stand, bed = 0.3, axisDistance: axis, limits, stock, clearance = [0, 0.3] } = input;
  oneOfEach(stock, 'pad');
  const [least = 0, most = 0] = clearance;
  const need = stand + cup.depth - bed;
  const fitting = stock.filter(({ diameter }) => {
    const room = cup.diameter - diameter;
    return atMost(least, room) && atMost(room, most);
  });
  const off = ({ thickness }: (typeof stock)[number]) => Math.abs(thickness - need);
  const pad = fitting.reduce<(typeof stock)[number] | null>((best, each) => {
    if (!best) return each;
    const nearer = off(each) < off(best) - sameWithin;
    const alike = Math.abs(off(each) - off(best)) <= sameWithin;
    return nearer || (alike && each.diameter > best.diameter) ? each : best;
  }, null);
  if (!pad)
    return () =>
      phrase`No pad of the stock leaves ${ofStock(least)} to ${ofStock(most)} of room in a cup of ${ofStock(cup.diameter)}.`;
  if (atMost(axis, pad.diameter / 2))
    return () =>
      phrase`The pad (${ofStock(pad.diameter)} across) reaches its own hinge axis ${ofStock(axis)} away: the hinge must be farther than half the pad diameter.`;
  const error = pad.thickness - need;
  const predicted = gapOf(error, pad.diameter, axis);
  const bedNeeded = bed - error;
  const remedy = atMost(predicted.gap, limits.gap)
    ? 'as-is'
    : atMost(bedFrom, bedNeeded) && atMost(bedNeeded, bedTo)
      ? 'bed'
      : atMost(Math.abs(error), mostShimmed)
        ? 'shim-or-bend'
        : 'other-stock';
  return { pad: { ...pad }, need, error, predicted, bedNeeded, remedy };
}

/**
 * Which pad of the stock for this cup: of those that go in with room to spare, the one nearest in thickness to what
 * would land level, what it would do as it is, and what makes it right. Millimetres.
 *
 * @throws Unsolvable when no pad goes into the cup, when one reaches its own hinge axis, or when two carry one id
 */
export function solvePadChoice(input: PadChoiceInput): PadChoiceOutput {
  const answer = answerOf(input);
  if (typeof answer === 'function') throw new Unsolvable(answer());
  return answer;
}

/**
 * The same, for whoever asks of many pads and wants to know which go in: null where none does. An error for each that
 * does not was a third of the work of choosing pads for a saxophone.
 *
 * @throws Unsolvable when two pads carry one id
 */
export function padChoiceOrNone(input: PadChoiceInput): PadChoiceOutput | null {
  const answer = answerOf(input);
  return typeof answer === 'function' ? null : answer;
}
