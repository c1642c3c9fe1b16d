import { Unsolvable } from '../metrology';
import { oneOfEach } from '../solvers/checks';
import type { LandingInput, LandingOutput } from './landing.schema';
import type { Forces } from './balance';
import { keyState, mechanismOf, press, type Mechanism, type Pressed } from './mechanism';
import { sameForce, sealingForce } from './sealingForce';

/** Seals of the pads under a growing press, and how to see them again at one force. */
function watch(mechanism: Mechanism, key: string, held: Forces) {
  // A force near the last one leaves nearly the same state.
  let state: Pressed | undefined;
  return (index: number, force: number) => {
    state = press(mechanism, { ...held, [key]: force }, state);
    return keyState(mechanism, state, index);
  };
}

const earlier = (a: number | null, b: number | null): boolean => a !== null && (b === null || a < b - sameForce);

/**
 * Which pad lands first when a key is pressed, and from which force each is sealed.
 *
 * `lag` of two pads [a, b]: the gap left under b at a's force where a seals first or with it, else minus the gap left
 * under a at b's force; positive where b is late. Millimetres and newtons.
 *
 * @throws Unsolvable when an id is unknown or stands twice, when a key is linked to itself, or when the key that is
 * pressed is held as well
 */
export function solveLanding(input: LandingInput): LandingOutput {
  const mechanism = mechanismOf(input);
  oneOfEach(input.checks, 'check');
  const { maxForce = 5 } = input;
  return {
    checks: input.checks.map(({ id, press: key, held = {}, pads }) => {
      const where = `The check “${id}”`;
      mechanism.indexOf(key, where);
      for (const other of Object.keys(held)) mechanism.indexOf(other, where);
      if (Object.hasOwn(held, key)) throw new Unsolvable(`${where} presses the key “${key}” and holds it as well.`);
      oneOfEach(
        pads.map((pad) => ({ id: pad })),
        `pads of the check “${id}”,`,
      );
      const pad = watch(mechanism, key, held);
      const found = pads.map((name) => {
        const index = mechanism.indexOf(name, where);
        return { id: name, index, force: sealingForce((force) => openGap(pad(index, force)), maxForce) };
      });
      const ordered = inOrder(found);
      const [a, b] = found;
      const lag = pads.length === 2 && a && b ? { lag: lagOf(a, b, pad) } : {};
      return { id, pads: ordered.map(({ id: name, force }) => ({ id: name, force })), ...lag };
    }),
  };
}

const openGap = ({ sealed, gap }: { sealed: boolean; gap: number }) => (sealed ? 0 : gap);

interface Found {
  id: string;
  index: number;
  force: number | null;
}

/** In the order of sealing: the given order where two seal together, those that never do at the end. */
function inOrder(found: readonly Found[]): Found[] {
  const ordered: Found[] = [];
  for (const each of found) {
    const at = ordered.findIndex((other) => earlier(each.force, other.force));
    ordered.splice(at === -1 ? ordered.length : at, 0, each);
  }
  return ordered;
}

function lagOf(a: Found, b: Found, pad: ReturnType<typeof watch>): number | null {
  if (a.force === null && b.force === null) return null;
  // No minus before nothing.
  if (earlier(b.force, a.force)) return 0 - pad(a.index, b.force ?? 0).gap;
  return pad(b.index, a.force ?? 0).gap;
}
