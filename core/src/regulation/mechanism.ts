import { solveSpd, Unsolvable } from '../metrology';
import { oneOfEach } from '../solvers/checks';
import type { LinkageInput } from './linkage.schema';

export type MechanismInput = Pick<LinkageInput, 'keys' | 'links' | 'flex'>;

/** Newtons at the touch, by key. */
export type Forces = Readonly<Record<string, number>>;

/** A pressing spring: ½·k·max(0, a·q)² for a row a of few entries. What pads and links are made of. */
interface Contact {
  /** index of a key and its share */
  terms: readonly (readonly [number, number])[];
  offset: number;
  stiffness: number;
}

/** A key as the energy sees it. */
interface KeyModel {
  id: string;
  open: boolean;
  travel: number;
  unevenness: number;
  stiffness: number;
  touchRatio: number;
  /** slope and curvature of its spring over the closing travel */
  slope: number;
  rate: number;
}

interface LinkModel {
  id: string;
  contact: Contact;
}

/** Keys, links and flex of a mechanism, looked through and ready to be pressed. */
export interface Mechanism {
  keys: readonly KeyModel[];
  links: readonly LinkModel[];
  /** index of a key by its id */
  indexOf: (id: string, where: string) => number;
  flex: readonly { pressed: string; key: number; perNewton: number }[];
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
    keys: models,
    links: linked,
    indexOf,
    flex: flex.map(({ pressed, key, perNewton }) => {
      indexOf(pressed, 'A row of flex');
      return { pressed, key: indexOf(key, 'A row of flex'), perNewton };
    }),
  };
}

/** How far a contact is pressed together, mm; not pressed where it is less than 0. */
const pressed = ({ terms, offset }: Contact, q: Float64Array): number =>
  terms.reduce((sum, [i, share]) => sum + share * (q[i] ?? 0), offset);

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

/** Largest push that is left on a key at rest in its state, N. */
const balanced = 1e-11;
const mostSteps = 500;
/** Keeps flat directions solvable: a key that only its spring acts on, before its pad touches, N/mm. */
const floor = 1e-7;

/**
 * The state of a mechanism under forces: the least of a convex, piecewise quadratic energy over q ≥ 0, by Newton's
 * method on what is pressed together now, with an exact search along each step.
 */
export function press(mechanism: Mechanism, forces: Forces): Pressed {
  const { keys, links } = mechanism;
  const touch = touchAt(mechanism, forces);
  const contacts: Contact[] = links.map(({ contact }) => contact);
  keys.forEach(({ stiffness, unevenness }, i) => {
    for (const further of [0, unevenness])
      contacts.push({ terms: [[i, 1]], offset: -(touch[i] ?? 0) - further, stiffness: stiffness / 2 });
  });
  const constant = Float64Array.from(
    keys,
    ({ id, open, touchRatio, slope }) => slope - (open ? 1 : -1) * touchRatio * (forces[id] ?? 0),
  );
  const gradient = (q: Float64Array): Float64Array => {
    const g = Float64Array.from(keys, ({ rate }, i) => (constant[i] ?? 0) + rate * (q[i] ?? 0));
    for (const contact of contacts) {
      const v = pressed(contact, q);
      if (v > 0) for (const [i, share] of contact.terms) g[i] = (g[i] ?? 0) + contact.stiffness * v * share;
    }
    return g;
  };
  // From rest: an open key at its stop, a closed one on its rim.
  const q = Float64Array.from(keys, ({ open, travel }) => (open ? 0 : travel));
  for (let step = 0; step < mostSteps; step += 1) {
    const g = gradient(q);
    let free = keys.flatMap((_, i) => ((q[i] ?? 0) > 0 || (g[i] ?? 0) < 0 ? [i] : []));
    if (free.every((i) => Math.abs(g[i] ?? 0) <= balanced)) break;
    let d = newtonStep(keys, contacts, q, g, free);
    // A key at its stop that the others would carry past it stays there; then the others are asked again.
    for (const stays = (i: number) => (q[i] ?? 0) === 0 && (d[i] ?? 0) < 0; free.some(stays);) {
      free = free.filter((i) => !stays(i));
      d = newtonStep(keys, contacts, q, g, free);
    }
    moveAlong(q, d, keys, constant, contacts);
  }
  return { q, touch };
}

