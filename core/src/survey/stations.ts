import { downTheTube, type InstrumentType } from '../instruments';
import { findingKinds, type FindingKind, type SpringFault, type SurveyStation } from '../vocabulary';

/** What a place of the survey is, so that only faults that can sit there are offered. */
export type PlaceKind = 'joint' | 'section' | 'hole' | 'key' | 'post' | 'rod' | 'pad' | 'fitting';

/** A fault that one key writes down. */
export interface SurveyFault {
  /** the key on the keyboard, lower case */
  press: string;
  kind: FindingKind;
  /** what it is called here */
  words: string;
  at: readonly PlaceKind[];
  /** of a spring: what is wrong with it */
  spring?: SpringFault;
  /** written into the note, where the finding's own name says too little */
  note?: string;
  /** where not every instrument can have it */
  only?: Made;
}

/**
 * How a place is made: of sheet metal, of what is thicker (wood, hard rubber, plastic), a neck that can be pulled down, or
 * a tube that was bent out of metal and can be turned against the next.
 */
type Made = 'metal' | 'thick' | 'neck' | 'bent tube';

export interface Station {
  id: SurveyStation;
  title: string;
  /** how to look, in the words of the bench */
  look: string;
  /** the same where it is made of wood or something as thick, if that is another thing to do */
  lookThick?: string;
  faults: readonly SurveyFault[];
}

const fault = (
  press: string,
  kind: FindingKind,
  words: string,
  at: readonly PlaceKind[],
  note?: string,
  spring?: SpringFault,
): SurveyFault => ({ press, kind, words, at, ...(note !== undefined && { note }), ...(spring && { spring }) });

const only = (made: Made, of: SurveyFault): SurveyFault => ({ ...of, only: made });

