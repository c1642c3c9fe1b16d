import { freshId } from '../ids';
import {
  changeType,
  pivotId,
  removableNames,
  removableParts,
  type InstrumentType,
  type TypeChange,
} from '../instruments';
import type { JobState } from '../job';
import type { CorkKind } from '../vocabulary';
import { freeCells, lastOff } from './board';
import type { NamedOffBody } from './namedOff.kind';

type Key = InstrumentType['keys'][number];
type Rod = InstrumentType['rods'][number];
type Fitting = InstrumentType['fittings'][number];
type Section = InstrumentType['sections'][number];
type Put = NonNullable<TypeChange['put']>;
interface Named {
  id: string;
  name: string;
}

/** What was typed, as an entry, with what it is taken to be in words; or what is wrong with it. */
export type NamedOff = { ok: true; body: NamedOffBody; says: string[] } | { ok: false; problem: string };

type Kind = 'key' | 'rod' | 'pivots' | 'fitting' | 'section';
/** What the end of a name says it is; everything else is a key. */
const endings: readonly [Kind, RegExp][] = [
  ['rod', /\b(rod|axle|steel|long screw)$/i],
  ['pivots', /\bpivots$/i],
  ['fitting', /\b(guard|brace|rest|ring|screw|plate|pin|water key|bumper|hook|stand)$/i],
  ['section', /\b(joint|bell|barrel|neck|crook|bow|tube|section|body)$/i],
];
const fittingKinds = ['guard', 'brace', 'rest', 'ring', 'screw', 'plate', 'pin'] as const;
const mostSprings = 4;
const mostCorks = 8;
const mostOver = 20;

/** Something in what was typed that cannot be taken; its message is for whoever typed it. */
class Unclear extends Error {}

/** A part by what was typed of its name: the whole of it, else how it begins, else a piece of it. */
function find(parts: readonly Named[], words: string): string {
  const found = findAny(parts, words);
  if (found === null) throw new Unclear(`Nothing here is called “${words.trim()}”. Name that first, or say it later.`);
  return found;
}

/** The same, or null where nothing is called so. */
function findAny(parts: readonly Named[], words: string): string | null {
  const typed = words.trim().toLowerCase();
  const fits: ((name: string) => boolean)[] = [
    (name) => name === typed,
    (name) => name.startsWith(typed),
    (name) => name.includes(typed),
  ];
  for (const fit of fits) {
    const found = parts.filter(({ name }) => fit(name.toLowerCase()));
    if (found.length === 1 && found[0]) return found[0].id;
    if (found.length > 1) {
      const first = found.slice(0, 3).map(({ name }) => name);
      throw new Unclear(`“${words.trim()}” could be ${first.join(' or ')}. Say more of its name.`);
    }
  }
  return null;
}

/** Figures nobody has measured only place a part on the picture; the row says that they are assumed. */
const rodRow = ({ sections }: InstrumentType, id: string, name: string, kind: Rod['kind']): Rod => ({
  id,
  name,
  section: sections[0]?.id ?? '',
  from: 10,
  to: 60,
  clock: 40,
  diameter: 2,
  kind,
  assumed: ['from', 'to', 'clock', 'diameter'],
});
const fittingRow = ({ sections }: InstrumentType, id: string, name: string): Fitting => ({
  id,
  name,
  section: sections[0]?.id ?? '',
  at: 10,
  clock: 0,
  kind: fittingKinds.find((kind) => name.toLowerCase().endsWith(kind)) ?? 'other',
  assumed: ['at', 'clock'],
});
function sectionRow({ sections }: InstrumentType, id: string, name: string): Section {
  const above = sections.at(-1);
  const diameter = above?.bore.at(-1)?.diameter ?? 15;
  const bore = [0, 200].map((at) => ({ at, diameter }));
  return { id, name, length: 200, wall: above?.wall ?? 5, bore, assumed: ['length', 'wall', 'bore'] };
}

