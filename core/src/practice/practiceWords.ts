import type { PracticeQuestion, PracticeSettings, ToleranceName } from '../vocabulary';

interface QuestionWords<Q extends PracticeQuestion> {
  question: string;
  /** what each side holds, in one line */
  sides: Record<PracticeSettings[Q], { title: string; holds: string }>;
  /** what the answer changes, in words */
  changes: string;
  /** limits that go with the side: those of the shipped practice that takes it */
  limits?: readonly ToleranceName[];
}

/** Where good technicians disagree, in words for whoever has to choose. */
export const practiceWords: { [Q in PracticeQuestion]: QuestionWords<Q> } = {
  lostMotion: {
    question: 'Lost motion at linked keys',
    sides: {
      none: { title: 'None at all', holds: 'Everything moves as one; the touch is direct.' },
      hair: { title: 'A hair is kept', holds: 'A hair of slack, so that one key never holds another open.' },
    },
    changes: 'The limit for lost motion, and how links are brought in',
    limits: ['lostMotion'],
  },
  closingOrder: {
    question: 'Closing order of a pair',
    sides: {
      'together': { title: 'Exactly together', holds: 'Both pads land in the same moment.' },
      'needed-first': {
        title: 'The needed key first',
        holds: 'The key the player needs most lands first by a hair, its helper a trace late.',
      },
    },
    changes: 'The limit for a late follower, and how links are brought in',
    limits: ['followerLateness'],
  },
  adhesive: {
    question: 'Adhesive behind the pad',
    sides: {
      'shellac': { title: 'Shellac', holds: 'Hard when cold, floats again whenever it is warmed.' },
      'hot-glue': { title: 'Hot glue', holds: 'Thicker, will not run out at the edge, easier to level.' },
    },
    changes: 'How pads are set, and how long they cool',
  },
  seating: {
    question: 'Seating the pads',
    sides: {
      'clamp-and-warm': {
        title: 'Clamp lightly and warm',
        holds: 'A light clamp and gentle warmth give a seat that lasts.',
      },
      'no-clamp': { title: 'No clamp', holds: 'A pad that lies level seats itself in play.' },
    },
    changes: 'Whether the keys are clamped and warmed after assembly',
  },
  clamping: {
    question: 'What to clamp, where clamps are used',
    sides: {
      'finger-keys': { title: 'Keys that fingers hold', holds: 'Over-clamped felt swells back; springs do the rest.' },
      'every-pad': { title: 'Every pad', holds: 'Every pad meets its rim for the first time in the same way.' },
    },
    changes: 'How long clamping takes, and what is clamped',
  },
  levelling: {
    question: 'Levelling a pad',
    sides: {
      'bend-cup': { title: 'Bend the cup', holds: 'The cup is set level; few shims are needed.' },
      'shim-or-float': { title: 'Shim or float', holds: 'A cup is never bent; the pad is floated or shimmed level.' },
    },
    changes: 'Which step cures a leaking pad',
  },
  pads: {
    question: 'Pads in an overhaul',
    sides: {
      'renew-all': { title: 'Replace all', holds: 'New pads throughout: one age, one height, one feel.' },
      'keep-sound': { title: 'Keep what is sound', holds: 'A sound pad that has found its seat is worth keeping.' },
    },
    changes: 'Whether every pad is renewed',
  },
  padLife: {
    question: 'Pads that still seal',
    sides: {
      age: { title: 'Renew on age', holds: 'Old felt and skin fail soon after an overhaul that kept them.' },
      condition: { title: 'Renew on condition', holds: 'Age is a reason to look, not a verdict.' },
    },
    changes: 'What going through kept pads asks for, and how long it takes',
  },
  rims: {
    question: 'Tone-hole rims at an overhaul',
    sides: {
      'dress-every': { title: 'Dress every rim', holds: 'Every pad gets a rim that was made for it.' },
      'only-faulty': { title: 'Only those out of tolerance', holds: 'Metal that is level stays where it is.' },
    },
    changes: 'Whether every metal rim is dressed',
  },
  tenon: {
    question: 'A loose metal tenon',
    sides: {
      'expand-then-shrink': {
        title: 'Expand past size, then shrink',
        holds: 'A hair over, then down in small equal steps.',
      },
      'creep-and-lap': { title: 'Creep up to size, then lap', holds: 'Never past size: the metal is worked once.' },
    },
    changes: 'Which step cures a loose joint',
  },
  endPlay: {
    question: 'End play beyond swaging',
    sides: {
      'washers': { title: 'Washers', holds: 'Thin slippery washers, quick and easily undone.' },
      'new-tube': {
        title: 'New tube or sleeve only',
        holds: 'Metal for metal; nothing that can wear out or fall out.',
      },
    },
    changes: 'Which step cures end play',
  },
  originality: {
    question: 'Originality',
    sides: {
      playability: { title: 'Playability first', holds: 'Modern parts are welcome where they serve the player.' },
      reversible: {
        title: 'Reversible work',
        holds: 'Original parts kept, nothing hidden, all of it undone again if need be.',
      },
    },
    changes: 'How cracks, stuck parts, rims, hinges and tenons are cured',
  },
  straightening: {
    question: 'Straightening a tube',
    sides: {
      'taps': { title: 'Taps', holds: 'Small taps that let the metal move by vibration.' },
      'slow-pressure': { title: 'Slow steady pressure', holds: 'No blows: pressed, released and measured.' },
    },
    changes: 'Which step straightens a bent body',
  },
  smallDents: {
    question: 'Small dents away from a seal',
    sides: {
      remove: { title: 'Remove', holds: 'Reflections run smooth again and air flows past nothing.' },
      leave: { title: 'Leave', holds: 'Metal is lost or stretched each time one is raised.' },
    },
    changes: 'Whether a small dent is worked at all',
  },
  springFeel: {
    question: 'Spring feel',
    sides: {
      light: { title: 'As light as stays reliable', holds: 'Fast fingers, and no more force than the pad needs.' },
      firm: { title: 'Firm', holds: 'Keys that close surely whoever plays, in any weather.' },
    },
    changes: 'The limit for force at the touch, and how springs are balanced',
    limits: ['leastForceNewtons', 'sealForceNewtons'],
  },
  tuning: {
    question: 'Notes out of tune',
    sides: {
      'alter-holes': { title: 'Alter the hole', holds: 'Opened or filled at its upstream edge, a little at a time.' },
      'leave-holes': { title: 'Leave original holes', holds: 'The pitch is written down as it is.' },
    },
    changes: 'Whether tone holes are opened or filled',
  },
  tarnish: {
    question: 'Surface',
    sides: {
      'polish': { title: 'Polish', holds: 'As little as possible, but bright.' },
      'wash-only': { title: 'Wash only', holds: 'The surface is part of what the instrument has to tell.' },
    },
    changes: 'Whether metal is polished',
  },
};

/** What a side is called, and what it holds. */
export const sideWords = (question: PracticeQuestion, side: string): { title: string; holds: string } =>
  (practiceWords[question].sides as Record<string, { title: string; holds: string }>)[side] ?? {
    title: side,
    holds: '',
  };