/** The stations of a survey in the order they are gone through, each asking only what can be seen there. */
export const stations: readonly Station[] = [
  {
    id: 'joints',
    title: 'Joints',
    look: 'Try each joint for wobble, with the clamp screw loose. Look for tape or grease that stands in for fit, and feel inside the bore for a ridge where a joint was knocked sideways.',
    lookThick:
      'Try each joint for wobble: cork alone cannot cure it. Look for tape or thread that stands in for fit, and at the rim of each socket for a crack.',
    faults: [
      fault('l', 'joint-loose', 'Loose, wobbles', ['joint']),
      fault('t', 'joint-tight', 'Too tight', ['joint']),
      fault('o', 'receiver-oval', 'Receiver oval', ['joint']),
      fault('g', 'tenon-gouged', 'Tenon gouged', ['joint']),
      fault('c', 'cork-worn', 'Cork or thread worn', ['joint'], 'tape, grease or worn cork stands in for fit'),
      only('metal', fault('r', 'dent', 'Ridge inside the bore', ['joint'], 'ridge felt inside: knocked sideways')),
      fault('k', 'crack', 'Crack at the socket', ['joint']),
      fault('x', 'stuck-part', 'Stuck', ['joint']),
    ],
  },
  {
    id: 'body',
    title: 'Body',
    look: 'Let a straight light edge run along the tube: breaks in it are dents, a slope is a bend. Sight down the four quarter lines. Look at the back and round the thumb keys too.',
    lookThick:
      'Let a light run along the grain: cracks begin at the ends, at tone holes and at posts. Look for old fills and pins, and sight down the bore from both ends.',
    faults: [
      fault('b', 'body-bent', 'Bent', ['section']),
      only('bent tube', fault('n', 'bell-turned', 'Turned against its neighbour', ['section'])),
      only('neck', fault('w', 'neck-down', 'Neck pulled down', ['section'])),
      only('metal', fault('d', 'dent', 'Dent', ['section'])),
      only('metal', fault('s', 'seam-open', 'Seam open', ['section'])),
      fault('k', 'crack', 'Crack', ['section']),
      only('metal', fault('y', 'tarnish', 'Tarnish', ['section'])),
      fault('i', 'dirt', 'Dirt', ['section']),
    ],
  },
  {
    id: 'holes',
    title: 'Tone holes',
    look: 'Seams of soldered holes under a glass: an odd bright spot in even tarnish is a clue. Then chips, rims pushed in, and holes gone oval beside a dent.',
    lookThick:
      'Each rim under a glass: chips, pits and old fills break its reflection, a crack runs into the hole from outside. Then holes that have gone oval.',
    faults: [
      only('metal', fault('u', 'hole-unsoldered', 'Seam doubtful or open', ['hole'])),
      only('thick', fault('c', 'rim-chipped', 'Rim chipped', ['hole'])),
      only('metal', fault('p', 'rim-warped', 'Rim pushed in', ['hole'], 'rim pushed in')),
      fault('o', 'hole-oval', 'Oval', ['hole']),
      only('metal', fault('d', 'dent', 'Dent beside it', ['hole'])),
      fault('k', 'crack', 'Crack into it', ['hole']),
      fault('i', 'dirt', 'Dirt in it', ['hole']),
    ],
  },
  {
    id: 'mechanism',
    title: 'Mechanism, mounted',
    look: 'Key by key: end play along the rod, rock across it. Wiggle each post; the one between the two hand stacks matters most. Back a cone pivot out with no load and watch whether the key rises and falls.',
    faults: [
      fault('e', 'end-play', 'End play', ['key']),
      fault('r', 'hinge-loose', 'Rocks on its rod', ['key', 'rod']),
      fault('b', 'key-bent', 'Bent', ['key']),
      fault(
        'v',
        'pivot-worn',
        'Rises and falls as the pivot is backed out',
        ['key', 'rod'],
        'rises and falls as the pivot is backed out',
      ),
      fault('m', 'lost-motion', 'Lost motion', ['key']),
      fault('a', 'adjuster-out', 'Held off by its link', ['key']),
      fault('o', 'rod-bent', 'Rod bent', ['rod', 'key']),
      fault('w', 'post-loose', 'Wiggles', ['post']),
      fault('l', 'post-leaning', 'Leans', ['post']),
      fault('s', 'post-stripped', 'Turns in its hole', ['post']),
      fault('x', 'stuck-part', 'Stuck', ['key', 'rod', 'post']),
      fault('z', 'broken-screw', 'Screw broken', ['rod', 'post', 'key']),
      fault('i', 'dirt', 'Dry, dirt in fresh oil', ['rod', 'key']),
    ],
  },
  {
    id: 'springs',
    title: 'Springs',
    look: 'Kinks, dings where they slide, rust, too much or too little tension, missing.',
    faults: [
      fault('w', 'spring-weak', 'Weak', ['key'], '', 'weak'),
      fault('o', 'spring-weak', 'Too strong', ['key'], '', 'strong'),
      fault('k', 'spring-weak', 'Kinked', ['key'], 'kinked', 'spent'),
      fault('r', 'spring-weak', 'Rusted', ['key'], 'rusted', 'spent'),
      fault('d', 'spring-weak', 'Ding where it slides', ['key'], 'ding where it slides', 'spent'),
      fault('m', 'spring-missing', 'Missing', ['key']),
    ],
  },
  {
    id: 'pads',
    title: 'Pads, leak light inside',
    look: 'At the lightest touch: let the finger only rest on the key, a hard squeeze hides leaks. For every pad, where light shows, and which of two linked pads lands first. Age is a reason to look, not a verdict.',
    faults: [
      fault('w', 'pad-worn', 'Torn, hard or creased', ['pad']),
      fault('y', 'pad-worn', 'Oily', ['pad'], 'oily'),
      fault(
        'h',
        'pad-worn',
        'Closes only with force',
        ['pad'],
        'closes only with force: hard pad, deep seat or strong spring',
      ),
      fault('g', 'grommet-cracked', 'Grommet cracked', ['pad']),
      fault('n', 'resonator-broken', 'Snap-fit resonator broken', ['pad']),
    ],
  },
  {
    id: 'corks',
    title: 'Corks, felts and noise',
    look: 'Missing, crushed or hardened corks, felts and bumpers. Work every key fast with no air and listen.',
    faults: [
      fault('c', 'cork-worn', 'Missing, crushed or hard', ['key', 'fitting']),
      fault('n', 'noise', 'Noisy', ['key', 'fitting']),
      fault('m', 'lost-motion', 'Lost motion', ['key']),
      fault('z', 'broken-screw', 'Screw broken', ['fitting']),
      fault('b', 'stuck-part', 'Stuck', ['fitting']),
    ],
  },
];

