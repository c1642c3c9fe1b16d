import type { OwnSettings, Practice } from '../practice';
import {
  practiceQuestions,
  type Family,
  type FindingKind,
  type PracticeQuestion,
  type PracticeSettings,
  type Scope,
  type SpringFault,
  type Stage,
} from '../vocabulary';

/** What a rule is tried against. */
export interface CureContext {
  family: Family;
  body: 'metal' | 'wood';
  scope: Scope;
  practice: Practice;
  /** the sides taken, whatever the practice's own are */
  settings: PracticeSettings;
  severity: number;
  /** of a spring: what is wrong with it */
  spring?: SpringFault;
  /** of a dent: within its own width of a rim, a post or a joint; unknown where nobody has said where it lies */
  nearSeal?: boolean;
  /** of a dent: a guard, a brace or another fitting stands beside it */
  nearFitting?: boolean;
  /** finish that polishing would spoil: brittle old lacquer, thin plate, sharp engraving */
  spareFinish: boolean;
  /** how the pads concerned are held: in a bed of adhesive, or dry */
  hold: 'glued' | 'dry';
}

/** When a rule holds: everything it names must be so. */
export interface RuleCondition {
  body?: 'metal' | 'wood';
  scope?: Scope;
  families?: readonly Family[];
  settings?: OwnSettings;
  severityBelow?: number;
  spring?: SpringFault;
  nearSeal?: boolean;
  nearFitting?: boolean;
  spareFinish?: boolean;
  hold?: 'glued' | 'dry';
}

/** What is done about a kind of finding, or why nothing is. */
export interface CureRule {
  finding: FindingKind;
  when?: RuleCondition;
  operations?: readonly string[];
  /** why it is left; `{practice}` stands for the name of the practice */
  left?: string;
}

/** Work that is done whatever was found. */
export interface StandingRule {
  operation: string;
  when?: RuleCondition;
}

const cure = (finding: FindingKind, ...operations: string[]): CureRule => ({ finding, operations });
const cureWhen = (when: RuleCondition, finding: FindingKind, ...operations: string[]): CureRule => ({
  finding,
  when,
  operations,
});
const leaveWhen = (when: RuleCondition, finding: FindingKind, left: string): CureRule => ({ finding, when, left });

const wood = { body: 'wood' } as const;
const reversible = { settings: { originality: 'reversible' } } as const;
const leaveHoles = { settings: { tuning: 'leave-holes' } } as const;

/**
 * What cures each kind of finding: the deepest sound cure the practice allows, the one that removes least where there
 * is a choice; or the reason why it is left. For each kind the first rule that fits counts; the last fits always.
 */
