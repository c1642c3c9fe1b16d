import { closedHoles, fingeringWords, oncePerType, removableNames, type InstrumentType } from '../instruments';
import { compassOf, type Fingering } from './notes';

/** One line of a play test: what to play, what to listen for, and why. */
export interface SheetLine {
  id: string;
  play: string;
  listen: string;
  why: string;
  /** sounded, or worked without air */
  kind: 'sound' | 'silent';
  /** where it is likely to be if the line fails, nearest first: links, keys, holes */
  looksAt: string[];
}

/** How many of the lowest notes are held. */
const lowest = 5;

const line = (
  id: string,
  play: string,
  listen: string,
  why: string,
  looksAt: string[] = [],
  kind: SheetLine['kind'] = 'sound',
): SheetLine => ({ id, play, listen, why, kind, looksAt });

const andList = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;

/** What each family is asked besides what its mechanism says. */
const ofFamily: Partial<Record<string, readonly SheetLine[]>> = {
  flute: [
    line(
      'foot',
      'The lowest notes with the little finger rolling from one foot key to the next',
      'no gurgle between',
      'Foot pads late beside each other let air out for a moment.',
    ),
    line(
      'high-soft',
      'The third register, softly',
      'speaks without a push',
      'High notes vent through small openings: a pad that stands low chokes them.',
    ),
  ],
  piccolo: [
    line(
      'high-soft',
      'The third register, softly',
      'speaks without a push',
      'High notes vent through small openings: a pad that stands low chokes them.',
    ),
  ],
  clarinet: [
    line(
      'break',
      'Slowly across the break and back, from the throat notes to the long B',
      'no note hangs, no grunt',
      'Everything must shut at once: a bridge that is late is heard here first.',
    ),
    line('throat', 'Throat notes, long', 'clear, no hiss', 'Their pads stand near the mouthpiece and low.'),
  ],
  oboe: [
    line(
      'half-hole',
      'C♯, D and E♭ of the second register with the half-hole, softly',
      'in the upper octave at once',
      'A half-hole that is worn or shut wrong lets the lower octave through.',
    ),
    line(
      'low-soft',
      'The lowest notes, as softly as they go',
      'speaks, no flutter',
      'The bell pads and the resonance key hang on long rods.',
    ),
  ],
  saxophone: [
    line(
      'bell',
      'The bell notes, slurred into each other by the left little finger',
      'no gurgle, no drop to the octave above',
      'A table that gives lets one bell key lift the other.',
    ),
    line(
      'octave-change',
      'G to A in the second register, slurred, both ways',
      'no lower note between',
      'The neck octave must shut before the body octave opens.',
    ),
  ],
};

/**
 * The lowest note that shows whether what must stay shut does: its pads are shut in it, some of the keys of the rule are
 * down, and the others can be worked. Null where there is none, or where working them changes the register.
 */
function heldNote(
  type: InstrumentType,
  compass: readonly Fingering[],
  { press, pads }: { press: readonly string[]; pads: readonly string[] },
): { note: Fingering; worked: string[] } | null {
  const vents = new Set(type.holes.filter(({ use }) => use === 'vent').map(({ id }) => id));
  if (pads.every((pad) => vents.has(pad))) return null;
  for (const note of compass) {
    const worked = press.filter((key) => !note.down.includes(key));
    const held = worked.length > 0 && worked.length < press.length;
    if (held && pads.every((pad) => note.closed.has(pad))) return { note, worked };
  }
  return null;
}

/**
 * The play test of an instrument: the lowest notes, what must stay shut while another key is worked, every alternative
 * against its main fingering, registers, the chromatic, soft attacks, trills; then all of it without air. Made from its
 * fingerings and the rules of its mechanism, and what its family is asked besides.
 */
export const playSheet = oncePerType((type): readonly SheetLine[] => makeSheet(type));

