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

interface Adjuster {
  link: number;
  min: number;
  max: number;
}

/**
 * Judges settings by some rules; `first` is a rule that must hold before anything else counts.
 *
 * @returns null for a setting that is worse than one to beat, as soon as that is plain: rules of the best ranks are
 *   asked first, and mostly decide
 */
function judge(rules: readonly RuleModel[], ranks: readonly number[], first: number | null) {
  const inOrder = [...(first === null ? [] : [[first]]), ...ranks.map((rank) => rulesOfRank(rules, rank))];
  return (steps: Steps, toBeat: Setting | null = null): Setting | null => {
    const violations: number[] = rules.map(() => NaN);
    const sums: number[] = [];
    let decided = false;
    for (const [i, of] of inOrder.entries()) {
      let sum = 0;
      for (const at of of) {
        const rule = rules[at] as RuleModel;
        const known = violations[at] as number;
        const violation = Number.isNaN(known) ? rule.violation(rule.value(steps)) : known;
        violations[at] = violation;
        sum += first !== null && i === 0 && violation <= heldWithin ? 0 : violation;
        if (toBeat && !decided && sum > (toBeat.sums[i] ?? 0) + alike) return null;
      }
      if (toBeat && sum < (toBeat.sums[i] ?? 0) - alike) decided = true;
      sums.push(sum);
    }
    return { steps, violations, sums, turned: steps.reduce((sum, n) => sum + Math.abs(n), 0) };
  };
}

const rulesOfRank = (rules: readonly RuleModel[], rank: number) =>
  rules.flatMap((rule, i) => (rule.rank === rank ? [i] : []));

/** Is a better than b? Rank by rank, then by how little is turned, then by what is left of the sums. */
function better(a: Setting, b: Setting): boolean {
  for (const [i, sum] of a.sums.entries()) {
    const other = b.sums[i] ?? 0;
    if (Math.abs(sum - other) > alike) return sum < other;
  }
  if (a.turned !== b.turned) return a.turned < b.turned;
  for (const [i, sum] of a.sums.entries()) if (sum !== (b.sums[i] ?? 0)) return sum < (b.sums[i] ?? 0);
  return false;
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

/** The best of all settings: at each rank those within a hair of the least are kept, then the one that turns least. */
function bestOfAll(settings: readonly Setting[]): Setting | null {
  let kept = settings;
  const ranks = settings[0]?.sums.length ?? 0;
  for (let i = 0; i < ranks; i += 1) {
    const least = Math.min(...kept.map(({ sums }) => sums[i] ?? 0));
    kept = kept.filter(({ sums }) => (sums[i] ?? 0) <= least + alike);
  }
  return kept.reduce<Setting | null>((a, b) => (a && !better(b, a) ? a : b), null);
}

/** A setting that was judged with none to beat is judged whole. */
function whole(setting: Setting | null): Setting {
  if (!setting) throw new Error('a setting with none to beat is judged whole');
  return setting;
}

/** Searches where there are too many: each adjuster over its whole range, then two at a time, until nothing gets better. */
function searched(adjusters: readonly Adjuster[], links: number, of: ReturnType<typeof judge>): Setting {
  let best = whole(of(Array<number>(links).fill(0)));
  const taken = new Set([best.steps.join()]);
  const improve = (changes: readonly (readonly [number, number])[]): boolean => {
    const steps = changed(best.steps, changes);
    // What is alike within a hair can be better than each other in turn: nothing is taken twice.
    if (taken.has(steps.join())) return false;
    const tried = of(steps, best);
    if (!tried || !better(tried, best)) return false;
    taken.add(steps.join());
    best = tried;
    return true;
  };
  const near = [-3, -2, -1, 0, 1, 2, 3];
  for (let moved = true; moved;) {
    moved = false;
    for (const { link, min, max } of adjusters)
      for (let to = min; to <= max; to += 1) moved = improve([[link, to]]) || moved;
    if (moved) continue;
    for (const [i, a] of adjusters.entries())
      for (const b of adjusters.slice(i + 1))
        for (const x of near)
          for (const y of near) {
            const [to, other] = [(best.steps[a.link] ?? 0) + x, (best.steps[b.link] ?? 0) + y];
            if (to < a.min || to > a.max || other < b.min || other > b.max) continue;
            moved =
              improve([
                [a.link, to],
                [b.link, other],
              ]) || moved;
          }
  }
  return best;
}

/**
 * What to turn, and how far: of all whole steps of the adjusters those that violate the rules least, rank by rank, then
 * those that turn least. Rules that cannot hold say to which others they yield. Millimetres and newtons.
 *
 * Few settings are looked at one by one; of many the best is searched, adjuster by adjuster and two at a time.
 *
 * @throws Unsolvable when an id is unknown or stands twice, or when a key is linked to itself
 */
export function solveRegulate(input: RegulateInput): RegulateOutput {
  const { links = [] } = input;
  const { rules } = ruleModels(input);
  const ranks = [...new Set(rules.map(({ rank }) => rank))].sort((a, b) => a - b);
  const adjusters = links.flatMap(({ adjuster }, link): Adjuster[] =>
    adjuster && adjuster.max > adjuster.min ? [{ link, min: adjuster.min, max: adjuster.max }] : [],
  );
  const count = adjusters.reduce((product, { min, max }) => product * (max - min + 1), 1);
  const all = count <= mostListed ? [...everySetting(adjusters, links.length)] : null;
  const best = (first: number | null): Setting | null => {
    const of = judge(rules, ranks, first);
    return all ? bestOfAll(all.map((steps) => whole(of(steps)))) : searched(adjusters, links.length, of);
  };

  const before = whole(judge(rules, ranks, null)(links.map(() => 0)));
  const after = best(null) ?? before;
  const driving = (follower: string) => links.filter((link) => link.follower === follower).length;
  const turned = links.flatMap((link, i) => ((after.steps[i] ?? 0) === 0 ? [] : [{ link, i }]));
  const order = new Map(
    [...turned]
      .sort((a, b) => driving(b.link.follower) - driving(a.link.follower) || a.i - b.i)
      .map(({ i }, at) => [i, at + 1]),
  );
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
    yields: rules.flatMap((rule, i) => {
      if ((after.violations[i] ?? 0) <= heldWithin) return [];
      const held = best(i);
      const to =
        held && (held.violations[i] ?? 0) <= heldWithin
          ? rules.flatMap(({ id, rank }, j) =>
              j !== i && rank <= rule.rank && (held.violations[j] ?? 0) > (after.violations[j] ?? 0) + alike
                ? [id]
                : [],
            )
          : [];
      return [{ rule: rule.id, to }];
    }),
  };
}