/** What one line comes to while it is read. */
interface Line {
  type: InstrumentType;
  kind: Kind;
  /** the part as it is known, or as it begins */
  part: Named;
  key: Key;
  over: string[];
  /** keys it passes over that had no name before; they are still on */
  beneath: Key[];
  /** something was said of what it turns on */
  turns: boolean;
  pivots: Rod | null;
  corks: NonNullable<NamedOffBody['corks']>;
  notes: string[];
  /** is there a place for cork of this id? */
  takenCorks: string[];
}

const pieces = (words: string) =>
  words
    .split('+')
    .map((piece) => piece.trim())
    .filter(Boolean);
const others = ({ part }: Line, list: readonly Named[]) => list.filter(({ id }) => id !== part.id);

/** The clauses after a name: of what parts each can be said, and what it does. What fits none is the part’s note. */
const clauses: readonly { of: readonly Kind[]; reads: RegExp; take: (line: Line, words: string[]) => void }[] = [
  {
    of: ['key'],
    reads: /^on nothing$/i,
    take: (line) => {
      const { rod: _, ...free } = line.key;
      line.key = free;
      line.turns = true;
    },
  },
  {
    of: ['key'],
    reads: /^on (.+)$/i,
    take: (line, [, words = '']) => {
      line.key = { ...line.key, rod: find(line.type.rods, words) };
      line.turns = true;
    },
  },
  {
    of: ['key'],
    reads: /^(cone |cylinder )?pivots$/i,
    take: (line, [, shape = '']) => {
      const name = `${line.part.name.replace(/ key$/i, '')} pivots`;
      const id = freshId(name, 'pivots', [...removableNames(line.type).keys(), line.part.id]);
      const pivot = shape.trim().toLowerCase();
      line.pivots = {
        ...rodRow(line.type, id, name, 'pivots'),
        ...((pivot === 'cone' || pivot === 'cylinder') && { pivot }),
      };
      line.key = { ...line.key, rod: id };
      line.turns = true;
    },
  },
  {
    of: ['key', 'fitting'],
    reads: /^over (.+)$/i,
    take: (line, [, words = '']) => {
      const { keys, rods, fittings } = line.type;
      const all = others(line, [...keys, ...rods, ...fittings]);
      const found = pieces(words).map((piece) => {
        const known = findAny([...all, ...line.beneath], piece);
        if (known !== null) return known;
        const taken = [...removableNames(line.type).keys(), line.part.id, ...line.beneath.map(({ id }) => id)];
        const id = freshId(piece, 'part', taken);
        line.beneath.push({ id, name: piece.slice(0, 80), rest: 'closed' });
        return id;
      });
      line.over = [...new Set([...line.over, ...found])].slice(0, mostOver);
    },
  },
  {
    of: ['key'],
    reads: /^in(?:side)? (.+)$/i,
    take: (line, [, words = '']) => {
      line.key = { ...line.key, nestsIn: find(others(line, line.type.keys), words) };
    },
  },
  {
    of: ['key'],
    reads: /^(open|closed)$/i,
    take: (line, [, rest = '']) => {
      line.key = { ...line.key, rest: rest.toLowerCase() === 'open' ? 'open' : 'closed' };
    },
  },
  {
    of: ['key'],
    reads: /^(?:([1-4]) )?(needle|flat)(?: springs?)?$/i,
    take: (line, [, count = '1', word = '']) => {
      const kind = word.toLowerCase() === 'flat' ? 'flat' : 'needle';
      const springs = [
        ...(line.key.springs ?? []),
        ...Array.from({ length: Number(count) }, () => ({ kind }) as const),
      ];
      if (springs.length > mostSprings) throw new Unclear(`A key has at most ${mostSprings} springs.`);
      line.key = { ...line.key, springs };
    },
  },
  {
    of: ['key'],
    reads: /^(cork|felt|bumper) at (.+)$/i,
    take: (line, [, word = '', words = '']) => {
      for (const place of pieces(words)) {
        const taken = [...line.takenCorks, ...line.corks.map(({ id }) => id)];
        const id = freshId(`${line.part.name} ${place}`, 'cork', taken);
        line.corks.push({ id, place: place.slice(0, 80), kind: word.toLowerCase() as CorkKind });
      }
      if (line.corks.length > mostCorks)
        throw new Unclear(`At most ${mostCorks} corks and felts in one line; say the others in another.`);
    },
  },
];

