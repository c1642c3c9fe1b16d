import { solveSpd, Unsolvable } from '../metrology';

/** Newtons at the touch, by key. */
export type Forces = Readonly<Record<string, number>>;

/** A pressing spring between two keys: ½·k·max(0, a·q + offset)² for a row a with two entries. What links are made of. */
export interface Contact {
  /** index of a key and its share */
  terms: readonly [readonly [number, number], readonly [number, number]];
  offset: number;
  stiffness: number;
}

/** A key as the energy sees it. */
export interface KeyModel {
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

export interface LinkModel {
  id: string;
  contact: Contact;
}

/** Largest push that is left on a key at rest in its state, N. */
const balanced = 1e-11;

const mostSteps = 500;

/** Keeps flat directions solvable: a key that only its spring acts on, before its pad touches, N/mm. */
const floor = 1e-7;

/**
 * Contacts as plain columns, and room to work in: a mechanism is pressed some ten thousand times for one answer, and
 * every object made on the way would have to be swept up again. First the links, then where each pad first touches,
 * then where it seals.
 */
export class Balance {
  private readonly size: number;
  private readonly contacts: number;
  private readonly first: Int32Array;
  private readonly share: Float64Array;
  /** −1 where a contact has one key only */
  private readonly second: Int32Array;
  private readonly otherShare: Float64Array;
  private readonly stiffness: Float64Array;
  private readonly offset: Float64Array;
  private readonly constant: Float64Array;
  private readonly rate: Float64Array;
  /** how far each contact is pressed together; less than 0 where it is clear */
  private readonly v: Float64Array;
  private readonly by: Float64Array;
  private readonly turnAt: Float64Array;
  private readonly g: Float64Array;
  private readonly d: Float64Array;
  private readonly hessian: Float64Array;
  private readonly step: Float64Array;
  private readonly free: Int32Array;
  private readonly row: Int32Array;
  private readonly links: number;

  constructor(
    private readonly keys: readonly KeyModel[],
    links: readonly LinkModel[],
  ) {
    const n = keys.length;
    this.size = n;
    this.links = links.length;
    this.contacts = links.length + 2 * n;
    const column = () => new Float64Array(this.contacts);
    this.first = new Int32Array(this.contacts);
    this.second = new Int32Array(this.contacts).fill(-1);
    [this.share, this.otherShare, this.stiffness, this.offset, this.v, this.by, this.turnAt] = [
      column().fill(1),
      column(),
      column(),
      column(),
      column(),
      column(),
      column(),
    ];
    links.forEach(({ contact }, i) => {
      const [[a, share], [b, other]] = contact.terms;
      this.first[i] = a;
      this.share[i] = share;
      this.second[i] = b;
      this.otherShare[i] = other;
      this.stiffness[i] = contact.stiffness;
    });
    keys.forEach(({ stiffness }, i) => {
      for (const at of [this.links + i, this.links + n + i]) {
        this.first[at] = i;
        this.stiffness[at] = stiffness / 2;
      }
    });
    this.rate = Float64Array.from(keys, ({ rate }) => rate);
    this.constant = new Float64Array(n);
    [this.g, this.d, this.step] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
    this.hessian = new Float64Array(n * n);
    [this.free, this.row] = [new Int32Array(n), new Int32Array(n)];
  }

  /** Sets what pushes: the gaps of the links, the first touch of the pads, springs and fingers. */
  load(links: readonly LinkModel[], touch: Float64Array, forces: Forces): void {
    const { offset, constant, keys, size } = this;
    links.forEach(({ contact }, i) => {
      offset[i] = contact.offset;
    });
    keys.forEach(({ id, open, unevenness, touchRatio, slope }, i) => {
      offset[this.links + i] = -(touch[i] ?? 0);
      offset[this.links + size + i] = -(touch[i] ?? 0) - unevenness;
      constant[i] = slope - (open ? 1 : -1) * touchRatio * (forces[id] ?? 0);
    });
  }

  /** Moves q to the state of least energy. */
  settle(q: Float64Array): void {
    const { size, g, d, free } = this;
    for (let step = 0; step < mostSteps; step += 1) {
      this.lookAt(q);
      let m = 0;
      let rests = true;
      for (let i = 0; i < size; i += 1) {
        const push = g[i] as number;
        if ((q[i] as number) > 0 || push < 0) {
          free[m] = i;
          m += 1;
          if (Math.abs(push) > balanced) rests = false;
        }
      }
      if (rests) return;
      this.newtonStep(m);
      // A key at its stop that the others would carry past it stays there; then the others are asked again.
      for (;;) {
        let left = 0;
        for (let at = 0; at < m; at += 1) {
          const i = free[at] as number;
          if ((q[i] as number) === 0 && (d[i] as number) < 0) continue;
          free[left] = i;
          left += 1;
        }
        if (left === m) break;
        m = left;
        this.newtonStep(m);
      }
      this.moveAlong(q);
    }
  }

