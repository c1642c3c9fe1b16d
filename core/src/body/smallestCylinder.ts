/** A place of the centre line: distance along the tube and two offsets across it, mm. */
export interface Centre {
  at: number;
  x: number;
  y: number;
}

/** The answer is good to this share of itself. */
const closeEnough = 1e-6;
/** Where many centres lie equally far out the last digits come slowly: then a tenth of what the contract asks will do. */
const patientRounds = 300;
const goodEnough = 1e-3;
const mostRounds = 20_000;

/** The line that makes Σ w·d² smallest, as the squared distance of every centre from it. */
function squaredDistances(centres: readonly Centre[], weights: readonly number[]): number[] {
  let total = 0;
  let [z, x, y] = [0, 0, 0];
  centres.forEach((centre, i) => {
    const w = weights[i] ?? 0;
    total += w;
    z += w * centre.at;
    x += w * centre.x;
    y += w * centre.y;
  });
  [z, x, y] = [z / total, x / total, y / total];
  let [zz, zx, zy] = [0, 0, 0];
  centres.forEach((centre, i) => {
    const w = weights[i] ?? 0;
    const dz = centre.at - z;
    zz += w * dz * dz;
    zx += w * dz * (centre.x - x);
    zy += w * dz * (centre.y - y);
  });
  const [slopeX, slopeY] = zz > 0 ? [zx / zz, zy / zz] : [0, 0];
  return centres.map((centre) => {
    const dz = centre.at - z;
    return (centre.x - x - slopeX * dz) ** 2 + (centre.y - y - slopeY * dz) ** 2;
  });
}

/**
 * Diameter of the smallest cylinder, about any line, that holds all centres (small angles: distances are taken square
 * to the tube).
 *
 * Lawson's method: least squares again and again, each centre weighted up by how far it lies out. The weighted spread is a lower
 * bound and the farthest centre an upper one, so the search knows how close it is. Tens of rounds for a tube.
 */
export function smallestCylinder(centres: readonly Centre[]): number {
  const n = centres.length;
  // Along the tube only shares matter; scaled, so that a long tube costs no digits.
  const first = Math.min(...centres.map(({ at }) => at));
  const span = Math.max(...centres.map(({ at }) => at)) - first || 1;
  const scaled = centres.map(({ at, x, y }) => ({ at: (at - first) / span, x, y }));
  let weights = Array.from({ length: n }, () => 1 / n);
  let least = Infinity;
  for (let round = 0; round < mostRounds; round += 1) {
    const squares = squaredDistances(scaled, weights);
    const distances = squares.map(Math.sqrt);
    least = Math.min(least, Math.max(...distances));
    const bound = Math.sqrt(squares.reduce((sum, square, i) => sum + (weights[i] ?? 0) * square, 0));
    const wanted = round < patientRounds ? closeEnough : goodEnough;
    if (!(least - bound > wanted * least) || least < 1e-12) break;
    const raised = weights.map((w, i) => w * (distances[i] ?? 0));
    const total = raised.reduce((sum, w) => sum + w, 0);
    weights = raised.map((w) => w / total);
  }
  return 2 * least;
}
