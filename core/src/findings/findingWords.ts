import type { FindingKind, FindingStatus, Finish, SpringFault } from '../vocabulary';

/** How deep a cause lies: the deepest is cured first. */
export type Depth = 'body' | 'post' | 'rim' | 'hinge' | 'cup' | 'pad' | 'regulation' | 'other';

/** What each kind of finding is called at the bench, and how deep it lies. */
export const findingWords: Record<FindingKind, { title: string; depth: Depth }> = {
  'body-bent': { title: 'Body bent', depth: 'body' },
  'bell-turned': { title: 'Bell turned', depth: 'body' },
  'neck-down': { title: 'Neck pulled down', depth: 'body' },
  'fitting-bent': { title: 'Guard, brace or rest bent', depth: 'other' },
  'dent': { title: 'Dent', depth: 'body' },
  'seam-open': { title: 'Seam open', depth: 'body' },
  'hole-unsoldered': { title: 'Tone hole loose in its seam', depth: 'rim' },
  'post-loose': { title: 'Post loose', depth: 'post' },
  'post-stripped': { title: 'Post hole stripped', depth: 'post' },
  'post-leaning': { title: 'Post leaning', depth: 'post' },
  'crack': { title: 'Crack', depth: 'body' },
  'stuck-part': { title: 'Stuck part', depth: 'other' },
  'broken-screw': { title: 'Broken screw', depth: 'other' },
  'rim-warped': { title: 'Rim not flat', depth: 'rim' },
  'hole-oval': { title: 'Hole oval', depth: 'rim' },
  'rim-chipped': { title: 'Rim chipped', depth: 'rim' },
  'joint-loose': { title: 'Joint loose', depth: 'body' },
  'joint-tight': { title: 'Joint tight', depth: 'body' },
  'receiver-oval': { title: 'Receiver oval', depth: 'body' },
  'tenon-gouged': { title: 'Tenon gouged', depth: 'body' },
  'cork-worn': { title: 'Cork or felt worn', depth: 'regulation' },
  'key-bent': { title: 'Key bent', depth: 'hinge' },
  'rod-bent': { title: 'Rod bent', depth: 'hinge' },
  'pivot-worn': { title: 'Pivot worn', depth: 'hinge' },
  'hinge-loose': { title: 'Hinge loose on its rod', depth: 'hinge' },
  'end-play': { title: 'End play', depth: 'hinge' },
  'spring-weak': { title: 'Spring weak', depth: 'regulation' },
  'spring-missing': { title: 'Spring missing', depth: 'regulation' },
  'pad-worn': { title: 'Pad worn or wrong', depth: 'pad' },
  'pad-leaking': { title: 'Pad leaking', depth: 'pad' },
  'grommet-cracked': { title: 'Grommet cracked', depth: 'pad' },
  'resonator-broken': { title: 'Snap-fit resonator broken', depth: 'pad' },
  'adjuster-out': { title: 'Key held off by its link', depth: 'regulation' },
  'lost-motion': { title: 'Lost motion', depth: 'regulation' },
  'noise': { title: 'Noise', depth: 'regulation' },
  'tarnish': { title: 'Tarnish', depth: 'other' },
  'tuning-low': { title: 'Note low', depth: 'other' },
  'tuning-high': { title: 'Note high', depth: 'other' },
  'dirt': { title: 'Dirt', depth: 'other' },
};

const springTitles: Record<SpringFault, string> = {
  weak: 'Spring too weak',
  strong: 'Spring too strong',
  spent: 'Spring spent',
};

/** What a finding is called: a spring by what is wrong with it, everything else by its kind. */
export const findingTitle = ({
  kind,
  spring,
}: {
  kind: FindingKind;
  spring?: SpringFault | null | undefined;
}): string => (kind === 'spring-weak' && spring ? springTitles[spring] : findingWords[kind].title);

export const findingStatusWords: Record<FindingStatus, string> = {
  'open': 'open',
  'suspected': 'suspected',
  'confirmed': 'confirmed',
  'declined': 'declined',
  'cured': 'cured',
  'stop-gap': 'stop-gap',
  'left': 'left as it is',
};

/** Still asking for work. */
export const isOpenStatus = (status: FindingStatus): boolean =>
  status === 'open' || status === 'suspected' || status === 'confirmed';

/** What lies over metal, in words that follow “under”. */
export const finishWords: Record<Finish, string> = {
  'bare': 'bare metal',
  'tarnished': 'tarnish',
  'lacquer-sound': 'sound lacquer',
  'lacquer-brittle': 'brittle lacquer',
  'plate': 'plate',
  'engraving': 'engraving',
};