/**
 * The rod or pivots a key named next would turn on: what came off last, or what the key that came off last turns on. Two
 * pivot screws hold one key.
 */
export function proposedRod({ instrument, off }: Pick<JobState, 'instrument' | 'off'>): Rod | null {
  if (!instrument) return null;
  const last = lastOff(off.values());
  if (!last) return null;
  const key = instrument.keys.find(({ id }) => id === last.part);
  const rod = instrument.rods.find(({ id }) =>
    [id, pivotId(id, 'top'), pivotId(id, 'bottom')].some((each) => each === last.part || each === key?.rod),
  );
  const full = rod?.kind === 'pivots' && instrument.keys.some((each) => each.rod === rod.id);
  return rod === undefined || full ? null : rod;
}

/** The part a name means: one that is known, or a new one of the kind its last word says. */
function partCalled(type: InstrumentType, name: string): { kind: Kind; part: Named; known: boolean } {
  const lists: readonly [Kind, readonly Named[]][] = [
    ['key', type.keys],
    ['rod', type.rods.filter(({ kind }) => kind === 'through')],
    ['pivots', type.rods.filter(({ kind }) => kind === 'pivots')],
    ['fitting', type.fittings],
    ['section', type.sections],
  ];
  for (const [kind, rows] of lists) {
    const part = rows.find((row) => row.name.toLowerCase() === name.toLowerCase());
    if (part) return { kind, part, known: true };
  }
  const id = freshId(name, 'part', removableNames(type).keys());
  return { kind: endings.find(([, ending]) => ending.test(name))?.[0] ?? 'key', part: { id, name }, known: false };
}

/** The rows this line puts into the instrument; none where it says nothing new. */
function rowsOf({ type, kind, part, key, over, beneath, pivots }: Line, known: boolean): Put {
  if (kind === 'key') {
    const row = over.length > 0 ? { ...key, over } : key;
    const before = type.keys.find(({ id }) => id === part.id);
    const news = JSON.stringify(row) !== JSON.stringify(before);
    const keys = [...beneath, ...(news ? [row] : [])];
    return { ...(pivots && { rods: [pivots] }), ...(keys.length > 0 && { keys }) };
  }
  if (kind === 'fitting') {
    const row = type.fittings.find(({ id }) => id === part.id) ?? fittingRow(type, part.id, part.name);
    if (known && over.length === 0) return {};
    return {
      fittings: [{ ...row, ...(over.length > 0 && { over }) }],
      ...(beneath.length > 0 && { keys: beneath }),
    };
  }
  if (known) return {};
  if (kind === 'section') return { sections: [sectionRow(type, part.id, part.name)] };
  return { rods: [rodRow(type, part.id, part.name, kind === 'rod' ? 'through' : 'pivots')] };
}

const kindWords: Record<Kind, string> = {
  key: 'a new key',
  rod: 'a new rod',
  pivots: 'a new pair of pivots',
  fitting: 'a new fitting',
  section: 'a new section',
};

function readLine(state: Pick<JobState, 'instrument' | 'off' | 'board' | 'corks'>, typed: string) {
  const { instrument: type } = state;
  const [name = '', ...said] = typed.split(';').map((clause) => clause.trim().replace(/\s+/g, ' '));
  if (!type || name === '') throw new Unclear('Say what it is called.');
  if (name.length > 80) throw new Unclear('A name has at most 80 characters; more of it can follow after a semicolon.');
  const { kind, part, known } = partCalled(type, name);
  const before = type.keys.find(({ id }) => id === part.id);
  const line: Line = {
    type,
    kind,
    part,
    key: before ?? { ...part, rest: 'closed' },
    over: [...(before?.over ?? type.fittings.find(({ id }) => id === part.id)?.over ?? [])],
    beneath: [],
    // A key that so far is only known to lie beneath another is as good as new.
    turns: before !== undefined && Object.keys(before).length > 3,
    pivots: null,
    corks: [],
    notes: [],
    takenCorks: [...state.corks.keys()],
  };
  for (const words of said.filter(Boolean)) {
    const clause = clauses.find(({ of, reads }) => of.includes(kind) && reads.test(words));
    if (clause) clause.take(line, [...(clause.reads.exec(words) ?? [])]);
    else line.notes.push(words);
  }
  const proposed = kind === 'key' && !line.turns ? proposedRod(state) : null;
  if (proposed) line.key = { ...line.key, rod: proposed.id };
  return { line, known, proposed };
}