/** The Newton step of the keys that are free to move, on the contacts that are pressed now. */
function newtonStep(
  keys: readonly KeyModel[],
  contacts: readonly Contact[],
  q: Float64Array,
  g: Float64Array,
  free: readonly number[],
): Float64Array {
  const m = free.length;
  const row = new Map(free.map((i, at) => [i, at]));
  const hessian = new Float64Array(m * m);
  free.forEach((i, at) => {
    hessian[at * m + at] = (keys[i]?.rate ?? 0) + floor;
  });
  for (const contact of contacts) {
    // What just touches counts as pressed: the step must feel it.
    if (pressed(contact, q) < -1e-12) continue;
    for (const [i, a] of contact.terms)
      for (const [j, b] of contact.terms) {
        const [r, c] = [row.get(i), row.get(j)];
        if (r !== undefined && c !== undefined)
          hessian[r * m + c] = (hessian[r * m + c] ?? 0) + contact.stiffness * a * b;
      }
  }
  const step = Float64Array.from(free, (i) => -(g[i] ?? 0));
  const d = new Float64Array(keys.length);
  if (!solveSpd(hessian, step, m)) throw new Unsolvable('The mechanism has no state of its own under these forces.');
  free.forEach((i, at) => {
    d[i] = step[at] ?? 0;
  });
  return d;
}

/** Moves q along d to the least energy on that line, or to the first key that comes to its open stop. Exact. */
function moveAlong(
  q: Float64Array,
  d: Float64Array,
  keys: readonly KeyModel[],
  constant: Float64Array,
  contacts: readonly Contact[],
): void {
  let end = Infinity;
  let stops = -1;
  for (let i = 0; i < q.length; i += 1) {
    const to = (d[i] ?? 0) < 0 ? (q[i] ?? 0) / -(d[i] ?? 0) : Infinity;
    if (to < end) [end, stops] = [to, i];
  }
  // The slope of the energy along the line: linear between the places where a contact begins or ends.
  let slope = 0;
  let curve = 0;
  keys.forEach(({ rate }, i) => {
    slope += ((constant[i] ?? 0) + rate * (q[i] ?? 0)) * (d[i] ?? 0);
    curve += rate * (d[i] ?? 0) ** 2;
  });
  const turns: { at: number; slope: number; curve: number }[] = [];
  for (const contact of contacts) {
    const v = pressed(contact, q);
    const by = contact.terms.reduce((sum, [i, share]) => sum + share * (d[i] ?? 0), 0);
    if (v > 0 || (v === 0 && by > 0)) {
      slope += contact.stiffness * v * by;
      curve += contact.stiffness * by * by;
    }
    const at = by === 0 ? -1 : -v / by;
    const sign = by > 0 ? 1 : -1;
    if (at > 0) turns.push({ at, slope: sign * contact.stiffness * v * by, curve: sign * contact.stiffness * by * by });
  }
  turns.sort((a, b) => a.at - b.at);
  let t = 0;
  for (const turn of [...turns, { at: Infinity, slope: 0, curve: 0 }]) {
    const to = Math.min(turn.at, end);
    if (slope + curve * to >= 0) {
      t = curve > 0 ? Math.max(t, -slope / curve) : t;
      break;
    }
    t = to;
    if (to === end) break;
    slope += turn.slope;
    curve += turn.curve;
  }
  if (!Number.isFinite(t)) throw new Unsolvable('The mechanism has no state of its own under these forces.');
  for (let i = 0; i < q.length; i += 1) q[i] = Math.max(0, (q[i] ?? 0) + t * (d[i] ?? 0));
  if (t === end && stops >= 0) q[stops] = 0;
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

/** How far each link is pressed together, mm; less than 0 where it is clear. */
export const linkGaps = ({ links }: Mechanism, { q }: Pressed): number[] =>
  links.map(({ contact }) => pressed(contact, q));

/** The force each link passes on to its follower, N. */
export const linkForces = ({ links }: Mechanism, { q }: Pressed): { id: string; force: number }[] =>
  links.map(({ id, contact }) => ({ id, force: contact.stiffness * Math.max(0, pressed(contact, q)) }));
