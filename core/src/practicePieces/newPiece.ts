import { isPair, type InstrumentType } from '../instruments';
import { rulesAt, type Regulation } from '../regulation';
import { chanceFrom, type Chance } from '../simulation';
import type { PracticeName } from '../vocabulary';
import { hiddenMechanism, pieceType, soundRegulation } from './hiddenMechanism';
import { grades, pieceVersion, type Grade, type PieceFault, type PracticePiece } from './piece.schema';

/** What there is to be learned at each grade. */
export const gradeWords: Record<Grade, string> = {
  1: 'One adjuster out',
  2: 'A pair of adjusters out',
  3: 'A pad that several keys close',
  4: 'A compromise: not everything can hold',
  5: 'A whole stack, a pad not level and a hinge loose',
};

type Link = InstrumentType['links'][number];

/** Pairs of pads that can be set, by the pad that follows. */
function settable(type: InstrumentType, { mechanism }: Regulation): Map<string, Link[]> {
  const by = new Map<string, Link[]>();
  for (const link of type.links) {
    const adjusts = mechanism.links.find(({ id }) => id === link.id)?.adjusts;
    if (adjusts && isPair(type, link)) by.set(link.follower, [...(by.get(link.follower) ?? []), link]);
  }
  return by;
}

/** No film tells less than this from shut, mm. */
const sealed = 0.002;
/** By how much neighbours twist a rod at most in a piece, as a multiple of the usual. */
const mostTwisted = 4;

/**
 * Keys of a stack that can be helped when their neighbours twist their rod, but only at the cost of a pair: raising what
 * the key carries besides lets its own pad close again.
 */
function twistable(sound: Regulation): string[] {
  const { mechanism, rules } = sound;
  const seals = { rules: rules.filter(({ rule }) => rule.kind === 'seal' && rule.rank === 1) };
  const inStack = new Set(
    seals.rules.flatMap(({ of, rule }) => (of === null && 'forces' in rule ? Object.keys(rule.forces) : [])),
  );
  const holdAt = (turns: Parameters<typeof hiddenMechanism>[2], key: string) =>
    rulesAt(seals, hiddenMechanism(mechanism, [{ kind: 'twist', key, times: mostTwisted }], turns)).every(
      ({ violation }) => violation < sealed,
    );
  return [...new Set(mechanism.twist.map(({ key }) => key))].filter((key) => {
    const own = mechanism.links.filter(({ driver, adjusts }) => driver === key && adjusts);
    if (!inStack.has(key) || own.length === 0 || holdAt([], key)) return false;
    const most = Math.min(...own.map(({ adjusts }) => adjusts?.max ?? 0));
    return Array.from({ length: most }, (_, i) => i + 1).some((steps) =>
      holdAt(
        own.map(({ id }) => ({ link: id, steps })),
        key,
      ),
    );
  });
}

/** What an instrument has to practise on. */
interface Supply {
  /** links that can be set, together where they close one pad */
  pairs: Link[][];
  /** those where several keys close one pad */
  shared: Link[][];
  twistable: string[];
}

function supplyOf(type: InstrumentType, sound: Regulation): Supply {
  const pairs = [...settable(type, sound).values()];
  const shared = pairs.filter((links) => links.length > 1);
  return { pairs, shared, twistable: shared.length > 0 ? twistable(sound) : [] };
}

const has: Record<Grade, (supply: Supply) => boolean> = {
  1: ({ pairs }) => pairs.length > 0,
  2: ({ pairs }) => pairs.length > 1,
  3: ({ shared }) => shared.length > 0,
  4: (supply) => supply.twistable.length > 0,
  5: ({ pairs, shared }) => shared.length > 0 && pairs.length > 1,
};

/** The grades an instrument has something for: many have no pad that several keys close. */
export function gradesOf(type: InstrumentType, practice: PracticeName): Grade[] {
  const supply = supplyOf(type, soundRegulation({ practice }, type));
  return grades.filter((grade) => has[grade](supply));
}

