import { lagOf } from './lag';
import type { Forces } from './balance';
import { keyState, mechanismOf, press } from './mechanism';
import type { JobMechanism } from './jobMechanism';
import { leastWhere } from './leastWhere';

/** From where to where something lies, mm. */
export type Interval = readonly [low: number, high: number];

/** What looks have shown, by link: how late its follower is alone; how much its driver is held off by its neighbours. */
export interface Shown {
  lags: ReadonlyMap<string, Interval>;
  /** gaps of links that are no pair of pads: levers, and what holds shut */
  gaps: ReadonlyMap<string, Interval>;
  /** the gap under a key when it and others are pressed, oldest first, with what links were turned by since, mm */
  heldOff: readonly { key: string; forces: Forces; gap: Interval; turns: ReadonlyMap<string, number> }[];
}

/** The value of an interval that lies nearest to this one. */
export const clamp = (value: number, [low, high]: Interval) => Math.min(Math.max(value, low), high);
/** A link on which this many corrections do not settle is not one that gaps alone explain. */
const mostCorrections = 4;
const near = 1e-5;
/** Keys on one rod twist it for each other by up to this many times the usual. */
const mostTwist = 6;

/** Everything that is come to from some keys, step by step. */
export function reach(from: readonly string[], next: (key: string) => readonly string[]): ReadonlySet<string> {
  const reached = new Set(from);
  // A set hands out what is added to it while it is walked.
  for (const key of reached) for (const further of next(key)) reached.add(further);
  return reached;
}

/**
 * The part of a mechanism that has to do with some keys: everything they reach by links and flex. What does not reach
 * them cannot change what they do.
 */
export function partOf(
  { keys, links, flex }: Pick<JobMechanism, 'keys' | 'links' | 'flex'>,
  of: readonly string[],
): Pick<JobMechanism, 'keys' | 'links' | 'flex'> {
  const reached = reach(of, (key) => [
    ...links.flatMap(({ driver, follower }) => (driver === key ? [follower] : follower === key ? [driver] : [])),
    ...flex.flatMap((row) => (row.key === key ? [row.pressed] : [])),
  ]);
  return {
    keys: keys.filter(({ id }) => reached.has(id)),
    links: links.filter(({ driver }) => reached.has(driver)),
    flex: flex.filter(({ pressed, key }) => reached.has(pressed) && reached.has(key)),
  };
}

/**
 * Moves a mechanism the least that makes true what was seen: the gap of each link until its lag lies in its interval,
 * then how far the neighbours of a key twist their rod for it, until they hold it off as far as they were seen to.
 */
export function calibrate(mechanism: JobMechanism, { lags, gaps, heldOff }: Shown): JobMechanism {
  const links = mechanism.links.map((link) => {
    const shown = gaps.get(link.id);
    return shown ? { ...link, gap: clamp(link.gap, shown) } : link;
  });
  // Drivers of one follower are pressed one at a time: setting one link leaves the lags of the others as they are.
  links.forEach((link, i) => {
    const shown = lags.get(link.id);
    if (!shown) return;
    for (let correction = 0; correction < mostCorrections; correction += 1) {
      const now = links[i] ?? link;
      const lag = lagOf(partOf({ ...mechanism, links }, [now.driver]), now.driver, [now.driver, now.follower]);
      if (lag === null) return;
      const off = clamp(lag, shown) - lag;
      if (Math.abs(off) < near) return;
      links[i] = { ...now, gap: now.gap + off };
    }
  });
  let { flex } = mechanism;
  for (const key of new Set(heldOff.map((each) => each.key))) {
    const looks = heldOff.filter((each) => each.key === key);
    // How far a rod twists is its own: what every look says of it is taken together, and of two that differ the newer.
    let [least, most] = [0, mostTwist];
    for (const look of looks) {
      const [low, high] = twistShown({ ...mechanism, links, flex }, look);
      if (low > most || high < least) [least, most] = [low, high];
      else [least, most] = [Math.max(least, low), Math.min(most, high)];
    }
    if (least > 0) flex = [...flex.filter((row) => row.key !== key), ...twistOf(mechanism, key, least)];
  }
  return { ...mechanism, links, flex };
}

/** What neighbours do to a key that twist its rod by so many times the usual. */
const twistOf = ({ twist }: JobMechanism, key: string, times: number) =>
  twist.filter((row) => row.key === key).map((row) => ({ ...row, perNewton: row.perNewton * times }));

/** From where to where a rod must twist, in multiples of the usual, for a key to be held off as far as it was seen to. */
function twistShown(mechanism: JobMechanism, { key, forces, gap, turns }: Shown['heldOff'][number]): Interval {
  const then = mechanism.links.map((link) => ({ ...link, gap: link.gap - (turns.get(link.id) ?? 0) }));
  const others = mechanism.flex.filter((row) => row.key !== key);
  const part = partOf(
    { ...mechanism, links: then, flex: [...others, ...twistOf(mechanism, key, 1)] },
    Object.keys(forces),
  );
  const left = (times: number) => {
    const model = mechanismOf({ ...part, flex: [...others, ...twistOf(mechanism, key, times)] });
    return keyState(model, press(model, forces), model.indexOf(key, 'A look')).gap;
  };
  /** the least twist that holds it off further than this */
  const beyond = (open: number) => leastWhere((times) => left(times) >= open, [0, mostTwist], 1e-4);
  const untwisted = left(0);
  const [low, high] = gap;
  return [
    low - untwisted < near ? 0 : beyond(low),
    high - untwisted < near ? 0 : left(mostTwist) <= high ? mostTwist : beyond(high),
  ];
}
