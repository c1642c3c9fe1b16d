import { airViscosity, interpolate, Unsolvable } from '../metrology';
import { oneOfEach } from '../solvers/checks';
import { along, phrase } from '../units';
import type { PitchInput } from './pitch.schema';

/** An acoustic impedance, Pa·s/m³: resistance and reactance. Worked out in place, since a tube is thousands of slices. */
export interface Impedance {
  re: number;
  im: number;
}

/** At hand by name: a whole compass asks them millions of times, and looking each up on its object costs as much again. */
const { PI, abs, ceil, cos, exp, sin, sqrt, tan, tanh } = Math;

/** Slices of a cone are no longer than this where nothing else is asked, mm. */
const usualSlice = 0.5;
const metres = 1e-3;
/** No wind instrument is longer than this, m; a bore of kilometres would be millions of slices. */
const longestBore = 20;

/** The air inside: speed of sound, m/s, and density, kg/m³, at a temperature in °C. */
const airAt = (temperature: number) => ({
  speed: 331.3 * sqrt(1 + temperature / 273.15),
  density: (1.2929 * 273.15) / (273.15 + temperature),
});

/** A cylinder of air: length and radius, m. */
interface Slice {
  length: number;
  radius: number;
}

/** A tone hole where the wave passes it, with all that does not hang on the frequency; m. */
interface HoleModel {
  id: string;
  radius: number;
  /** lengths that its reactance stands for, open and closed */
  open: number;
  closed: number;
  inner: number;
  /** what it takes from the length of the tube, open and closed */
  seriesOpen: number;
  seriesClosed: number;
}

/** What is met on the way up the tube: slices of air, then a hole. */
type Element = { kind: 'slice'; slice: Slice } | { kind: 'hole'; hole: HoleModel };

/** A tube from its lower end to where it is excited. */
export interface Tube {
  air: ReturnType<typeof airAt>;
  /** from the lower end up */
  elements: readonly Element[];
  endRadius: number;
  flangedEnd: boolean;
  /** at the upper end, m */
  topRadius: number;
  excitation:
    | { kind: 'reed'; volume: number }
    | { kind: 'edge'; radius: number; above: number; length: number; area: number };
  leaks: ReadonlyMap<string, { width: number; gap: number; land: number }>;
}

type Hole = PitchInput['holes'][number];

/** The lengths of a tone hole, by its own radius b, the bore's radius a and its chimney t; Keefe's forms as fixed here. */
function holeModel({ id, diameter, chimney, pad, flanged = false }: Hole, a: number): HoleModel {
  const b = (diameter / 2) * metres;
  const t = chimney * metres;
  const d = b / a;
  const matching = ((b * d) / 8) * (1 + 0.207 * d ** 3);
  const inner = b * (0.82 - 0.193 * d - 1.09 * d ** 2 + 1.27 * d ** 3 - 0.71 * d ** 4);
  const radiation = pad
    ? 0.6133 * b + 0.61 * b * ((pad.diameter * metres) / 2 / b) ** 0.18 * (b / (pad.height * metres)) ** 0.39
    : (flanged ? 0.8216 : 0.6133) * b;
  const series = (wall: number) => (-b * d * d) / (1.78 * wall + 0.94 + 0.54 * d + 0.285 * d * d);
  const steep = tanh((1.84 * t) / b);
  return {
    id,
    radius: b,
    open: t + matching + radiation + inner,
    closed: t + matching,
    inner,
    seriesOpen: series(steep),
    seriesClosed: series(1 / steep),
  };
}

/** Slices between two places of a bore, from the lower one up: one where it is a cylinder, thin ones where it is a cone. */
function slicesBetween(
  upper: { at: number; radius: number },
  lower: { at: number; radius: number },
  longest: number,
): Slice[] {
  const length = lower.at - upper.at;
  if (length <= 0) return [];
  if (abs(lower.radius - upper.radius) < 1e-12) return [{ length, radius: upper.radius }];
  const count = ceil(length / longest - 1e-9);
  return Array.from({ length: count }, (_, i) => ({
    length: length / count,
    radius: lower.radius + ((upper.radius - lower.radius) * (i + 0.5)) / count,
  }));
}

