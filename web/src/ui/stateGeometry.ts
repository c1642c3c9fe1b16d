/** The shapes of the states about the origin, for whatever draws them: a screen, a sheet. `size` is half the box they stand in. */
export function stateGeometry(size: number) {
  const r = size * 0.8;
  return {
    r,
    stroke: size * 0.3,
    wedge: `M0 ${-size} L${size} ${size * 0.8} L${-size} ${size * 0.8} Z`,
    /** the right half of the ring, filled */
    half: `M0 ${-r} A${r} ${r} 0 0 1 0 ${r} Z`,
    broken: `${size * 0.95} ${size * 0.72}`,
  };
}
