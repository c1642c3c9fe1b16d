import { lightClocks } from '@holotonos/core';

/** A pad as a small dial of eight sectors, front up: for the page and for the printed sheet alike. */
export const dialSize = 28;
const [middle, outer, inner] = [dialSize / 2, dialSize / 2 - 1, dialSize / 4];
const at = (clock: number, r: number) => {
  const radians = (clock * Math.PI) / 180;
  return `${(middle + r * Math.sin(radians)).toFixed(2)} ${(middle - r * Math.cos(radians)).toFixed(2)}`;
};
const half = 180 / lightClocks.length - 2;

/** The outline of each sector, in the order of the clock. */
export const dialSectors: readonly string[] = lightClocks.map((clock) => {
  const [from, to] = [clock - half, clock + half];
  return `M${at(from, outer)} A${outer} ${outer} 0 0 1 ${at(to, outer)} L${at(to, inner)} A${inner} ${inner} 0 0 0 ${at(from, inner)} Z`;
});
