import { oneOfEach } from '../solvers/checks';
import type { LinkageInput, LinkageOutput } from './linkage.schema';
import { keyState, linkForces, mechanismOf, press } from './mechanism';

/**
 * What happens when keys are pressed: how far each closes, what seals, what is left open, and what the links pass on.
 *
 * A key is a lever with one freedom, its closing travel q ≥ 0. The state is the least of the energy of springs, fingers,
 * pads and links; with springs it is unique unless a finger exactly balances a spring. Millimetres and newtons.
 *
 * @throws Unsolvable when an id is unknown or stands twice, or when a key is linked to itself
 */
export function solveLinkage(input: LinkageInput): LinkageOutput {
  const mechanism = mechanismOf(input);
  oneOfEach(input.presses, 'press');
  return {
    presses: input.presses.map(({ id, forces }) => {
      for (const key of Object.keys(forces)) mechanism.indexOf(key, `The press “${id}”`);
      const state = press(mechanism, forces);
      return {
        id,
        keys: mechanism.keys.map((_, i) => keyState(mechanism, state, i)),
        links: linkForces(mechanism, state),
      };
    }),
  };
}