/**
 * Reads the short form in which a part is named as it comes off, or in which more is said of one later:
 *
 *     Low E key; on lower rod; over F key + trill; 2 needle; cork at foot; scratched
 *
 * A name that ends in rod, pivots, guard, joint and the like is such a part; any other is a key. Of a key: `on` what it
 * turns on, `pivots` of its own (`cylinder pivots`), `over` what it passes over (a name not
 * heard before is a key that is still on), `in` the key whose tube it runs inside,
 * `open` at rest, springs, corks and felts `at` their places. Whatever else is said is its note. A part that is known
 * comes off as it is called; one that is off already is only said more of.
 *
 * A new key that says nothing of what it turns on turns on what came off just before it (`proposedRod`); `on nothing`
 * says that it does not. Screws come off before what they hold, top before bottom; what finds no place on the board goes
 * into a bag, and so does a section.
 *
 * @returns an entry for the logbook, or what is wrong in words
 */
export function readNamedOff(state: Pick<JobState, 'instrument' | 'off' | 'board' | 'corks'>, typed: string): NamedOff {
  try {
    const { line, known, proposed } = readLine(state, typed);
    const { type, kind, part, pivots, corks, notes } = line;
    const put = rowsOf(line, known);
    const after = changeType(type, { put });
    const names = removableNames(after);
    const screws = (rod: string) => [pivotId(rod, 'top'), pivotId(rod, 'bottom')];
    const coming = [...(pivots ? screws(pivots.id) : []), ...(kind === 'pivots' ? screws(part.id) : [part.id])];
    const loose = new Set(removableParts(after).map(({ id }) => id));
    const cells = kind === 'section' ? [] : freeCells(state);
    const off = coming
      .filter((id) => loose.has(id) && !state.off.has(id))
      .map((id): NamedOffBody['off'][number] => {
        const cell = cells.shift();
        return cell === undefined ? { part: id, where: 'bag' } : { part: id, where: 'board', cell };
      });
    if (off.length + Object.keys(put).length + corks.length + notes.length === 0)
      throw new Unclear(`${part.name} is off already. Say more of it after a semicolon, or name another.`);
    const knownWords = off.length > 0 ? 'known: it comes off' : 'it is off already: this is said of it';
    const says = [
      known ? knownWords : kindWords[kind],
      pivots && `turns on ${pivots.pivot ? `${pivots.pivot} ` : ''}pivots of its own`,
      proposed && `turns on ${proposed.name}, as that came off before it`,
      line.key.springs && `springs: ${line.key.springs.map(({ kind: spring }) => spring).join(', ')}`,
      corks.length > 0 && corks.map(({ kind: cork, place }) => `${cork}, ${place}`).join('; '),
      line.over.length > 0 && `over ${line.over.map((id) => names.get(id) ?? id).join(', ')}`,
      line.beneath.length > 0 && `new and still on: ${line.beneath.map(({ name }) => name).join(', ')}`,
      notes.length > 0 && `note: ${notes.join('; ')}`,
    ].filter((words) => typeof words === 'string');
    return {
      ok: true,
      says,
      body: {
        part: coming.at(-1) ?? part.id,
        put,
        off,
        ...(corks.length > 0 && { corks }),
        ...(notes.length > 0 && { note: notes.join('; ').slice(0, 1000) }),
      },
    };
  } catch (error) {
    if (error instanceof Unclear) return { ok: false, problem: error.message };
    throw error;
  }
}