export const station = (id: SurveyStation): Station => stations.find((each) => each.id === id) as Station;

/** The places of one station, down the tube, each with what it is. */
export function stationPlaces(type: InstrumentType, id: SurveyStation): { part: string; kind: PlaceKind }[] {
  const of = (kind: PlaceKind, rows: readonly { id: string }[]) => rows.map((row) => ({ part: row.id, kind }));
  const places: Record<SurveyStation, { part: string; kind: PlaceKind }[]> = {
    joints: of('joint', type.joints),
    body: of('section', type.sections),
    holes: of('hole', type.holes),
    mechanism: [...of('key', type.keys), ...of('post', type.posts), ...of('rod', type.rods)],
    springs: of(
      'key',
      type.keys.filter(({ springs = [{}] }) => springs.length > 0),
    ),
    pads: type.pads.map(({ hole }) => ({ part: hole, kind: 'pad' as const })),
    corks: [...of('key', type.keys), ...of('fitting', type.fittings)],
  };
  const kinds = new Map(places[id].map((place) => [place.part, place.kind]));
  return downTheTube(type, [...kinds.keys()]).map((part) => ({ part, kind: kinds.get(part) ?? 'key' }));
}

/** No sheet metal is so thick, and nothing turned of wood so thin, mm. */
const thickFrom = 2;

/** Is a place made so that it can have what only such places have? */
function isMade(type: InstrumentType, part: string, made: Made): boolean {
  const { sections, joints, holes, family } = type;
  const joint = joints.find(({ id }) => id === part);
  const own = holes.find(({ id }) => id === part)?.section ?? part;
  const at = sections.filter(({ id }) => (joint ? id === joint.upper || id === joint.lower : id === own));
  const metal = at.some(({ wall }) => wall < thickFrom);
  if (made === 'metal') return metal;
  if (made === 'thick') return at.some(({ wall }) => wall >= thickFrom);
  // The tubes of flutes are straight, and their joints are turned by hand.
  const bent = metal && family !== 'flute' && family !== 'piccolo';
  return made === 'bent tube' ? bent : bent && sections.length > 1 && sections[0]?.id === part;
}

/** How to look at a place of a station, as it is made. */
export const lookAtPlace = (type: InstrumentType, { look, lookThick = look }: Station, part: string | null): string =>
  part !== null && !isMade(type, part, 'metal') ? lookThick : look;

/** The faults that can sit at a place of a station on this instrument, each with its key. */
export const faultsAt = (
  type: InstrumentType,
  { faults }: Station,
  place: { part: string; kind: PlaceKind } | null,
): SurveyFault[] =>
  place === null
    ? []
    : faults.filter(
        ({ at, only: made }) => at.includes(place.kind) && (made === undefined || isMade(type, place.part, made)),
      );

/** What a walk of stations does not ask of a place, and can be wrong there all the same. */
const besides: Partial<Record<PlaceKind, readonly FindingKind[]>> = {
  hole: ['tuning-low', 'tuning-high'],
  pad: ['pad-leaking'],
  fitting: ['fitting-bent'],
};

/**
 * What can be wrong at a part of this instrument as it is made, in the order of all findings; none for what no station
 * looks at, such as the instrument as a whole. Whoever has seen something else may say so all the same.
 */
export function likelyKinds(type: InstrumentType, part: string): FindingKind[] {
  const found = new Set<FindingKind>();
  for (const each of stations)
    for (const place of stationPlaces(type, each.id)) {
      if (place.part !== part) continue;
      for (const { kind } of faultsAt(type, each, place)) found.add(kind);
      for (const kind of besides[place.kind] ?? []) found.add(kind);
    }
  return findingKinds.filter((kind) => found.has(kind));
}