/**
 * A tube as its slices and holes, from the lower end to its excitation.
 *
 * @param slice no slice of a cone is longer, mm; coarser is quicker
 * @throws Unsolvable when a hole lies below the end of the bore, an edge outside it, or an id is unknown or stands twice
 */
export function tubeOf(input: PitchInput, slice = usualSlice): Tube {
  const { holes, excitation, end = 'unflanged', temperature = 20, leaks = [], fingerings } = input;
  oneOfEach(holes, 'hole');
  oneOfEach(fingerings, 'fingering');
  const known = new Set(holes.map(({ id }) => id));
  const unknown = [...fingerings.flatMap(({ closed }) => closed), ...leaks.map(({ hole }) => hole)].find(
    (id) => !known.has(id),
  );
  if (unknown !== undefined) throw new Unsolvable(`“${unknown}” is not among the holes.`);
  const points = [...input.bore]
    .sort((a, b) => a.at - b.at)
    .map(({ at, diameter }) => ({ at: at * metres, radius: (diameter / 2) * metres }));
  const [top, bottom] = [points[0], points.at(-1)];
  if (!top || !bottom || !(bottom.at > top.at))
    throw new Unsolvable('The bore has no length: its points lie at one place.');
  if (bottom.at - top.at > longestBore)
    throw new Unsolvable(
      phrase`The bore is longer than ${along(longestBore / metres)}: give its places in millimetres.`,
    );
  const radii = points.map(({ at, radius }) => ({ at, value: radius }));
  const radiusAt = (at: number): number => interpolate(radii, at);
  const source = excitation.kind === 'edge' ? (excitation.at ?? 0) * metres : top.at;
  if (source < top.at || source > bottom.at)
    throw new Unsolvable(phrase`The edge at ${along(source / metres)} lies outside the bore.`);
  const low = holes.find(({ at }) => at * metres > bottom.at + 1e-12);
  if (low) throw new Unsolvable(phrase`The hole “${low.id}” at ${along(low.at)} lies below the end of the bore.`);
  // What lies at or above the place that is blown does nothing.
  const active = holes
    .map((hole, order) => ({ hole, order, at: hole.at * metres }))
    .filter(({ at }) => at > source + 1e-12)
    .sort((a, b) => b.at - a.at || a.order - b.order);
  const elements: Element[] = [];
  let from = { at: bottom.at, radius: bottom.radius };
  /** Up to a place: slice by slice between the points of the bore that lie on the way. */
  const climb = (to: number) => {
    const between = points.filter(({ at }) => at > to && at < from.at).reverse();
    for (const next of [...between, { at: to, radius: radiusAt(to) }]) {
      for (const piece of slicesBetween(next, from, slice * metres)) elements.push({ kind: 'slice', slice: piece });
      from = next;
    }
  };
  for (const { hole, at } of active) {
    climb(at);
    elements.push({ kind: 'hole', hole: holeModel(hole, radiusAt(at)) });
  }
  climb(source);
  return {
    air: airAt(temperature),
    elements,
    endRadius: bottom.radius,
    flangedEnd: end === 'flanged',
    topRadius: top.radius,
    excitation:
      excitation.kind === 'reed'
        ? { kind: 'reed', volume: (excitation.volume ?? 0) * metres ** 3 }
        : {
            kind: 'edge',
            radius: radiusAt(source),
            above: source - top.at,
            length: (excitation.length ?? 0) * metres,
            area: PI * (((excitation.diameter ?? 0) / 2) * metres) ** 2,
          },
    leaks: new Map(
      leaks.map(({ hole, width, gap, land }) => [
        hole,
        { width: width * metres, gap: gap * metres, land: land * metres },
      ]),
    ),
  };
}

/** Z ← Z ∥ (re + j·im). */
function parallel(z: Impedance, re: number, im: number): void {
  const [sumRe, sumIm] = [z.re + re, z.im + im];
  const size = sumRe * sumRe + sumIm * sumIm;
  const [topRe, topIm] = [z.re * re - z.im * im, z.re * im + z.im * re];
  z.re = (topRe * sumRe + topIm * sumIm) / size;
  z.im = (topIm * sumRe - topRe * sumIm) / size;
}

