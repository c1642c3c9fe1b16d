import { Unsolvable } from '../metrology';
import { oneOfEach } from '../solvers/checks';
import type { LinkageInput } from './linkage.schema';
import { Balance, type Contact, type Forces, type KeyModel, type LinkModel } from './balance';

export type MechanismInput = Pick<LinkageInput, 'keys' | 'links' | 'flex'>;

/** Keys, links and flex of a mechanism, looked through and ready to be pressed. */
export interface Mechanism {
  keys: readonly KeyModel[];
  links: readonly LinkModel[];
  /** index of a key by its id */
  indexOf: (id: string, where: string) => number;
  flex: readonly { pressed: string; key: number; perNewton: number }[];
  /** where its states are worked out; the same for all settings of its gaps */
  balance: Balance;
}

/**
 * Reads a mechanism.
 *
 * @throws Unsolvable when an id is unknown or stands twice in its list, or when a key is linked to itself
 */
export function mechanismOf({ keys, links = [], flex = [] }: MechanismInput): Mechanism {
  oneOfEach(keys, 'key');
  oneOfEach(links, 'link');
  const index = new Map(keys.map(({ id }, i) => [id, i]));
  const indexOf = (id: string, where: string): number => {
    const found = index.get(id);
    if (found === undefined) throw new Unsolvable(`${where} names the key “${id}”, which is not among the keys.`);
    return found;
  };
  const models = keys.map(
    ({ id, rest = 'open', travel, unevenness = 0, stiffness = 8, touchRatio = 1, spring }): KeyModel => {
      const { force, rate = 0 } = spring;
      const open = rest === 'open';
      return {
        id,
        open,
        travel,
        unevenness,
        stiffness,
        touchRatio,
        slope: open ? force : -(force + rate * travel),
        rate,
      };
    },
  );
  const linked = links.map(({ id, driver, follower, acts = 'carries', ratio = 1, gap, stiffness = 60 }): LinkModel => {
    const where = `The link “${id}”`;
    const [d, f] = [indexOf(driver, where), indexOf(follower, where)];
    if (d === f) throw new Unsolvable(`${where} links the key “${driver}” to itself.`);
    const [from, to] = [models[d] as KeyModel, models[f] as KeyModel];
    // The motion away from rest, as a share of q and what is left at q = 0.
    const motion = ({ open, travel }: KeyModel) => (open ? ([1, 0] as const) : ([-1, travel] as const));
    const [a, atRest] = motion(from);
    const [b, other] = motion(to);
    const contacts: Record<typeof acts, Omit<Contact, 'stiffness'>> = {
      'carries': {
        terms: [
          [d, ratio * a],
          [f, -b],
        ],
        offset: ratio * atRest - gap - other,
      },
      'holds-shut': {
        terms: [
          [d, ratio * a],
          [f, -1],
        ],
        offset: ratio * (atRest - from.travel) - gap + to.travel,
      },
      'holds-shut-at-rest': {
        terms: [
          [f, -1],
          [d, -ratio * a],
        ],
        offset: to.travel - ratio * atRest - gap,
      },
    };
    return { id, contact: { ...contacts[acts], stiffness } };
  });
  return {
    balance: new Balance(models, linked),
    keys: models,
    links: linked,
    indexOf,
    flex: flex.map(({ pressed, key, perNewton }) => {
      indexOf(pressed, 'A row of flex');
      return { pressed, key: indexOf(key, 'A row of flex'), perNewton };
    }),
  };
}

/** Where the first touch of each pad lies under these forces: presses flex the body. */
const touchAt = ({ keys, flex }: Mechanism, forces: Forces): Float64Array => {
  const at = Float64Array.from(keys, ({ travel }) => travel);
  for (const { pressed: by, key, perNewton } of flex) at[key] = (at[key] ?? 0) + perNewton * (forces[by] ?? 0);
  return at;
};

/** What the keys of a mechanism do under some forces. */
export interface Pressed {
  /** closing travel of each key, mm */
  q: Float64Array;
  /** first touch of each pad, mm */
  touch: Float64Array;
}

/**
 * The state of a mechanism under forces: the least of a convex, piecewise quadratic energy over q ≥ 0, by Newton's
 * method on what is pressed together now, with an exact search along each step.
 *
 * @param from a state it was in under forces like these: then fewer steps are needed
 */
export function press(mechanism: Mechanism, forces: Forces, from?: Pressed): Pressed {
  const { keys, links, balance } = mechanism;
  const touch = touchAt(mechanism, forces);
  balance.load(links, touch, forces);
  // From rest: an open key at its stop, a closed one on its rim.
  const q = from ? Float64Array.from(from.q) : Float64Array.from(keys, ({ open, travel }) => (open ? 0 : travel));
  balance.settle(q);
  return { q, touch };
}

/** A pad that is closer than this to sealing seals, mm. */
const sealedWithin = 1e-7;

/** What one key does: how far it came, whether it seals, what is left open, how hard the pad is pressed. */
export function keyState({ keys }: Mechanism, { q, touch }: Pressed, i: number) {
  const { id, unevenness, stiffness } = keys[i] as KeyModel;
  const [travel, first] = [q[i] ?? 0, touch[i] ?? 0];
  const seal = first + unevenness;
  return {
    id,
    travel,
    sealed: travel >= seal - sealedWithin,
    gap: Math.max(0, seal - travel),
    padForce: (stiffness / 2) * (Math.max(0, travel - first) + Math.max(0, travel - seal)),
  };
}

/** The same mechanism with every link's gap opened by so much, mm. */
export const withGaps = (mechanism: Mechanism, by: readonly number[]): Mechanism => ({
  ...mechanism,
  links: mechanism.links.map((link, i) => ({
    ...link,
    contact: { ...link.contact, offset: link.contact.offset - (by[i] ?? 0) },
  })),
});

/** How far a contact is pressed together, mm; not pressed where it is less than 0. */
const pressed = ({ terms: [[a, share], [b, other]], offset }: Contact, q: Float64Array): number =>
  offset + share * (q[a] ?? 0) + other * (q[b] ?? 0);

/** How far each link is pressed together, mm; less than 0 where it is clear. */
export const linkGaps = ({ links }: Mechanism, { q }: Pressed): number[] =>
  links.map(({ contact }) => pressed(contact, q));

/** The force each link passes on to its follower, N. */
export const linkForces = ({ links }: Mechanism, { q }: Pressed): { id: string; force: number }[] =>
  links.map(({ id, contact }) => ({ id, force: contact.stiffness * Math.max(0, pressed(contact, q)) }));