export const cureRules: readonly CureRule[] = [
  cureWhen(wood, 'body-bent', 'ease-warped-wood'),
  cureWhen({ settings: { straightening: 'slow-pressure' } }, 'body-bent', 'press-body-straight'),
  cure('body-bent', 'straighten-body'),
  cure('bell-turned', 'turn-bell'),
  leaveWhen(
    { settings: { smallDents: 'leave' }, severityBelow: 3, nearSeal: false },
    'dent',
    '{practice} leaves a dent away from a seal: raising it stretches metal each time.',
  ),
  cure('neck-down', 'draw-up-neck'),
  cure('fitting-bent', 'straighten-fitting'),
  cureWhen({ severityBelow: 3 }, 'dent', 'raise-dent'),
  cureWhen({ nearFitting: true }, 'dent', 'raise-dent', 'locate-fitting', 'blend-dent'),
  cure('dent', 'raise-dent', 'blend-dent'),
  cure('seam-open', 'resolder-seam', 'wash-flux'),
  cureWhen(wood, 'hole-unsoldered', 'bush-hole'),
  cure('hole-unsoldered', 'resolder-hole', 'look-again', 'wash-flux'),
  cureWhen(wood, 'post-loose', 'secure-post-wood'),
  cure('post-loose', 'secure-post', 'wash-flux'),
  cureWhen(wood, 'post-stripped', 'bush-post'),
  cure('post-stripped', 'secure-post', 'wash-flux'),
  cure('post-leaning', 'true-post'),
  cureWhen({ body: 'metal' }, 'crack', 'braze-crack', 'wash-flux'),
  cureWhen(reversible, 'crack', 'fill-crack-reversibly'),
  cure('crack', 'fill-crack'),
  cureWhen(reversible, 'stuck-part', 'warm-stuck'),
  cure('stuck-part', 'soak-stuck'),
  cure('broken-screw', 'extract-screw'),
  cureWhen(wood, 'rim-warped', 'reface-rim'),
  cureWhen(reversible, 'rim-warped', 'raise-rim'),
  cure('rim-warped', 'dress-rim'),
  cureWhen(wood, 'hole-oval', 'ream-hole-round'),
  cure('hole-oval', 'round-hole'),
  cureWhen(wood, 'rim-chipped', 'reface-rim'),
  cureWhen(reversible, 'rim-chipped', 'raise-rim'),
  cure('rim-chipped', 'dress-rim'),
  cureWhen({ ...wood, severityBelow: 2 }, 'joint-loose', 'recork-tenon'),
  cureWhen(wood, 'joint-loose', 'sleeve-wooden-tenon', 'recork-tenon'),
  cureWhen({ settings: { tenon: 'creep-and-lap' } }, 'joint-loose', 'creep-tenon'),
  cure('joint-loose', 'expand-tenon'),
  cure('joint-tight', 'ease-tenon'),
  cure('receiver-oval', 'true-receiver'),
  cureWhen(reversible, 'tenon-gouged', 'sleeve-tenon'),
  cure('tenon-gouged', 'replace-tenon'),
  cure('cork-worn', 'renew-cork'),
  cure('key-bent', 'straighten-key'),
  cure('rod-bent', 'straighten-rod'),
  cure('pivot-worn', 'refit-pivot'),
  cureWhen(reversible, 'hinge-loose', 'sleeve-key'),
  cure('hinge-loose', 'swage-key'),
  cureWhen({ settings: { endPlay: 'new-tube' } }, 'end-play', 'sleeve-key'),
  cureWhen({ severityBelow: 2 }, 'end-play', 'washer-key'),
  cure('end-play', 'swage-key'),
  cureWhen({ spring: 'spent' }, 'spring-weak', 'renew-spring'),
  cureWhen({ spring: 'strong' }, 'spring-weak', 'ease-spring'),
  cure('spring-weak', 'retension-spring'),
  cure('spring-missing', 'renew-spring'),
  cure('pad-worn', 'replace-pad'),
  cureWhen({ settings: { levelling: 'shim-or-float' } }, 'pad-leaking', 'shim-pad'),
  cure('pad-leaking', 'reseat-pad'),
  cure('grommet-cracked', 'renew-grommet'),
  cure('resonator-broken', 'renew-resonator'),
  cure('adjuster-out', 'set-adjuster'),
  cure('lost-motion', 'take-up-lost-motion'),
  cure('noise', 'quiet-noise'),
  cureWhen({ spareFinish: true }, 'tarnish', 'wash-finish'),
  cureWhen({ settings: { tarnish: 'wash-only' } }, 'tarnish', 'wash-finish'),
  cure('tarnish', 'polish'),
  leaveWhen(leaveHoles, 'tuning-low', '{practice} does not cut an original tone hole; the pitch is recorded as it is.'),
  cure('tuning-low', 'set-venting', 'hear-pitch', 'uncover-hole', 'file-hole-up', 'cover-hole', 'check-pitch'),
  leaveWhen(
    leaveHoles,
    'tuning-high',
    '{practice} does not alter an original tone hole; the pitch is recorded as it is.',
  ),
  cure('tuning-high', 'set-venting', 'hear-pitch', 'uncover-hole', 'fill-hole-down', 'cover-hole', 'check-pitch'),
  cureWhen(wood, 'dirt', 'clean-wood'),
  cure('dirt', 'clean'),
];

/**
 * Work of an overhaul that covers a finding wherever it lies, as long as that work is still to come: a worn pad needs
 * no step of its own where every pad is renewed.
 */
