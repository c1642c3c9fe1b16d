import { isPair, oncePerType, type InstrumentType } from '../instruments';
import { emptyJobState } from '../job';
import { limitsOf } from '../measures';
import type { LimitSource } from '../practice';
import { heldKey } from '../readings';
import { lateness, touchForce, workedRules, type WorkedRule } from './workedRules';
import { calibrate, clamp, partOf, reach, type Interval, type Shown } from './calibrate';
import { jobMechanism, type JobMechanism } from './jobMechanism';
import { leastWhere } from './leastWhere';
import { looksAt, turnsSince, type LinkLook, type RegulatedJob } from './linkLooks';
import type { RegulateInput } from './regulate.schema';
import type { LinkageOutput } from './linkage.schema';
import type { Forces } from './balance';
import { ownRules } from './ownRules';
import type { RuleChange } from './ruleChange.schema';
import { ruleModels } from './ruleValues';
import { solveLinkage } from './solveLinkage';

/** How a rule stands by the model, moved by what was seen. */
export interface RuleNow extends WorkedRule {
  /** its lag, the largest gap left, or the play, mm */
  value: number;
  /** how far that lies from where it should be, mm */
  violation: number;
  holds: boolean;
  /** what the model is off by where all is right, mm: taken off its value */
  off: number;
}

/** Two looks that cannot both be true. */
export interface LinkContradiction {
  link: string;
  earlier: LinkLook;
  later: LinkLook;
}

/** The regulation of an instrument as far as it is known. */
export interface Regulation {
  mechanism: JobMechanism;
  rules: RuleNow[];
  /** rules of parts that are more than levers and links: to be looked at, nothing is worked out for them */
  beyond: WorkedRule[];
  /** rules nothing is asked of, by the word of the shop or the job */
  unasked: WorkedRule[];
  /** looks that still say something, by link, newest last */
  looks: ReadonlyMap<string, readonly LinkLook[]>;
  contradictions: LinkContradiction[];
  /** the lightest touch the rules ask with, N */
  touch: number;
}

/** What is off by less than this holds, mm. */
const heldWithin = 1e-6;
/** No film and no light tells a pad that is open by less than this from one that seals, mm. */
const unseen = 0.005;
/** From here on a driver is plainly held off, mm. */
const plainlyOff = 0.01;
/** Nobody feels a touch that is harder by less than this share. */
const mostEased = 0.25;
const apart = ([low, high]: Interval, [from, to]: Interval) => low > to || from > high;
const across = ({ low, high }: LinkLook): Interval => [low, high];

/**
 * What is known of the regulation of a job: the mechanism of the instrument, moved the least that makes true what was
 * seen at its links, and how every rule stands by it.
 *
 * @param films thicknesses of film and paper in the shop, mm
 * @param kept what the shop wants otherwise of the rules of this instrument
 */
export function regulationOf(
  state: RegulatedJob,
  type: InstrumentType,
  films: readonly number[],
  kept: readonly RuleChange[] = [],
): Regulation {
  const limits = limitsOf(state, type);
  const plain = jobMechanism(state, type, limits, films);
  const looks = new Map(type.links.map((link) => [link.id, looksAt(state, type, link)] as const));
  const mechanism = calibrate(plain, shownBy(type, looks, plain, limits, state.adjustments));
  const { rules, beyond, off } = rulesOf(type, limits);
  const { asked, unasked } = ownRules(rules, [...kept, ...state.ruleChanges.values()]);
  return {
    mechanism,
    looks,
    unasked,
    rules: asked.map((rule) => ruleNow(mechanism, rule, off.get(rule.rule.id))),
    beyond,
    contradictions: contradictionsOf(looks),
    touch: touchForce(limits),
  };
}

/** The rules of a type by one practice. */
interface RulesOfType {
  rules: WorkedRule[];
  beyond: WorkedRule[];
  /** by rule: what the model is off by where all is right, mm */
  off: Map<string, number>;
}

/** By the limits they were worked out with. */
const known = oncePerType(() => new Map<string, RulesOfType>());

/**
 * The rules of an instrument, and how far the model can be believed on each: with everything as it should be each must
 * hold. A lag that then is not right is the model's own and is taken off ever after; a pad that then does not seal belongs
 * to a mechanism that levers and links cannot say.
 */
function rulesOf(type: InstrumentType, limits: LimitSource): RulesOfType {
  const kept = known(type);
  const key = JSON.stringify(limits);
  const before = kept.get(key);
  if (before) return before;
  const right = jobMechanism(emptyJobState, type, limits, []);
  const mechanism = calibrate(right, shownBy(type, new Map(), right, limits, []));
  const found: RulesOfType = { rules: [], beyond: [], off: new Map() };
  for (const worked of workedRules(type, mechanism, limits)) {
    const { rule } = worked;
    const { value, holds } = ruleNow(mechanism, worked);
    found[rule.kind === 'seal' && !holds ? 'beyond' : 'rules'].push(worked);
    if (rule.kind !== 'lag') continue;
    const [low = 0, high = 0] = rule.range;
    found.off.set(rule.id, clamp(value, [low, high]) - value);
  }
  kept.set(key, found);
  return found;
}

