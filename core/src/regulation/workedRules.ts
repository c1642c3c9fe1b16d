import { movedKeys, type InstrumentType } from '../instruments';
import { bandOf, settingsOf, upperLimit, type LimitSource } from '../practice';
import type { JobMechanism } from './jobMechanism';
import type { RegulateInput } from './regulate.schema';
import type { RuleChange } from './ruleChange.schema';

type TypeRule = InstrumentType['rules'][number];
type Rule = RegulateInput['rules'][number];

/** A rule of the instrument as the solver asks for it. One rule in words may be several that can be worked out. */
export interface WorkedRule {
  rule: Rule;
  /** the rule of the type it comes from; null for those every stack has */
  of: string | null;
  words: string;
  /** what the shop or the job wants otherwise of it */
  change?: RuleChange;
}

/** Rules that an ear judges, not a film: they are told, and left to the play test. */
const byEar: readonly TypeRule['must'][] = ['same-pitch'];

/** How late a follower may land by this practice, mm: the driver is never held off, the follower a trace late at most. */
export function lateness(limits: LimitSource): readonly [number, number] {
  const [low, high] = bandOf('followerLateness', limits) ?? [0, 0.04];
  const { closingOrder } = settingsOf(limits.practice, limits.settings);
  return closingOrder === 'needed-first' ? [low + (high - low) / 4, high] : [low, high];
}

/** A follower that hovers comes near its rim, and need not touch it, mm. */
const hovering = 0.6;

/** The force that a rule presses with: what the practice allows at a touch, N. */
export const touchForce = (limits: LimitSource): number => upperLimit('sealForceNewtons', limits) ?? 0.5;

/** Keys pressed together, each with the same force. */
const pressedAll = (keys: readonly string[], force: number) => Object.fromEntries(keys.map((key) => [key, force]));

/**
 * The rules of an instrument as the solver of regulation takes them, best rank first.
 *
 * Rules of one finger yield to those of all fingers: a pair that is a trace late alone still speaks, a pad that its
 * neighbours hold open does not. So what must seal keeps its rank, and pairs come one rank after it.
 */
export function workedRules(type: InstrumentType, { keyOfPad }: JobMechanism, limits: LimitSource): WorkedRule[] {
  const force = touchForce(limits);
  const [low, high] = lateness(limits);
  const rules: WorkedRule[] = [];
  const add = (rule: Rule, of: TypeRule | null, words: string) => rules.push({ rule, of: of?.id ?? null, words });

  for (const rule of type.rules) {
    if (byEar.includes(rule.must)) continue;
    const pads = rule.pads.flatMap((hole) => keyOfPad.get(hole) ?? []);
    const press = movers(type, rule.press);
    const [pressed, ...others] = [...press].reverse();
    if (pressed === undefined || pads.length === 0) continue;
    const id = (n: number) => (n === 0 ? rule.id : `${rule.id}-${n + 1}`);
    if (rule.must === 'stay-shut') {
      add({ kind: 'seal', id: rule.id, rank: rule.rank, forces: pressedAll(press, force), pads }, rule, rule.words);
      continue;
    }
    if (rule.must === 'hair-of-play') {
      const [least, most] = bandOf('lostMotion', limits) ?? [0, 0.05];
      type.links
        .filter(({ driver, follower }) => press.includes(driver) && pads.includes(follower))
        .forEach((link, n) => {
          const range = [least > 0 ? least : most / 4, most];
          add({ kind: 'play', id: id(n), rank: rule.rank, link: link.id, range }, rule, rule.words);
        });
      continue;
    }
    // Two fingers that close two pads apart: what counts is that both seal.
    if (!type.links.some(({ driver, follower }) => press.includes(driver) && movesAny(type, follower, pads))) {
      add({ kind: 'seal', id: rule.id, rank: rule.rank, forces: pressedAll(press, force), pads }, rule, rule.words);
      continue;
    }
    const lead = rule.first === undefined ? pads[0] : (keyOfPad.get(rule.first) ?? pads[0]);
    const own = pads.includes(pressed) ? pressed : lead;
    if (own === undefined) continue;
    // Two pads that both follow have no finger of their own: either may be the trace late.
    const range =
      rule.must === 'hover'
        ? [low, hovering]
        : own === pressed || rule.must === 'land-first'
          ? [low, high]
          : [-high, high];
    pads
      .filter((pad) => pad !== own)
      .forEach((pad, n) => {
        const held = pressedAll(others, force);
        const rank = Math.min(9, rule.rank + 1);
        add({ kind: 'lag', id: id(n), rank, press: pressed, held, pads: [own, pad], range }, rule, rule.words);
      });
  }
  for (const { keys, name } of stacksOf(type)) {
    const pads = keys.filter((key) => type.pads.some((pad) => pad.key === key));
    const words = `${name}: with all its fingers down every pad seals at the lightest touch.`;
    add({ kind: 'seal', id: `all-down-${keys[0]}`, rank: 1, forces: pressedAll(keys, force), pads }, null, words);
  }
  return rules.sort((a, b) => a.rule.rank - b.rule.rank);
}

const movesAny = (type: InstrumentType, key: string, pads: readonly string[]) =>
  pads.some((pad) => movedKeys(type, [key]).has(pad));

/** The keys that these presses are made at: a covered finger hole presses the key whose ring is round it. */
const movers = (type: InstrumentType, press: readonly string[]): string[] => [
  ...new Set(
    press.flatMap((id) =>
      type.keys.some((key) => key.id === id)
        ? [id]
        : type.keys.filter(({ rings = [] }) => rings.includes(id)).map((key) => key.id),
    ),
  ),
];

/** Keys on one rod that a hand holds down together, where at least two of them carry something in common. */
export function stacksOf(type: InstrumentType): { name: string; keys: string[] }[] {
  const open = new Set(type.keys.filter(({ rest }) => rest === 'open').map(({ id }) => id));
  const padded = new Set(type.pads.map(({ key }) => key));
  return type.rods.flatMap(({ id, name }) => {
    const keys = type.keys
      .filter(({ id: key, rod, touches = [] }) => rod === id && touches.length > 0 && open.has(key) && padded.has(key))
      .map((key) => key.id);
    const shared = keys.some((key) =>
      keys.some(
        (other) => other !== key && [...movedKeys(type, [key])].some((moved) => movedKeys(type, [other]).has(moved)),
      ),
    );
    const fingers = type.keys.flatMap(({ id: key, touches = [] }) => (keys.includes(key) ? touches.slice(0, 1) : []));
    // One finger cannot hold two keys down.
    const oneEach = new Set(fingers.map(({ finger }) => finger)).size === keys.length;
    return keys.length > 1 && shared && oneEach ? [{ name, keys }] : [];
  });
}
