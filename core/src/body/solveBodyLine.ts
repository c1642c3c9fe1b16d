import { atMost, clockOf, inClockOrder, leastSquares, normalClock, toDegrees, toRadians } from '../metrology';
import type { BodyLineInput, BodyLineOutput } from './bodyLine.schema';
import { fitBow, fitKink } from './fitBend';
import { smallestCylinder, type Centre } from './smallestCylinder';

/** Centre of the tube at a station, from sightings round it: LSQ dev = a + X·cosθ + Y·sinθ. */
function centreOf({ at, sightings }: BodyLineInput['stations'][number]): Centre {
  const ordered = inClockOrder(sightings);
  const [, x = 0, y = 0] = leastSquares(
    ordered.map(({ clock }) => [1, Math.cos(toRadians(clock)), Math.sin(toRadians(clock))]),
    ordered.map(({ deviation }) => deviation),
    `the centre of the tube at ${at} mm`,
  );
  return { at, x, y };
}

/** What three stations say of a line: a first number, and toward where its middle stands off the line of its ends. */
export interface FirstLine {
  /** mm, as in `solveBodyLine` */
  zone: number;
  /** mm along the tube */
  at: number;
  /** null where it leans nowhere */
  towardClock: number | null;
}

/**
 * A first number from three stations: enough to know whether more are worth reading, too few to tell a bend from a bow.
 *
 * @throws Unsolvable when the sightings of a station do not determine its centre
 */
export function firstLine(stations: BodyLineInput['stations']): FirstLine | null {
  const centres = [...stations].sort((a, b) => a.at - b.at).map(centreOf);
  const [upper, middle, lower] = centres;
  if (!upper || !middle || !lower || centres.length !== 3) return null;
  const share = (middle.at - upper.at) / (lower.at - upper.at);
  const off = (axis: 'x' | 'y') => middle[axis] - (upper[axis] + share * (lower[axis] - upper[axis]));
  return { zone: smallestCylinder(centres), at: middle.at, towardClock: clockOf(off('x') * 1e6, off('y') * 1e6) };
}

/** The bend that explains the centres best, a kink or a bow, however small it is. Clock is null where it leans nowhere. */
function bendOfCentres(centres: readonly Centre[]) {
  const kink = fitKink(centres);
  const bow = fitBow(centres);
  const spread = centres.reduce((sum, { x, y }) => sum + x * x + y * y, 0);
  const isKink = kink.squaredError <= bow.squaredError + 1e-12 * spread;
  const { at, turnX, turnY } = isKink ? kink : bow;
  return {
    shape: isKink ? ('kink' as const) : ('bow' as const),
    at,
    towardClock: clockOf(turnX * 1e6, turnY * 1e6),
    angleDegrees: toDegrees(Math.atan(Math.hypot(turnX, turnY))),
  };
}

/**
 * Is the tube straight, and if not, where is it bent, toward where, and how far must it be pushed?
 *
 * Millimetres and degrees. The zone is the smallest cylinder that holds the centre line. A tube outside its zone is a
 * kink or a bow, whichever explains the centres better. The correction over-bends by what springs back.
 *
 * @throws Unsolvable when the sightings of a station do not determine its centre
 */
export function solveBodyLine(input: BodyLineInput): BodyLineOutput {
  const { limits, springBack = 0 } = input;
  const centres = [...input.stations].sort((a, b) => a.at - b.at).map(centreOf);
  const zone = smallestCylinder(centres);
  if (atMost(zone, limits.zone)) return { zone, shape: 'straight', verdict: 'within', centres };

  const { shape, at, towardClock, angleDegrees } = bendOfCentres(centres);
  return {
    zone,
    shape,
    verdict: 'outside',
    centres,
    bend: { at, towardClock, angleDegrees },
    correction: {
      supportAt: at,
      pushClock: towardClock === null ? null : normalClock(towardClock + 180),
      setDegrees: angleDegrees / (1 - springBack),
    },
  };
}
