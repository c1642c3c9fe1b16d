import { lastOf } from '../steps';
import type { RegulateInput, RegulateOutput } from './regulate.schema';
import { ruleModels, type RuleModel, type Steps } from './ruleValues';

/** A rule holds when it is off by no more than this, mm. */
const heldWithin = 1e-6;
/** Sums of violations nearer to each other than this are alike, mm. */
const alike = 1e-4;
/** As many settings as are looked at one by one; where there are more they are searched. */
const mostListed = 20_000;

/** A setting with what it comes to: the sum of violations at each rank, best rank first, and how much is turned. */
interface Setting {
  steps: Steps;
  violations: readonly number[];
  sums: readonly number[];
  turned: number;
}

/** Steps of all adjusters together, either way. */
const turnedIn = (steps: Steps) => steps.reduce((sum, n) => sum + Math.abs(n), 0);

interface Adjuster {
  link: number;
  min: number;
  max: number;
}

/**
 * Judges settings by some rules; `first` is a rule that must hold before anything else counts.
 *
 * @returns null for a setting that is worse than the sums to beat, as soon as that is plain: rules of the best ranks are
 *   asked first, and mostly decide
 */
function judge(rules: readonly RuleModel[], ranks: readonly number[], first: number | null) {
  const inOrder = askedInOrder(rules, ranks, first);
  return (steps: Steps, toBeat: readonly number[] | null = null): Setting | null => {
    const violations: number[] = rules.map(() => NaN);
    const sums: number[] = [];
    let decided = false;
    for (const [i, { of, counts }] of inOrder.entries()) {
      let sum = 0;
      for (const at of of) {
        const rule = rules[at] as RuleModel;
        const known = violations[at] as number;
        const violation = Number.isNaN(known) ? rule.violation(rule.value(steps)) : known;
        violations[at] = violation;
        sum += counts(violation);
        if (toBeat && !decided && sum > (toBeat[i] ?? 0) + alike) return null;
      }
      if (toBeat && sum < (toBeat[i] ?? 0) - alike) decided = true;
      sums.push(sum);
    }
    return { steps, violations, sums, turned: turnedIn(steps) };
  };
}

/**
 * Rules by rank, and how much a violation of each counts; before them a rule that must hold, of which it only counts
 * whether it does.
 */
function askedInOrder(rules: readonly RuleModel[], ranks: readonly number[], first: number | null) {
  const byRank = ranks.map((rank) => ({
    of: rules.flatMap((rule, i) => (rule.rank === rank ? [i] : [])),
    counts: (violation: number) => violation,
  }));
  if (first === null) return byRank;
  return [{ of: [first], counts: (violation: number) => (violation <= heldWithin ? 0 : violation) }, ...byRank];
}

/**
 * What a search has come to: its best setting, and the least sum at each rank among those within a hair of the least at the
 * ranks before it. Held against the least, what is alike cannot drift away step by step.
 */
interface Reached {
  best: Setting;
  least: readonly number[];
}

const reachedFrom = (best: Setting): Reached => ({ best, least: best.sums });

/** What a search has come to with one more setting; null where that is no better. */
function bettered({ best, least }: Reached, tried: Setting): Reached | null {
  for (const [i, sum] of tried.sums.entries()) {
    const so = least[i] ?? 0;
    if (sum > so + alike) return null;
    if (sum < so - alike) return { best: tried, least: [...least.slice(0, i), ...tried.sums.slice(i)] };
  }
  if (tried.turned >= best.turned) return null;
  return { best: tried, least: least.map((so, i) => Math.min(so, tried.sums[i] ?? 0)) };
}

const changed = (steps: Steps, changes: readonly (readonly [number, number])[]): number[] => {
  const next = [...steps];
  for (const [link, to] of changes) next[link] = to;
  return next;
};

/** Every setting there is, one by one. */
function* everySetting(adjusters: readonly Adjuster[], links: number): Generator<Steps> {
  const steps = Array<number>(links).fill(0);
  for (const { link, min } of adjusters) steps[link] = min;
  for (;;) {
    yield [...steps];
    const next = adjusters.find(({ link, max }) => (steps[link] ?? 0) < max);
    if (!next) return;
    for (const { link, min } of adjusters) {
      if (link === next.link) break;
      steps[link] = min;
    }
    steps[next.link] = (steps[next.link] ?? 0) + 1;
  }
}

/**
 * The best of a list of settings: at each rank those within a hair of the least are kept, then the one that turns least.
 * Rules of a rank are asked only of what is left by the ranks before it.
 */
