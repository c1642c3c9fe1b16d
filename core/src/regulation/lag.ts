import type { Forces } from './balance';
import { keyState, mechanismOf, press, type MechanismInput, type Pressed } from './mechanism';
import { sealingForce } from './sealingForce';

/** How a pad stands under a press. */
interface PadNow {
  sealed: boolean;
  gap: number;
}

/** How late b is: the gap left under it at the force from which a or b first seals; negative where b seals first. */
export function lagAt(at: (force: number) => { a: PadNow; b: PadNow }, most: number): number | null {
  const first = sealingForce((force) => {
    const { a, b } = at(force);
    return a.sealed || b.sealed ? 0 : Math.min(a.gap, b.gap);
  }, most);
  if (first === null) return null;
  const { a, b } = at(first);
  return a.sealed ? b.gap : 0 - a.gap;
}

/** As the solvers have it where nothing else is asked, N. */
export const mostForce = 5;

/** The lag of two pads of a mechanism when one key is pressed and others are held, mm; null where neither ever seals. */
export function lagOf(
  mechanism: MechanismInput,
  pressed: string,
  [first, second]: readonly [string, string],
  held: Forces = {},
): number | null {
  const model = mechanismOf(mechanism);
  const [a, b] = [model.indexOf(first, 'A lag'), model.indexOf(second, 'A lag')];
  // A force near the last one leaves nearly the same state.
  let state: Pressed | undefined;
  return lagAt((force) => {
    state = press(model, { ...held, [pressed]: force }, state);
    return { a: keyState(model, state, a), b: keyState(model, state, b) };
  }, mostForce);
}
