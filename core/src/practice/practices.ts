import type { PracticeName } from '../vocabulary';

export interface Practice {
  name: PracticeName;
  title: string;
  /** in one line, for whoever has to choose */
  holds: string;
  /** what an overhaul does with pads that are still sound */
  pads: 'renew-all' | 'keep-sound';
  rims: 'dress-every' | 'only-faulty';
  levelling: 'bend-cup' | 'shim-or-float';
  tenon: 'expand-then-shrink' | 'creep-and-lap';
  smallDents: 'remove' | 'leave';
  adhesive: 'shellac' | 'hot-glue';
  endPlay: 'washers' | 'new-tube';
  tuning: 'alter-holes' | 'leave-holes';
  tarnish: 'polish' | 'wash-only';
}

export const practices: Record<PracticeName, Practice> = {
  stage: {
    name: 'stage',
    title: 'Stage',
    holds: 'For a working player: tight, light, everything renewed.',
    pads: 'renew-all',
    rims: 'dress-every',
    levelling: 'bend-cup',
    tenon: 'expand-then-shrink',
    smallDents: 'remove',
    adhesive: 'shellac',
    endPlay: 'washers',
    tuning: 'alter-holes',
    tarnish: 'polish',
  },
  steady: {
    name: 'steady',
    title: 'Steady',
    holds: 'For school and community use: robust and economical; what is sound stays.',
    pads: 'keep-sound',
    rims: 'only-faulty',
    levelling: 'bend-cup',
    tenon: 'expand-then-shrink',
    smallDents: 'leave',
    adhesive: 'hot-glue',
    endPlay: 'washers',
    tuning: 'alter-holes',
    tarnish: 'polish',
  },
  keeper: {
    name: 'keeper',
    title: 'Keeper',
    holds: 'For historic instruments: reversible work, least removed, original parts kept, nothing hidden.',
    pads: 'keep-sound',
    rims: 'only-faulty',
    levelling: 'shim-or-float',
    tenon: 'creep-and-lap',
    smallDents: 'leave',
    adhesive: 'shellac',
    endPlay: 'new-tube',
    tuning: 'leave-holes',
    tarnish: 'wash-only',
  },
};