function* bestListed(
  settings: readonly Steps[],
  rules: readonly RuleModel[],
  ranks: readonly number[],
  first: number | null,
  count: RegulateProgress,
): Generator<RegulateProgress, Steps> {
  let kept = settings.map((steps) => ({ steps, sums: [] as number[] }));
  for (const [i, { of, counts }] of askedInOrder(rules, ranks, first).entries()) {
    for (const each of kept) {
      let sum = 0;
      for (const at of of) {
        const rule = rules[at] as RuleModel;
        const violation = rule.violation(rule.value(each.steps));
        sum += counts(violation);
      }
      each.sums.push(sum);
      count.tried += 1;
      yield count;
    }
    const least = kept.reduce((so, { sums }) => Math.min(so, sums[i] ?? 0), Infinity);
    kept = kept.filter(({ sums }) => (sums[i] ?? 0) <= least + alike);
  }
  const best = kept.reduce((a, b) => {
    if (turnedIn(a.steps) !== turnedIn(b.steps)) return turnedIn(b.steps) < turnedIn(a.steps) ? b : a;
    const i = a.sums.findIndex((sum, at) => sum !== b.sums[at]);
    return i !== -1 && (b.sums[i] ?? 0) < (a.sums[i] ?? 0) ? b : a;
  });
  return best.steps;
}

/** A setting that was judged with none to beat is judged whole. */
function whole(setting: Setting | null): Setting {
  if (!setting) throw new Error('a setting with none to beat is judged whole');
  return setting;
}

/** How far a search has come. */
export interface RegulateProgress {
  /** settings that were looked at */
  tried: number;
}

/** Which adjusters are turned together: two that have a key in common, all of one follower. */
interface Together {
  met: readonly (readonly [Adjuster, Adjuster])[];
  meeting: readonly (readonly Adjuster[])[];
}

type Change = readonly (readonly [link: number, to: number])[];

/** First far and near; every step of an adjuster is only gone through when none of these is better. */
const strides = [1, 2, 4, 8].flatMap((far) => [-far, far]);
/** More adjusters at one pad than this are turned two at a time only. */
const mostMeeting = 6;
const near = [-3, -2, -1, 0, 1, 2, 3];

/** Turns of one adjuster, some of its steps or all. */
const singles = ({ steps }: Setting, adjusters: readonly Adjuster[], all: boolean): Change[] =>
  adjusters.flatMap(({ link, min, max }) => {
    const now = steps[link] ?? 0;
    const to = all ? Array.from({ length: max - min + 1 }, (_, i) => min + i) : strides.map((by) => now + by);
    return to.filter((step) => step !== now && step >= min && step <= max).map((step): Change => [[link, step]]);
  });

/** Turns of two adjusters that have a key in common: others do not get in each other's way. */
function* pairs({ steps }: Setting, met: readonly (readonly [Adjuster, Adjuster])[]): Generator<Change> {
  for (const [a, b] of met)
    for (const x of near)
      for (const y of near) {
        const [to, other] = [(steps[a.link] ?? 0) + x, (steps[b.link] ?? 0) + y];
        if (x === 0 || y === 0 || to < a.min || to > a.max || other < b.min || other > b.max) continue;
        yield [
          [a.link, to],
          [b.link, other],
        ];
      }
}

/** Turns of all adjusters at once that bring in one pad. */
function* groups({ steps }: Setting, meeting: readonly (readonly Adjuster[])[]): Generator<Change> {
  for (const adjusters of meeting) {
    // Of many at one pad only a step either way: there are as many turns as powers of these.
    const around = adjusters.length > 3 ? [-1, 0, 1] : [-2, -1, 0, 1, 2];
    const combined = adjusters.reduce<Change[]>(
      (changes, { link, min, max }) =>
        around.flatMap((by) => {
          const to = (steps[link] ?? 0) + by;
          return to < min || to > max ? [] : changes.map((change): Change => [...change, [link, to]]);
        }),
      [[]],
    );
    yield* combined;
  }
}

/**
 * Searches from one setting where there are too many to list. Of all single turns the best is taken, again and again: the
 * first that helps would mend with one adjuster what is wrong at another. Then two at a time, then all that bring in one
 * pad, until nothing gets better.
 */
function* searched(
  from: Steps,
  adjusters: readonly Adjuster[],
  { met, meeting }: Together,
  of: ReturnType<typeof judge>,
  count: RegulateProgress,
): Generator<RegulateProgress, Setting> {
  let reached = reachedFrom(whole(of(from)));
  function* bestOf(changes: Iterable<Change>, first: boolean): Generator<RegulateProgress, Reached | null> {
    let found: Reached | null = null;
    for (const change of changes) {
      count.tried += 1;
      yield count;
      const so: Reached = found ?? reached;
      const tried = of(changed(reached.best.steps, change), so.least);
      const better = tried && bettered(so, tried);
      if (!better) continue;
      found = better;
      if (first) break;
    }
    return found;
  }
  for (;;) {
    const { best } = reached;
    const found: Reached | null =
      (yield* bestOf(singles(best, adjusters, false), false)) ??
      (yield* bestOf(singles(best, adjusters, true), false)) ??
      (yield* bestOf(pairs(best, met), true)) ??
      (yield* bestOf(groups(best, meeting), true));
    if (!found) return best;
    reached = found;
  }
}