function makeSheet(type: InstrumentType): SheetLine[] {
  const compass = compassOf(type);
  const names = removableNames(type);
  const name = (id: string) => names.get(id) ?? id;
  const keyOf = new Map(type.pads.map(({ hole, key }) => [hole, key]));
  const linksOf = (pads: readonly string[]) => {
    const keys = new Set(pads.flatMap((pad) => keyOf.get(pad) ?? []));
    return type.links.filter(({ follower }) => keys.has(follower)).map(({ id }) => id);
  };
  const mains = compass.filter(({ alternative, register }) => alternative === null && register === 1);
  const low = mains.slice(0, lowest);
  const lowWords = `${low[0]?.note ?? 'The lowest note'} up to ${low.at(-1)?.note ?? 'its neighbours'}`;

  const each = type.rules.flatMap((rule): SheetLine[] => {
    const found = rule.must === 'stay-shut' ? heldNote(type, compass, rule) : null;
    if (!found) return [];
    const { note, worked } = found;
    return [
      line(
        `held-${rule.id}`,
        `Hold ${fingeringWords(note)} and work ${andList(worked.map(name))}`,
        'the pitch does not move',
        rule.words,
        [...linksOf(rule.pads), ...rule.pads],
      ),
    ];
  });

  // Two rules that are heard on the same notes are one line.
  const held = each.filter(({ play }, i) => each.findIndex((other) => other.play === play) === i);
  const heldWhole = held.map((first) => {
    const same = each.filter(({ play }) => play === first.play);
    const looksAt = [...new Set(same.flatMap((own) => own.looksAt))];
    return { ...first, why: same.map(({ why }) => why).join(' '), looksAt };
  });

  const alternatives = mains.flatMap((main) => {
    const others = compass.filter(({ note, alternative }) => note === main.note && alternative !== null);
    if (others.length === 0) return [];
    const differ = [
      ...new Set(
        others.flatMap(({ closed }) =>
          type.holes.filter(({ id }) => closed.has(id) !== main.closed.has(id)).map(({ id }) => id),
        ),
      ),
    ];
    return [
      line(
        `alike-${main.id}`,
        `${main.note}: as usual, ${others.map(({ alternative }) => alternative).join(', ')}`,
        'the same pitch and the same voice',
        'An alternative that is dull or off has its vent too low, or something half open.',
        differ.filter((hole) => keyOf.has(hole)),
      ),
    ];
  });

  const trills = type.holes.filter(({ use }) => use === 'trill').map(({ id }) => id);
  const vents = type.holes.filter(({ use }) => use === 'vent').map(({ id }) => id);
  const sides = type.keys.filter(({ touches = [] }) =>
    touches.some(({ finger }) => finger.endsWith('S') || finger === 'LP'),
  );
  const twelfths = type.family === 'clarinet';
  const highest = compass.at(-1);
  return [
    line(
      'long-low',
      `${lowWords}: long, with the lightest fingers`,
      'speaks at once, does not flutter',
      'A leak anywhere spoils what lies below it, the lowest most.',
      low.length > 0 ? [...closedHoles(type, low[0]?.down ?? [])].filter((hole) => keyOf.has(hole)).reverse() : [],
    ),
    ...heldWhole,
    ...(ofFamily[type.playTest] ?? []),
    ...alternatives,
    line(
      'registers',
      `Every ${twelfths ? 'twelfth' : 'octave'} slurred, from the lowest up`,
      'the upper note speaks at once, in tune with the lower',
      'A vent that is dirty, or opens too far, or not at all.',
      vents,
    ),
    line(
      'chromatic',
      `Chromatic from ${low[0]?.note ?? 'the lowest note'} to ${highest?.note ?? 'the highest'} and back`,
      'no note duller or louder than its neighbours',
      'A dull one stands under a pad that is too low.',
    ),
    line(
      'soft-attack',
      `Soft attacks on ${lowWords}`,
      'no note waits',
      'What seals under pressure and not under a light finger is late.',
    ),
    ...(trills.length > 0 || sides.length > 0
      ? [
          line(
            'trills',
            `Trills and side keys${sides.length > 0 ? `: ${andList(sides.slice(0, 6).map(({ name: own }) => own))}` : ''}`,
            'even, and shut at once when let go',
            'Their springs are light and their pads small.',
            [...trills, ...sides.map(({ id }) => id)],
          ),
        ]
      : []),
    line(
      'no-air',
      'Without air: every key, each finger alone, then runs',
      'nothing clicks, rattles or knocks',
      'Worn hinges, lost cork and lost motion are heard before they are felt.',
      type.links.map(({ id }) => id),
      'silent',
    ),
  ];
}