/** Up through a cylinder: Z ← (Z + Zc·tanh ΓL)/(1 + (Z/Zc)·tanh ΓL), with the losses at its wall. */
function through(z: Impedance, { length, radius: a }: Slice, frequency: number, { speed, density }: Tube['air']): void {
  const root = sqrt(frequency);
  const zc = (density * speed) / (PI * a * a);
  const loss = ((3e-5 * root) / a) * length;
  const turn = ((2 * PI * frequency) / (speed * (1 - 1.65e-3 / (a * root)))) * length;
  // tanh(x + jy) = (sinh 2x + j·sin 2y)/(cosh 2x + cos 2y)
  const grown = exp(2 * loss);
  const below = (grown + 1 / grown) / 2 + cos(2 * turn);
  const tRe = (grown - 1 / grown) / 2 / below;
  const tIm = sin(2 * turn) / below;
  const topRe = z.re + zc * tRe;
  const topIm = z.im + zc * tIm;
  const lowRe = 1 + (z.re * tRe - z.im * tIm) / zc;
  const lowIm = (z.re * tIm + z.im * tRe) / zc;
  const size = lowRe * lowRe + lowIm * lowIm;
  z.re = (topRe * lowRe + topIm * lowIm) / size;
  z.im = (topIm * lowRe - topRe * lowIm) / size;
}

/** Up past a hole: half of what it takes from the tube's length, the hole beside it, the other half. */
function past(z: Impedance, hole: HoleModel, shut: boolean, k: number, frequency: number, tube: Tube): void {
  const { speed, density } = tube.air;
  const z0 = (density * speed) / (PI * hole.radius ** 2);
  const series = (z0 * k * (shut ? hole.seriesClosed : hole.seriesOpen)) / 2;
  const shunt: Impedance = shut
    ? { re: 0, im: z0 * (-1 / tan(k * hole.closed) + k * hole.inner) }
    : { re: z0 * 0.25 * (k * hole.radius) ** 2, im: z0 * tan(k * hole.open) };
  const leak = shut ? tube.leaks.get(hole.id) : undefined;
  if (leak) {
    const { width, gap, land } = leak;
    parallel(
      shunt,
      (12 * airViscosity * land) / (width * gap ** 3),
      (2 * PI * frequency * 1.2 * density * land) / (width * gap),
    );
  }
  z.im += series;
  parallel(z, shunt.re, shunt.im);
  z.im += series;
}

/** What the player's end of the tube meets at a frequency, with some of its holes closed. */
export function inputImpedance(tube: Tube, closed: ReadonlySet<string>, frequency: number): Impedance {
  const { speed, density } = tube.air;
  const omega = 2 * PI * frequency;
  const k = omega / speed;
  const ka = k * tube.endRadius;
  const end = (density * speed) / (PI * tube.endRadius ** 2);
  const z: Impedance = tube.flangedEnd
    ? { re: end * 0.5 * ka * ka, im: end * 0.8216 * ka }
    : { re: end * 0.25 * ka * ka, im: end * 0.6133 * ka };
  for (const element of tube.elements)
    if (element.kind === 'slice') through(z, element.slice, frequency, tube.air);
    else past(z, element.hole, closed.has(element.hole.id), k, frequency, tube);
  const { excitation } = tube;
  if (excitation.kind === 'reed') {
    if (excitation.volume > 0) parallel(z, 0, -(density * speed * speed) / (omega * excitation.volume));
    return z;
  }
  if (excitation.above > 0) {
    const own = (density * speed) / (PI * excitation.radius ** 2);
    parallel(z, 0, -own / tan((omega * excitation.above) / speed));
  }
  z.im += (omega * density * excitation.length) / excitation.area;
  return z;
}

/** What a wide tube as the upper end would meet: the measure of how strong a resonance is. */
export const topImpedance = ({ air: { speed, density }, topRadius }: Tube): number =>
  (density * speed) / (PI * topRadius ** 2);