/**
 * What to turn, and how far: of all whole steps of the adjusters those that violate the rules least, rank by rank, then
 * those that turn least. Rules that cannot hold say to which others they yield. Millimetres and newtons.
 *
 * Few settings are looked at one by one; of many the best is searched, adjuster by adjuster and two at a time.
 *
 * @throws Unsolvable when an id is unknown or stands twice, or when a key is linked to itself
 */
export const solveRegulate = (input: RegulateInput): RegulateOutput => lastOf(regulateSteps(input));

/** The same, setting by setting, for whoever wants to show how far it has come, or to stop it. */
export function* regulateSteps(input: RegulateInput): Generator<RegulateProgress, RegulateOutput> {
  const { links = [] } = input;
  const { rules } = ruleModels(input);
  const ranks = [...new Set(rules.map(({ rank }) => rank))].sort((a, b) => a - b);
  const adjusters = links.flatMap(({ adjuster }, link): Adjuster[] =>
    adjuster && adjuster.max > adjuster.min ? [{ link, min: adjuster.min, max: adjuster.max }] : [],
  );
  const count = adjusters.reduce((product, { min, max }) => product * (max - min + 1), 1);
  const all = count <= mostListed ? [...everySetting(adjusters, links.length)] : null;
  const met = adjusters.flatMap((a, i) =>
    adjusters.slice(i + 1).flatMap((b) => {
      const ends = [links[a.link], links[b.link]].map((link) => [link?.driver, link?.follower]);
      return ends[0]?.some((key) => ends[1]?.includes(key)) ? [[a, b] as const] : [];
    }),
  );
  const meeting = [...new Set(links.map(({ follower }) => follower))].flatMap((follower) => {
    const own = adjusters.filter(({ link }) => links[link]?.follower === follower);
    return own.length > 2 && own.length <= mostMeeting ? [own] : [];
  });
  const together: Together = { met, meeting };
  const progress: RegulateProgress = { tried: 0 };
  function* best(first: number | null, from: readonly Steps[]): Generator<RegulateProgress, Setting> {
    const of = judge(rules, ranks, first);
    const ends: Setting[] = [];
    for (const begin of from) ends.push(yield* searched(begin, adjusters, together, of, progress));
    // Where all holds already, only what turns less can be better: most of the list need not be looked at.
    const sound = ends.find(({ sums }) => sums.every((sum) => sum <= heldWithin));
    const listed = all?.filter((steps) => !sound || turnedIn(steps) <= sound.turned) ?? ends.map(({ steps }) => steps);
    return whole(of(yield* bestListed(listed, rules, ranks, first, progress)));
  }

  const start = links.map(() => 0);
  const before = whole(judge(rules, ranks, null)(start));
  const starts: Steps[] = [start];
  if (!all) {
    // Also from where all rules together are off least: most settings that can be wholly right are found from there.
    const alikeRanked = judge(
      rules.map((rule) => ({ ...rule, rank: 1 })),
      [1],
      null,
    );
    starts.push((yield* searched(start, adjusters, together, alikeRanked, progress)).steps);
  }
  const after = yield* best(null, starts);
  const driving = (follower: string) => links.filter((link) => link.follower === follower).length;
  const turned = links.flatMap((link, i) => ((after.steps[i] ?? 0) === 0 ? [] : [{ link, i }]));
  const order = new Map(
    [...turned]
      .sort((a, b) => driving(b.link.follower) - driving(a.link.follower) || a.i - b.i)
      .map(({ i }, at) => [i, at + 1]),
  );
  const yields: RegulateOutput['yields'] = [];
  for (const [i, rule] of rules.entries()) {
    if ((after.violations[i] ?? 0) <= heldWithin) continue;
    const held = yield* best(i, [after.steps]);
    const to =
      (held.violations[i] ?? 0) > heldWithin
        ? []
        : rules.filter(
            ({ rank }, j) =>
              j !== i && rank <= rule.rank && (held.violations[j] ?? 0) > (after.violations[j] ?? 0) + alike,
          );
    yields.push({ rule: rule.id, to: to.map(({ id }) => id) });
  }
  return {
    moves: turned.map(({ link, i }) => ({
      link: link.id,
      steps: after.steps[i] ?? 0,
      deltaGap: (after.steps[i] ?? 0) * (link.adjuster?.step ?? 0),
      order: order.get(i) ?? 0,
    })),
    rules: rules.map((rule, i) => ({
      id: rule.id,
      before: rule.value(before.steps),
      after: rule.value(after.steps),
      violationBefore: before.violations[i] ?? 0,
      violationAfter: after.violations[i] ?? 0,
      holds: (after.violations[i] ?? 0) <= heldWithin,
    })),
    yields,
  };
}
