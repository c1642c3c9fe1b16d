import type { PadPicture } from '../pads';
import type { FindingKind } from '../vocabulary';

/** Clock positions a leak light is looked at, clockwise from the front. */
export const lightClocks = [0, 45, 90, 135, 180, 225, 270, 315] as const;
export type LightClock = (typeof lightClocks)[number];

const step = 360 / lightClocks.length;

/** Runs of neighbouring open positions, each by its first clock and how many positions it spans. */
function openRuns(open: ReadonlySet<number>): { from: number; count: number }[] {
  if (open.size === lightClocks.length) return [{ from: 0, count: lightClocks.length }];
  return lightClocks
    .filter((clock) => open.has(clock) && !open.has((clock + 360 - step) % 360))
    .map((from) => {
      let count = 1;
      while (open.has((from + count * step) % 360)) count += 1;
      return { from, count };
    });
}

/** The middle of the open positions, as one direction; null when they cancel out or there are none. */
export function lightDirection(sectors: readonly number[]): number | null {
  const sum = (part: (radians: number) => number) =>
    sectors.reduce((total, clock) => total + part((clock * Math.PI) / 180), 0);
  const [x, y] = [sum(Math.cos), sum(Math.sin)];
  if (Math.hypot(x, y) < 1e-9) return null;
  return ((Math.atan2(y, x) * 180) / Math.PI + 360) % 360;
}

const away = (a: number, b: number) => Math.abs(((a - b + 540) % 360) - 180);

/**
 * What the light alone tells of a pad: the pictures of the `seat` solver, without a figure. One open position is a
 * short gap; two runs that face each other are a saddle; three or more are dots.
 *
 * @param sectors clock positions where light shows at the lightest touch
 *
 * @example lightPicture([315, 0, 45]) // => "touches-back"
 * @example lightPicture([90, 270]) // => "saddle"
 */
export function lightPicture(sectors: readonly number[]): PadPicture {
  const open = new Set(sectors);
  if (open.size === 0) return 'sealed';
  if (open.size === lightClocks.length) return 'held-off';
  const runs = openRuns(open);
  if (runs.length >= 3) return 'dotted';
  if (runs.length === 2) {
    const [a, b] = runs.map(({ from, count }) => from + ((count - 1) * step) / 2) as [number, number];
    return away(a, b) > 135 ? 'saddle' : 'uneven';
  }
  if (open.size === 1) return 'one-gap';
  const direction = lightDirection(sectors) ?? 0;
  if (away(direction, 0) <= 45) return 'touches-back';
  return away(direction, 180) <= 45 ? 'touches-front' : 'open-side';
}

/** Pictures that can be named instead of pressed sector by sector, as the sectors they stand for. */
export const namedPictures = {
  'front': { words: 'open at the front', sectors: [315, 0, 45] },
  'back': { words: 'open at the back', sectors: [135, 180, 225] },
  'left': { words: 'open on the left', sectors: [225, 270, 315] },
  'right': { words: 'open on the right', sectors: [45, 90, 135] },
  'dotted': { words: 'dotted all round', sectors: [0, 90, 180, 270] },
  'opposite': { words: 'two opposite gaps', sectors: [0, 180] },
  'all-round': { words: 'even light all round', sectors: [...lightClocks] },
  'sealed': { words: 'no light', sectors: [] },
} as const satisfies Record<string, { words: string; sectors: readonly LightClock[] }>;
export type NamedPicture = keyof typeof namedPictures;

/** What a picture seen by eye amounts to; null where there is nothing to find. */
export const findingOfPicture: Record<PadPicture, FindingKind | null> = {
  'sealed': null,
  'held-off': 'adjuster-out',
  'saddle': 'rim-warped',
  'dotted': 'pad-leaking',
  'touches-back': 'pad-leaking',
  'touches-front': 'pad-leaking',
  'open-side': 'pad-leaking',
  'one-gap': 'pad-leaking',
  'uneven': 'pad-leaking',
};
