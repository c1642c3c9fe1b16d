import type { PadAdvice, PadPicture } from '../pads';

/** What each leak-light picture usually comes from, most likely first. */
export const pictureWords: Record<PadPicture, { title: string; causes: string }> = {
  'sealed': { title: 'Seals all round', causes: 'Nothing to do.' },
  'held-off': {
    title: 'Even light all round',
    causes: 'The key is held off: a linked key lands first, a cork is too thick, or a spring binds.',
  },
  'dotted': { title: 'Thin slits dotted all round', causes: 'Too little adhesive behind the edge of the pad.' },
  'saddle': {
    title: 'Two opposite gaps',
    causes: 'The rim is saddle-shaped or the hole oval; or the cup has sprung.',
  },
  'touches-back': {
    title: 'Touches at the back, open at the front',
    causes: 'Pad too thick or standing too high; cup bent up at the front; key low on a worn hinge.',
  },
  'touches-front': {
    title: 'Touches at the front, open at the back',
    causes: 'Pad too thin; cup bent down at the front; hinge worn.',
  },
  'open-side': {
    title: 'Open on one side',
    causes: 'Cup twisted, hinge tube or post leaning, or the rim tilted: true post and rim first.',
  },
  'one-gap': { title: 'One short gap', causes: 'A chip or dent in the rim, torn skin, or dirt.' },
  'uneven': { title: 'Uneven, no one direction', causes: 'Pad or bed uneven.' },
};

export const adviceWords: Record<PadAdvice, string> = {
  'none': 'Leave it as it is.',
  'regulate': 'Regulate; do not touch the pad.',
  'add-adhesive': 'Lift, add adhesive where it is bare, float level, seat again.',
  'level-rim': 'Level the rim. Never shim a pad to fit a crooked rim.',
  'bend-cup': 'True post and rim first; then bend the cup sideways, spring off.',
  'clean-inspect': 'Clean first; then look at the rim; then at the pad.',
  'shim': 'Shim by sector.',
  'reset-bed': 'Ease the pad in its warm bed.',
  'change-pad': 'Fit a pad of the right thickness.',
};