export const coverRules: readonly CureRule[] = [
  cureWhen({ scope: 'overhaul', settings: { pads: 'renew-all' } }, 'pad-worn', 'renew-pads'),
  cureWhen({ scope: 'overhaul', settings: { pads: 'renew-all' } }, 'pad-leaking', 'renew-pads'),
  cureWhen({ scope: 'overhaul' }, 'cork-worn', 'renew-corks'),
  // Bringing in the links backs every adjuster off first: one that was set before would be set twice.
  cureWhen({ scope: 'overhaul' }, 'adjuster-out', 'bring-in-links'),
  cureWhen({ scope: 'overhaul' }, 'lost-motion', 'bring-in-links'),
];

const overhaul = { scope: 'overhaul' } as const;
const standing = (operation: string, when: RuleCondition = overhaul): StandingRule => ({
  operation,
  when,
});
const holding = (settings: OwnSettings): RuleCondition => ({ ...overhaul, settings });

/** What is done whatever was found, in an overhaul and in a repair. */
export const standingRules: readonly StandingRule[] = [
  standing('photograph'),
  standing('test-play'),
  standing('survey'),
  standing('pad-stand'),
  standing('strip'),
  standing('clean-wood', { ...overhaul, body: 'wood' }),
  standing('clean', { ...overhaul, body: 'metal' }),
  standing('dress-all-rims', { ...holding({ rims: 'dress-every' }), body: 'metal' }),
  standing('test-joints', { ...overhaul, body: 'metal' }),
  standing('refit-keys'),
  standing('oil-wood', { ...overhaul, body: 'wood' }),
  standing('wash-finish', holding({ tarnish: 'wash-only' })),
  standing('wash-finish', { ...holding({ tarnish: 'polish' }), spareFinish: true }),
  standing('polish', { ...holding({ tarnish: 'polish' }), spareFinish: false }),
  standing('renew-corks'),
  standing('renew-pads', holding({ pads: 'renew-all' })),
  standing('renew-aged-pads', holding({ pads: 'keep-sound', padLife: 'age' })),
  standing('keep-pads', holding({ pads: 'keep-sound', padLife: 'condition' })),
  standing('assemble'),
  standing('seat-clamped', { ...holding({ seating: 'clamp-and-warm' }), hold: 'glued' }),
  standing('set-venting'),
  standing('bring-in-links'),
  standing('balance-springs'),
  { operation: 'play-test' },
  standing('photograph-after'),
  { operation: 'hand-over' },
];

/** Work that other work calls for, by the stage of that. */
export const followRules: readonly { stages: readonly Stage[]; operation: string; reason: string }[] = [
  {
    stages: ['pads', 'holes', 'assemble'],
    operation: 'bring-in-links',
    reason: 'Regulation judges linked pads against each other, so touching a pad, a hole or a key calls for it.',
  },
];

/** Does a condition hold here? Nothing named means always. */
export function holds(when: RuleCondition | undefined, context: CureContext): boolean {
  if (!when) return true;
  const { body, scope, families, settings = {}, severityBelow } = when;
  return (
    (body === undefined || body === context.body) &&
    (scope === undefined || scope === context.scope) &&
    (families?.includes(context.family) ?? true) &&
    (severityBelow === undefined || context.severity < severityBelow) &&
    (when.spring === undefined || when.spring === context.spring) &&
    // A place nobody has told is nowhere near: only a dent that is known to touch a seal is never a blemish.
    (when.nearSeal === undefined || when.nearSeal === (context.nearSeal ?? false)) &&
    (when.nearFitting === undefined || when.nearFitting === (context.nearFitting ?? false)) &&
    (when.spareFinish === undefined || when.spareFinish === context.spareFinish) &&
    (when.hold === undefined || when.hold === context.hold) &&
    questionsOf(when).every((question) => settings[question] === context.settings[question])
  );
}

/** The questions of the practice on which a condition rests. */
export const questionsOf = (when: RuleCondition | undefined): PracticeQuestion[] =>
  practiceQuestions.filter((question) => when?.settings?.[question] !== undefined);
