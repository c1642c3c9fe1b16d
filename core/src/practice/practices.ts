import { practiceNames, type PracticeName, type PracticeQuestion, type PracticeSettings } from '../vocabulary';

/** A school of work: a name, and a side taken on every question good technicians disagree about. */
export interface Practice {
  name: PracticeName;
  title: string;
  /** in one line, for whoever has to choose */
  holds: string;
  settings: PracticeSettings;
}

export const practices: Record<PracticeName, Practice> = {
  stage: {
    name: 'stage',
    title: 'Stage',
    holds: 'For a working player: tight, light, everything renewed.',
    settings: {
      lostMotion: 'none',
      closingOrder: 'together',
      adhesive: 'shellac',
      seating: 'clamp-and-warm',
      clamping: 'finger-keys',
      levelling: 'bend-cup',
      pads: 'renew-all',
      padLife: 'age',
      rims: 'dress-every',
      tenon: 'expand-then-shrink',
      endPlay: 'washers',
      originality: 'playability',
      straightening: 'taps',
      smallDents: 'remove',
      springFeel: 'light',
      tuning: 'alter-holes',
      tarnish: 'polish',
    },
  },
  steady: {
    name: 'steady',
    title: 'Steady',
    holds: 'For school and community use: robust and economical; what is sound stays.',
    settings: {
      lostMotion: 'hair',
      closingOrder: 'needed-first',
      adhesive: 'hot-glue',
      seating: 'no-clamp',
      clamping: 'finger-keys',
      levelling: 'bend-cup',
      pads: 'keep-sound',
      padLife: 'condition',
      rims: 'only-faulty',
      tenon: 'expand-then-shrink',
      endPlay: 'washers',
      originality: 'playability',
      straightening: 'taps',
      smallDents: 'leave',
      springFeel: 'firm',
      tuning: 'alter-holes',
      tarnish: 'polish',
    },
  },
  keeper: {
    name: 'keeper',
    title: 'Keeper',
    holds: 'For historic instruments: reversible work, least removed, original parts kept, nothing hidden.',
    settings: {
      lostMotion: 'hair',
      closingOrder: 'together',
      adhesive: 'shellac',
      seating: 'no-clamp',
      clamping: 'finger-keys',
      levelling: 'shim-or-float',
      pads: 'keep-sound',
      padLife: 'condition',
      rims: 'only-faulty',
      tenon: 'creep-and-lap',
      endPlay: 'new-tube',
      originality: 'reversible',
      straightening: 'slow-pressure',
      smallDents: 'leave',
      springFeel: 'firm',
      tuning: 'leave-holes',
      tarnish: 'wash-only',
    },
  },
};

/** Sides taken otherwise than the practice takes them. */
export type OwnSettings = Readonly<Partial<PracticeSettings>>;

/**
 * The sides a job takes: those of its practice, but for those its shop has set otherwise.
 *
 * @example settingsOf('keeper', { pads: 'renew-all' }).pads // => "renew-all"
 */
export const settingsOf = (practice: PracticeName, own: OwnSettings = {}): PracticeSettings => ({
  ...practices[practice].settings,
  ...own,
});

/** The first shipped practice that takes this side; null when none does. */
export const holderOf = <Q extends PracticeQuestion>(question: Q, side: PracticeSettings[Q]): PracticeName | null =>
  practiceNames.find((name) => practices[name].settings[question] === side) ?? null;