const pick = <T>(list: readonly T[], chance: Chance): T => {
  const found = list[Math.floor(chance.uniform() * list.length)];
  if (found === undefined) throw new Error('there is something to pick from');
  return found;
};
const shuffled = <T>(list: readonly T[], chance: Chance): T[] =>
  list
    .map((each) => [chance.uniform(), each] as const)
    .sort(([a], [b]) => a - b)
    .map(([, each]) => each);

/** Far enough out to be found with a film, near enough to be turned back, mm at the follower’s pad. */
const out = { least: 0.06, most: 0.11 };
/** A pad that is not level, a hinge that is loose, mm. */
const unlevel = { least: 0.05, most: 0.1 };
const loose = { least: 0.06, most: 0.1 };
const between = ({ least, most }: { least: number; most: number }, chance: Chance) =>
  Math.round((least + (most - least) * chance.uniform()) * 1000) / 1000;

function adjusterOut({ mechanism }: Regulation, { id }: Link, chance: Chance): PieceFault {
  const { step = 0.02, min = -6, max = 6 } = mechanism.links.find((link) => link.id === id)?.adjusts ?? {};
  const wanted = Math.round(between(out, chance) / step) * (chance.uniform() < 0.5 ? -1 : 1);
  // Turned back it must stay in reach of its own adjuster.
  const most = Math.min(-min, max);
  return { kind: 'adjuster', link: id, steps: Math.max(-most, Math.min(most, wanted || 1)) };
}

function faultsOf(grade: Grade, type: InstrumentType, sound: Regulation, supply: Supply, chance: Chance): PieceFault[] {
  const { pairs, shared } = supply;
  const off = (links: readonly Link[]) => links.map((link) => adjusterOut(sound, link, chance));
  const sharedLinks = () => shuffled(pick(shared, chance), chance).slice(0, 3);
  switch (grade) {
    case 1:
      return off([pick(pairs.flat(), chance)]);
    case 2:
      return off(
        shuffled(pairs, chance)
          .slice(0, 2)
          .map((links) => pick(links, chance)),
      );
    case 3:
      return off(sharedLinks());
    case 4: {
      const key = pick(supply.twistable, chance);
      return [{ kind: 'twist', key, times: Math.round((2 + (mostTwisted - 2) * chance.uniform()) * 100) / 100 }];
    }
    case 5: {
      const links = sharedLinks();
      const keys = [...new Set(links.flatMap(({ driver, follower }) => [driver, follower]))];
      const [uneven = '', slack = ''] = shuffled(keys, chance);
      const hole = type.pads.find((pad) => pad.key === uneven)?.hole ?? '';
      const toward = 15 * Math.floor(chance.uniform() * 24);
      return [
        ...off(links),
        { kind: 'pad', hole, unevenness: between(unlevel, chance), toward },
        { kind: 'hinge', key: slack, play: between(loose, chance) },
      ];
    }
  }
}

/** So often faults are drawn again that happen to cancel each other. */
const mostDraws = 40;

/**
 * A practice piece of this grade. The same for the same instrument, options, practice, grade and seed.
 *
 * @throws Error where there is no such instrument, or it has nothing for that grade: see `gradesOf`
 */
export function newPiece(
  of: Pick<PracticePiece, 'instrument' | 'options' | 'practice' | 'seed'> & { grade: Grade },
): PracticePiece {
  const { grade, seed } = of;
  const type = pieceType(of);
  if (!type) throw new Error(`“${of.instrument}” is no instrument that ships`);
  const sound = soundRegulation(of, type);
  const supply = supplyOf(type, sound);
  if (!has[grade](supply)) throw new Error(`${type.name} has nothing for grade ${grade}`);
  const chance = chanceFrom(seed * 8 + grade);
  let faults = faultsOf(grade, type, sound, supply, chance);
  const tells = () => rulesAt(sound, hiddenMechanism(sound.mechanism, faults, [])).some(({ holds }) => !holds);
  for (let draw = 1; draw < mostDraws && !tells(); draw += 1) faults = faultsOf(grade, type, sound, supply, chance);
  const title = `${type.name}, grade ${grade}, number ${seed}`;
  return { ...of, format: 'holotonos-practice-piece', version: pieceVersion, title, faults };
}