  /** How every contact is pressed in this state, and what pushes at every key. */
  private lookAt(q: Float64Array): void {
    const { contacts, first, second, share, otherShare, offset, stiffness, v, g, rate, constant, size } = this;
    for (let i = 0; i < size; i += 1) g[i] = (constant[i] as number) + (rate[i] as number) * (q[i] as number);
    for (let c = 0; c < contacts; c += 1) {
      const [a, b] = [first[c] as number, second[c] as number];
      let pressedBy = (offset[c] as number) + (share[c] as number) * (q[a] as number);
      if (b >= 0) pressedBy += (otherShare[c] as number) * (q[b] as number);
      v[c] = pressedBy;
      if (pressedBy <= 0) continue;
      const force = (stiffness[c] as number) * pressedBy;
      g[a] = (g[a] as number) + force * (share[c] as number);
      if (b >= 0) g[b] = (g[b] as number) + force * (otherShare[c] as number);
    }
  }

  /** The Newton step of the first m keys that are free to move, on the contacts that are pressed now. */
  private newtonStep(m: number): void {
    const { size, contacts, first, second, share, otherShare, stiffness, v, g, d, rate, free, row, hessian, step } =
      this;
    row.fill(-1);
    hessian.fill(0, 0, m * m);
    for (let at = 0; at < m; at += 1) {
      const i = free[at] as number;
      row[i] = at;
      hessian[at * m + at] = (rate[i] as number) + floor;
      step[at] = -(g[i] as number);
    }
    for (let c = 0; c < contacts; c += 1) {
      // What just touches counts as pressed: the step must feel it.
      if ((v[c] as number) < -1e-12) continue;
      const [k, a, x] = [stiffness[c] as number, row[first[c] as number] as number, share[c] as number];
      if (a >= 0) hessian[a * m + a] = (hessian[a * m + a] as number) + k * x * x;
      const other = second[c] as number;
      if (other < 0) continue;
      const [b, y] = [row[other] as number, otherShare[c] as number];
      if (b < 0) continue;
      hessian[b * m + b] = (hessian[b * m + b] as number) + k * y * y;
      if (a < 0) continue;
      hessian[a * m + b] = (hessian[a * m + b] as number) + k * x * y;
      hessian[b * m + a] = (hessian[b * m + a] as number) + k * x * y;
    }
    if (!solveSpd(hessian, step, m)) throw new Unsolvable('The mechanism has no state of its own under these forces.');
    for (let i = 0; i < size; i += 1) d[i] = 0;
    for (let at = 0; at < m; at += 1) d[free[at] as number] = step[at] as number;
  }

  /** Moves q along d to the least energy on that line, or to the first key that comes to its open stop. Exact. */
  private moveAlong(q: Float64Array): void {
    const { size, contacts, first, second, share, otherShare, stiffness, v, by, turnAt, d, rate, constant } = this;
    let end = Infinity;
    let stops = -1;
    // The slope of the energy along the line: straight between the places where a contact begins or ends.
    let [slope, curve] = [0, 0];
    for (let i = 0; i < size; i += 1) {
      const [at, along] = [q[i] as number, d[i] as number];
      if (along === 0) continue;
      if (along < 0 && at / -along < end) [end, stops] = [at / -along, i];
      slope += ((constant[i] as number) + (rate[i] as number) * at) * along;
      curve += (rate[i] as number) * along * along;
    }
    for (let c = 0; c < contacts; c += 1) {
      const b = second[c] as number;
      let moves = (share[c] as number) * (d[first[c] as number] as number);
      if (b >= 0) moves += (otherShare[c] as number) * (d[b] as number);
      by[c] = moves;
      turnAt[c] = Infinity;
      if (moves === 0) continue;
      const now = v[c] as number;
      if (now > 0 || (now === 0 && moves > 0)) {
        slope += (stiffness[c] as number) * now * moves;
        curve += (stiffness[c] as number) * moves * moves;
      }
      if (-now / moves > 0) turnAt[c] = -now / moves;
    }
    // From one place to the next, until the slope turns up before it: they are few, and seldom is even one passed.
    let t = 0;
    for (;;) {
      let next = -1;
      let to = end;
      for (let c = 0; c < contacts; c += 1) if ((turnAt[c] as number) < to) [next, to] = [c, turnAt[c] as number];
      if (slope + curve * to >= 0) {
        t = curve > 0 ? Math.max(t, -slope / curve) : t;
        break;
      }
      t = to;
      if (next < 0) break;
      const moves = by[next] as number;
      const sign = moves > 0 ? 1 : -1;
      slope += sign * (stiffness[next] as number) * (v[next] as number) * moves;
      curve += sign * (stiffness[next] as number) * moves * moves;
      turnAt[next] = Infinity;
    }
    if (!Number.isFinite(t)) throw new Unsolvable('The mechanism has no state of its own under these forces.');
    for (let i = 0; i < size; i += 1) q[i] = Math.max(0, (q[i] as number) + t * (d[i] as number));
    if (t === end && stops >= 0) q[stops] = 0;
  }
}
