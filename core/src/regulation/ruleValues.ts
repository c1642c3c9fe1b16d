import { Unsolvable } from '../metrology';
import { oneOfEach } from '../solvers/checks';
import type { Forces } from './balance';
import { keyState, linkGaps, mechanismOf, press, withGaps, type Mechanism, type Pressed } from './mechanism';
import { lagAt, mostForce } from './lag';
import type { RegulateInput } from './regulate.schema';

type Rule = RegulateInput['rules'][number];

/** Whole steps of every adjuster, in the order of the links; 0 where a link has none. */
export type Steps = readonly number[];

/** A rule ready to be asked: its value and how far that lies from where it should be, mm. */
export interface RuleModel {
  id: string;
  rank: number;
  value: (steps: Steps) => number;
  violation: (value: number) => number;
}

/** What a rule came to, and from which gaps on the links that did not press still do not, mm. */
interface Known {
  clear: readonly (readonly [link: number, gap: number])[];
  value: number;
}

/** Values of one rule. What does not press has no say: one value holds for all settings that press the same links alike. */
class Remembered {
  /** by which links press, then by their steps */
  private readonly byPressing = new Map<string, { pressing: readonly number[]; known: Map<string, Known[]> }>();
  constructor(private readonly gapAt: (steps: Steps, link: number) => number) {}

  find(steps: Steps): number | undefined {
    for (const { pressing, known } of this.byPressing.values()) {
      const hit = known
        .get(pressing.map((link) => steps[link]).join())
        ?.find(({ clear }) => clear.every(([link, gap]) => this.gapAt(steps, link) >= gap));
      if (hit) return hit.value;
    }
    return undefined;
  }

  /** @param most how far each link was pressed together at most, in all states that were looked at */
  keep(steps: Steps, most: readonly number[], value: number): void {
    const links = most.map((v, link) => ({ link, v }));
    const pressing = links.filter(({ v }) => v >= 0).map(({ link }) => link);
    const clear = links.filter(({ v }) => v < 0).map(({ link, v }) => [link, this.gapAt(steps, link) + v] as const);
    const mask = pressing.join();
    const own = this.byPressing.get(mask) ?? { pressing, known: new Map<string, Known[]>() };
    this.byPressing.set(mask, own);
    const key = pressing.map((link) => steps[link]).join();
    own.known.set(key, [...(own.known.get(key) ?? []), { clear, value }]);
  }
}

const outside = (value: number, [low = 0, high = 0]: readonly number[]): number =>
  Math.max(0, low - value, value - high);

/**
 * Every rule of a regulation as a function of the steps of its adjusters. Values are remembered for all settings that
 * press the same links together by the same steps.
 *
 * @throws Unsolvable when an id is unknown or stands twice
 */
export function ruleModels(input: RegulateInput): { rules: RuleModel[]; mechanism: Mechanism } {
  const mechanism = mechanismOf(input);
  const { links = [], observed = [], maxForce = mostForce } = input;
  oneOfEach(input.rules, 'rule');
  const gapStep = links.map(({ adjuster }) => adjuster?.step ?? 0);
  const gaps = links.map(({ gap }) => gap);
  const linkIndex = new Map(links.map(({ id }, i) => [id, i]));
  const gapAt = (steps: Steps, i: number) => (gaps[i] ?? 0) + (gapStep[i] ?? 0) * (steps[i] ?? 0);

  const measured = (rule: Rule): ((steps: Steps) => number) => {
    const where = `The rule “${rule.id}”`;
    if (rule.kind === 'play') {
      const link = linkIndex.get(rule.link);
      if (link === undefined)
        throw new Unsolvable(`${where} names the link “${rule.link}”, which is not among the links.`);
      return (steps) => gapAt(steps, link);
    }
    const pads = rule.pads.map((pad) => mechanism.indexOf(pad, where));
    const forces: Forces = (rule.kind === 'seal' ? rule.forces : rule.held) ?? {};
    for (const key of Object.keys(forces)) mechanism.indexOf(key, where);
    if (rule.kind === 'lag') {
      mechanism.indexOf(rule.press, where);
      if (Object.hasOwn(forces, rule.press))
        throw new Unsolvable(`${where} presses the key “${rule.press}” and holds it as well.`);
    }
    const known = new Remembered(gapAt);
    return (steps) => {
      const before = known.find(steps);
      if (before !== undefined) return before;
      const set = withGaps(
        mechanism,
        links.map((_, i) => (gapStep[i] ?? 0) * (steps[i] ?? 0)),
      );
      const most = links.map(() => -Infinity);
      let state: Pressed | undefined;
      const states = (under: Forces) => {
        // A force near the last one leaves nearly the same state.
        state = press(set, under, state);
        const reached = state;
        linkGaps(set, reached).forEach((v, i) => {
          most[i] = Math.max(most[i] ?? -Infinity, v);
        });
        return pads.map((pad) => keyState(set, reached, pad));
      };
      let value: number;
      if (rule.kind === 'seal') value = Math.max(...states(forces).map(({ gap }) => gap));
      else {
        const lag = lagAt((force) => {
          const [a, b] = states({ ...forces, [rule.press]: force });
          if (!a || !b) throw new Error('a lag has two pads');
          return { a, b };
        }, maxForce);
        value = lag ?? Math.max(...pads.map((pad) => mechanism.keys[pad]?.travel ?? 0));
      }
      known.keep(steps, most, value);
      return value;
    };
  };

  const seen = new Map(observed.map(({ rule, lag }) => [rule, lag]));
  for (const { rule } of observed)
    if (input.rules.find(({ id }) => id === rule)?.kind !== 'lag')
      throw new Unsolvable(`“${rule}” was observed, but is no rule of a lag.`);
  const start = links.map(() => 0);
  return {
    mechanism,
    rules: input.rules.map((rule): RuleModel => {
      const model = measured(rule);
      const lag = seen.get(rule.id);
      // What the bench showed stands; the model says only how it changes.
      const off = lag === undefined ? 0 : lag - model(start);
      return {
        id: rule.id,
        rank: rule.rank,
        value: (steps) => model(steps) + off,
        violation: (value) => (rule.kind === 'seal' ? value : outside(value, rule.range)),
      };
    }),
  };
}