function shownBy(
  type: InstrumentType,
  looks: ReadonlyMap<string, readonly LinkLook[]>,
  { links }: JobMechanism,
  limits: LimitSource,
  adjustments: RegulatedJob['adjustments'],
): Shown {
  const force = touchForce(limits);
  const turns = turnsSince({ adjustments }, 0);
  const shown = {
    lags: new Map<string, Interval>(),
    gaps: new Map<string, Interval>(),
    heldOff: [] as Shown['heldOff'][number][],
  };
  for (const link of type.links) {
    const own = looks.get(link.id) ?? [];
    const alone = own.findLast(({ held }) => held.length === 0);
    const pair = isPair(type, link);
    // What nobody has looked at is taken as right, until somebody has; what was turned since is away from there.
    const turned = turns.get(link.id) ?? 0;
    const [low, high] = alone ? across(alone) : pair ? lateness(limits) : [0, 0];
    const by = alone ? 0 : turned;
    if (pair) shown.lags.set(link.id, [low + by, high + by]);
    else if (alone || turned !== 0) {
      const usual = links.find(({ id }) => id === link.id)?.gap ?? 0;
      shown.gaps.set(link.id, [usual + low + by, usual + high + by]);
    }
    // Of looks with the same keys held and nothing turned between them the newest counts.
    const newest = new Map(
      own
        .filter(({ held }) => held.length > 0)
        .map((look) => [`${heldKey(look.held)} ${[...look.turns].join()}`, look]),
    );
    for (const { held, low, high, turns: since } of newest.values()) {
      const keys = [link.driver, ...held].filter((key) => links.some(({ driver }) => driver === key));
      // A hair under a driver proves no twisted rod: to explain it, the rod would have to give far more than a hair.
      const gap: Interval = low >= 0 ? [0, 0] : [-high < plainlyOff ? 0 : -high, -low];
      shown.heldOff.push({
        key: link.driver,
        forces: Object.fromEntries(keys.map((key) => [key, force])),
        gap,
        turns: since,
      });
    }
  }
  return shown;
}

function contradictionsOf(looks: Regulation['looks']): LinkContradiction[] {
  return [...looks].flatMap(([link, all]) =>
    all.flatMap((later, i) => {
      const earlier = all.slice(0, i).findLast(({ held }) => heldKey(held) === heldKey(later.held));
      // With keys held a look tells of its own time: what was turned between two of them sets them apart.
      const sameTime = !earlier || later.held.length === 0 || String([...earlier.turns]) === String([...later.turns]);
      return earlier && sameTime && apart(across(earlier), across(later)) ? [{ link, earlier, later }] : [];
    }),
  );
}

/** The question of the solver `regulate`: the mechanism with what its adjusters can do, and its rules. */
const regulateInput = (
  { keys, links, flex }: Pick<JobMechanism, 'keys' | 'links' | 'flex'>,
  rules: readonly (WorkedRule & Partial<Pick<RuleNow, 'value'>>)[],
): RegulateInput => ({
  keys,
  flex,
  links: links.map(({ adjusts, ...link }) => ({ ...link, ...(adjusts && { adjuster: { ...adjusts } }) })),
  rules: rules.map(({ rule }) => rule),
  // What the bench has shown stands; of the solver's model only the changes count.
  observed: rules.flatMap(({ rule, value }) =>
    rule.kind === 'lag' && value !== undefined ? [{ rule: rule.id, lag: value }] : [],
  ),
});

/** How a rule stands by a mechanism. @param off what is to be taken off the model, mm */
function ruleNow(mechanism: JobMechanism, worked: WorkedRule, off = 0): RuleNow {
  const { rule, of, words } = worked;
  // Only the rule is asked: a value it had before would stand for what this mechanism comes to.
  const asked = regulateInput(partOf(mechanism, keysOfRule(mechanism, worked)), [{ rule, of, words }]);
  const [model] = ruleModels(asked).rules;
  if (!model) throw new Error('a rule has a model');
  const value = model.value(mechanism.links.map(() => 0)) + off;
  const violation = model.violation(value);
  const holds = violation <= (rule.kind === 'seal' ? unseen : heldWithin);
  return { ...worked, value, violation, holds, off };
}

/** Rules that somebody has looked at: at a link that has a say in them. What nobody has seen is not vouched for. */
export const rulesSeen = ({ mechanism, rules, looks }: Regulation): RuleNow[] =>
  rules.filter((rule) => linksOfRule(mechanism, rule).some((link) => (looks.get(link) ?? []).length > 0));

