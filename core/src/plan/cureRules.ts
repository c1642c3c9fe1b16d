import type { Practice } from '../practice';
import type { Family, FindingKind, Scope } from '../vocabulary';
import type { OperationKindName } from './operations';

export interface CureContext {
  family: Family;
  body: 'metal' | 'wood';
  scope: Scope;
  practice: Practice;
  severity: number;
}

type Cure = { operations: readonly OperationKindName[] } | { left: string };
type CureRule = (context: CureContext) => Cure;

const by = (...operations: OperationKindName[]): Cure => ({ operations });
const always =
  (...operations: OperationKindName[]): CureRule =>
  () =>
    by(...operations);
const keeper = ({ practice }: CureContext) => practice.name === 'keeper';
const wood = ({ body }: CureContext) => body === 'wood';

/**
 * What cures each kind of finding. The deepest sound cure that the practice allows, the one that removes least where
 * there is a choice; or the reason why the practice leaves it.
 */
export const cureRules: Record<FindingKind, CureRule> = {
  'body-bent': (c) => {
    if (wood(c)) return by('ease-warped-wood');
    return keeper(c) ? by('press-body-straight') : by('straighten-body');
  },
  'bell-turned': always('turn-bell'),
  'dent': (c) =>
    c.practice.smallDents === 'leave' && c.severity < 3
      ? { left: `${c.practice.title} leaves a dent away from a seal: raising it stretches metal each time.` }
      : by('raise-dent'),
  'seam-open': always('resolder-seam'),
  'hole-unsoldered': (c) => (wood(c) ? by('bush-hole') : by('resolder-hole')),
  'post-loose': (c) => (wood(c) ? by('secure-post-wood') : by('secure-post')),
  'post-stripped': (c) => (wood(c) ? by('bush-post') : by('secure-post')),
  'post-leaning': always('true-post'),
  'crack': (c) => {
    if (!wood(c)) return by('braze-crack');
    return keeper(c) ? by('fill-crack-reversibly') : by('fill-crack');
  },
  'stuck-part': (c) => (keeper(c) ? by('warm-stuck') : by('soak-stuck')),
  'broken-screw': always('extract-screw'),
  'rim-warped': (c) => {
    if (wood(c)) return by('reface-rim');
    return keeper(c) ? by('raise-rim') : by('dress-rim');
  },
  'hole-oval': (c) => (wood(c) ? by('ream-hole-round') : by('round-hole')),
  'rim-chipped': (c) => {
    if (wood(c)) return by('reface-rim');
    return keeper(c) ? by('raise-rim') : by('dress-rim');
  },
  'joint-loose': (c) => {
    if (wood(c)) return by('recork-tenon');
    return c.practice.tenon === 'creep-and-lap' ? by('creep-tenon') : by('expand-tenon');
  },
  'joint-tight': always('ease-tenon'),
  'receiver-oval': always('true-receiver'),
  'tenon-gouged': (c) => (keeper(c) ? by('sleeve-tenon') : by('replace-tenon')),
  'cork-worn': always('renew-cork'),
  'key-bent': always('straighten-key'),
  'rod-bent': always('straighten-rod'),
  'pivot-worn': always('refit-pivot'),
  'hinge-loose': (c) => (keeper(c) ? by('sleeve-key') : by('swage-key')),
  'end-play': (c) => {
    if (c.practice.endPlay === 'new-tube') return by('sleeve-key');
    return c.severity === 1 ? by('washer-key') : by('swage-key');
  },
  'spring-weak': always('retension-spring'),
  'spring-missing': always('renew-spring'),
  'pad-worn': always('replace-pad'),
  'pad-leaking': (c) => (c.practice.levelling === 'shim-or-float' ? by('shim-pad') : by('reseat-pad')),
  'grommet-cracked': always('renew-grommet'),
  'adjuster-out': always('set-adjuster'),
  'lost-motion': always('take-up-lost-motion'),
  'noise': always('quiet-noise'),
  'tarnish': (c) => (c.practice.tarnish === 'wash-only' ? by('wash-finish') : by('polish')),
  'tuning-low': (c) =>
    c.practice.tuning === 'leave-holes'
      ? { left: 'Keeper does not cut an original tone hole; the pitch is recorded as it is.' }
      : by('file-hole-up', 'check-pitch'),
  'tuning-high': (c) =>
    c.practice.tuning === 'leave-holes'
      ? { left: 'Keeper does not alter an original tone hole; the pitch is recorded as it is.' }
      : by('fill-hole-down', 'check-pitch'),
  'dirt': (c) => (wood(c) ? by('clean-wood') : by('clean')),
};

/** What is done whatever was found, in an overhaul and in a repair. */
export function standingOperations({ scope, body, practice }: Omit<CureContext, 'severity'>): OperationKindName[] {
  const last: OperationKindName[] = ['play-test', 'hand-over'];
  if (scope === 'repair') return last;
  return [
    'photograph',
    'survey',
    'strip',
    body === 'wood' ? 'clean-wood' : 'clean',
    ...(practice.rims === 'dress-every' && body === 'metal' ? (['dress-all-rims'] as const) : []),
    'refit-keys',
    practice.tarnish === 'wash-only' ? 'wash-finish' : 'polish',
    'renew-corks',
    practice.pads === 'renew-all' ? 'renew-pads' : 'keep-pads',
    'assemble',
    'bring-in-links',
    'balance-springs',
    ...last,
  ];
}