/** How the rules of a regulation would stand by another mechanism of the same instrument. */
export const rulesAt = ({ rules }: Pick<Regulation, 'rules'>, mechanism: JobMechanism): RuleNow[] =>
  rules.map((rule) => ruleNow(mechanism, rule, rule.off));

/** The keys a rule speaks of. */
const keysOfRule = (mechanism: Links, { rule }: WorkedRule): string[] => [
  ...pressedBy(mechanism, rule),
  ...(rule.kind === 'play' ? [] : rule.pads),
];

type Links = Pick<JobMechanism, 'links'>;

/** The keys a rule presses; of play at a link its driver. */
function pressedBy({ links }: Links, rule: WorkedRule['rule']): string[] {
  if (rule.kind === 'play') return links.flatMap(({ id, driver }) => (id === rule.link ? [driver] : []));
  return rule.kind === 'seal' ? Object.keys(rule.forces) : [rule.press, ...Object.keys(rule.held ?? {})];
}

/** What the presses of a rule reach, down the links; at play nothing moves. */
function reachedBy(mechanism: Links, rule: WorkedRule['rule']): ReadonlySet<string> {
  const pressed = pressedBy(mechanism, rule);
  if (rule.kind === 'play') return new Set(pressed);
  return reach(pressed, (key) => mechanism.links.flatMap(({ driver, follower }) => (driver === key ? [follower] : [])));
}

/** The links by which a rule can be put right: those between what is pressed and the pads it speaks of. */
function linksOfRule(mechanism: Links, { rule }: WorkedRule): string[] {
  if (rule.kind === 'play') return [rule.link];
  const reached = reachedBy(mechanism, rule);
  const pressed = pressedBy(mechanism, rule);
  const { links } = mechanism;
  const leads = reach(rule.pads, (key) => links.flatMap(({ driver, follower }) => (follower === key ? [driver] : [])));
  return links.flatMap(({ id, driver, follower }) =>
    // A pad that its own finger presses is only ever held off by what that finger carries besides.
    reached.has(driver) && (leads.has(follower) || (rule.kind === 'seal' && pressed.includes(driver))) ? [id] : [],
  );
}

/**
 * The questions to ask the solver: rules whose keys have nothing to do with each other are asked apart, and only what can
 * put right a rule that does not hold may be set, so that each question stays small.
 */
export function regulationQuestions({ mechanism, rules }: Pick<Regulation, 'mechanism' | 'rules'>): RegulateInput[] {
  const asked = new Set<RuleNow>();
  return rules.flatMap((first) => {
    if (asked.has(first) || first.holds) return [];
    const part = partOf(mechanism, keysOfRule(mechanism, first));
    const there = new Set(part.keys.map(({ id }) => id));
    const own = rules.filter((rule) => keysOfRule(mechanism, rule).every((key) => there.has(key)));
    for (const rule of own) asked.add(rule);
    const wrong = own.filter(({ holds }) => !holds);
    const settable = new Set(wrong.flatMap((rule) => linksOfRule(mechanism, rule)));
    // A rule whose presses reach nothing that may be set stays as it is.
    const ends = new Set(
      part.links.flatMap(({ id, driver, follower }) => (settable.has(id) ? [driver, follower] : [])),
    );
    const touched = own.filter(({ rule }) => [...reachedBy(mechanism, rule)].some((key) => ends.has(key)));
    const links = part.links.map((link) => (settable.has(link.id) ? link : { ...link, adjusts: null }));
    return [
      regulateInput(
        { ...part, links },
        touched.map((rule) => eased(mechanism, rule)),
      ),
    ];
  });
}

/**
 * A rule of sealing that is open by less than anybody can see, asked with the touch that just seals it: it is to be kept, and
 * nothing that shows is to be spoilt for it.
 */
function eased(mechanism: JobMechanism, worked: RuleNow): RuleNow {
  const { rule, violation } = worked;
  if (rule.kind !== 'seal' || violation <= heldWithin || violation > unseen) return worked;
  const pressedBy = (share: number): RuleNow => {
    const forces = Object.fromEntries(Object.entries(rule.forces).map(([key, force]) => [key, force * (1 + share)]));
    return { ...worked, rule: { ...rule, forces } };
  };
  const seals = (share: number) => ruleNow(mechanism, pressedBy(share)).violation <= heldWithin;
  return seals(mostEased) ? pressedBy(leastWhere(seals, [0, mostEased], 0.002)) : worked;
}

/** What the keys of the instrument do under each of these forces at their touches, N, in the order given. */
export function pressedUnder({ keys, links, flex }: JobMechanism, forces: readonly Forces[]): LinkageOutput['presses'] {
  const plain = links.map(({ adjusts: _, ...link }) => link);
  const presses = forces.map((each, i) => ({ id: String(i), forces: { ...each } }));
  return solveLinkage({ keys, links: plain, flex, presses }).presses;
}
