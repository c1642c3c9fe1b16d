import type { Problem } from '../solvers/contract';
import { isThere, mostOptions, optionChoices } from './applyOptions';
import type { InstrumentType } from './instrumentType.schema';
import { printQuantity, rulerOf, size, type LengthUnit } from '../units';
import { rodsOf } from './spans';

/** The lists whose ids name parts: no two parts may share one. */
const partLists = ['sections', 'joints', 'holes', 'rods', 'posts', 'keys', 'fittings'] as const;
type RowList = keyof Omit<
  InstrumentType,
  'format' | 'version' | 'id' | 'name' | 'family' | 'body' | 'playTest' | 'sound'
>;

/** A walk round the carrying links that comes back to where it began, or null. */
function carryingCircle(links: readonly { driver: string; follower: string }[]): string[] | null {
  const clear = new Set<string>();
  const walk = (key: string, path: string[]): string[] | null => {
    const back = path.indexOf(key);
    if (back !== -1) return [...path.slice(back), key];
    if (clear.has(key)) return null;
    for (const { follower } of links.filter(({ driver }) => driver === key)) {
      const circle = walk(follower, [...path, key]);
      if (circle) return circle;
    }
    clear.add(key);
    return null;
  };
  for (const { driver } of links) {
    const circle = walk(driver, []);
    if (circle) return circle;
  }
  return null;
}

/** Problems of the type as it stands with one choice of its options; paths name rows of the whole type. */
function problemsWithOptions(type: InstrumentType, chosen: ReadonlySet<string>, unit: LengthUnit): Problem[] {
  const problems: Problem[] = [];
  const told = (mm: number) => printQuantity(size(mm), unit);
  const toldAlong = (mm: number) => printQuantity(size(mm), rulerOf(unit));
  const say = (path: string, message: string) => problems.push({ path, message });
  const rows = <L extends RowList>(list: L): [InstrumentType[L][number], string][] =>
    type[list].flatMap((row, i) => (isThere(row, chosen) ? [[row as InstrumentType[L][number], `/${list}/${i}`]] : []));
  const idsOf = (list: (typeof partLists)[number]) => new Set(rows(list).map(([{ id }]) => id));

  const parts = new Map<string, string>();
  for (const list of partLists) {
    for (const [{ id }, path] of rows(list)) {
      const other = parts.get(id);
      if (other !== undefined) say(`${path}/id`, `“${id}” stands twice: in ${other} and in ${list}`);
      parts.set(id, list);
    }
  }
  const sections = new Map(rows('sections').map(([section]) => [section.id, section]));
  const [rods, keys, holes] = [idsOf('rods'), idsOf('keys'), new Map(rows('holes').map(([hole]) => [hole.id, hole]))];
  const padded = new Set(rows('pads').map(([{ hole }]) => hole));
  const onSection = (path: string, section: string, at: number) => {
    const found = sections.get(section);
    if (!found) say(`${path}/section`, `there is no section “${section}”`);
    else if (at > found.length)
      say(path, `lies ${toldAlong(at)} along ${found.name}, which is ${toldAlong(found.length)} long`);
  };
  const each = (path: string, ids: readonly string[] | undefined, known: (id: string) => boolean, what: string) =>
    ids?.forEach((id, i) => {
      if (!known(id)) say(`${path}/${i}`, `there is no ${what} “${id}”`);
    });
  const overParts = (path: string, id: string, over: readonly string[] | undefined) => {
    each(`${path}/over`, over, (part) => parts.has(part), 'part');
    if (over?.includes(id)) say(`${path}/over`, 'cannot pass over itself');
  };

  const blown = type.sound?.excitation;
  if (blown?.kind === 'edge') {
    for (const name of ['at', 'diameter', 'length'] as const)
      if (blown[name] === undefined) say(`/sound/excitation/${name}`, 'an edge needs it');
    if ((blown.at ?? 0) > (type.sections[0]?.length ?? 0)) say('/sound/excitation/at', 'lies below the first section');
  }
  for (const [{ bore, length }, path] of rows('sections')) {
    if (bore.some(({ at }, k) => k > 0 && at <= (bore[k - 1]?.at ?? 0)))
      say(`${path}/bore`, 'must run down the section');
    if ((bore.at(-1)?.at ?? 0) > length)
      say(`${path}/bore`, `runs past the end of the section at ${toldAlong(length)}`);
  }
  for (const [{ upper, lower, tenon }, path] of rows('joints')) {
    each(path, [upper, lower], (id) => sections.has(id), 'section');
    if (tenon !== upper && tenon !== lower) say(`${path}/tenon`, 'must be one of the two sections it joins');
  }
  for (const [{ section, at }, path] of rows('holes')) onSection(path, section, at);
  for (const [{ id, section, at, over }, path] of rows('fittings')) {
    onSection(path, section, at);
    overParts(path, id, over);
  }
  for (const [{ section, at, rod, other }, path] of rows('posts')) {
    onSection(path, section, at);
    if (rod !== undefined && !rods.has(rod)) say(`${path}/rod`, `there is no rod “${rod}”`);
    if (other !== undefined && (other === rod || rod === undefined || !rods.has(other)))
      say(`${path}/other`, `there is no second rod “${other}” for it to carry`);
  }
  for (const [{ id, section, from, to }, path] of rows('rods')) {
    onSection(path, section, to);
    if (from >= to) say(`${path}/from`, 'must lie above the other end');
    if (rows('posts').filter(([post]) => rodsOf(post).includes(id)).length < 2)
      say(path, `“${id}” needs two posts to run between`);
  }
  for (const [{ id, rod, from, to, rings, over, nestsIn }, path] of rows('keys')) {
    if (rod !== undefined && !rods.has(rod)) say(`${path}/rod`, `there is no rod “${rod}”`);
    if (from !== undefined && to !== undefined && from >= to) say(`${path}/from`, 'must lie above the other end');
    if (nestsIn !== undefined && (nestsIn === id || !keys.has(nestsIn)))
      say(`${path}/nestsIn`, `there is no other key “${nestsIn}” to run inside`);
    each(`${path}/rings`, rings, (hole) => holes.has(hole) && !padded.has(hole), 'finger hole');
    overParts(path, id, over);
  }
  const seen = new Set<string>();
  for (const [{ hole, key, diameter, axisDistance }, path] of rows('pads')) {
    const covered = holes.get(hole);
    if (!covered) say(`${path}/hole`, `a pad without a hole: there is no hole “${hole}”`);
    else if (diameter <= covered.diameter)
      say(`${path}/diameter`, `must be wider than its hole (${told(covered.diameter)})`);
    if (seen.has(hole)) say(`${path}/hole`, `“${hole}” has two pads`);
    seen.add(hole);
    if (!keys.has(key)) say(`${path}/key`, `there is no key “${key}”`);
    if (axisDistance <= diameter / 2) say(`${path}/axisDistance`, 'puts the hinge inside the pad');
  }
  for (const [{ driver, follower }, path] of rows('links')) {
    if (!keys.has(driver)) say(`${path}/driver`, `a link from nowhere: there is no key “${driver}”`);
    if (!keys.has(follower)) say(`${path}/follower`, `a link to nowhere: there is no key “${follower}”`);
  }
  const circle = carryingCircle(rows('links').flatMap(([link]) => (link.acts === 'carries' ? [link] : [])));
  if (circle) say('/links', `these keys carry each other in a circle: ${circle.join(' → ')}`);
  const touchable = (id: string) => keys.has(id) || (holes.has(id) && !padded.has(id));
  for (const [{ down }, path] of rows('fingerings')) each(`${path}/down`, down, touchable, 'key or finger hole');
  for (const [{ press, pads, first }, path] of rows('rules')) {
    each(`${path}/press`, press, touchable, 'key or finger hole');
    each(`${path}/pads`, pads, (hole) => padded.has(hole), 'pad on');
    if (first !== undefined && !pads.includes(first)) say(`${path}/first`, 'must be one of the pads of the rule');
  }
  for (const [{ part }, path] of rows('measuringPoints')) each(path, [part], (id) => parts.has(id), 'part');
  return problems;
}

/**
 * Is the type whole in itself, whichever of its options are chosen? Every name leads somewhere, every place lies on
 * its section, no part's id stands twice, no links run in a circle.
 *
 * @param unit the unit lengths are told in
 */
export function instrumentTypeProblems(type: InstrumentType, unit: LengthUnit = 'mm'): Problem[] {
  const problems: Problem[] = [];
  if (type.options.length > mostOptions)
    problems.push({
      path: '/options',
      message: `may hold ${mostOptions} at most, so that every choice can be checked`,
    });
  const options = new Set(type.options.map(({ id }) => id));
  for (const [list, rows] of Object.entries(type)) {
    if (!Array.isArray(rows)) continue;
    (rows as { with?: string; without?: string }[]).forEach((row, i) => {
      for (const word of ['with', 'without'] as const) {
        const option = row[word];
        if (option !== undefined && !options.has(option))
          problems.push({ path: `/${list}/${i}/${word}`, message: `there is no option “${option}”` });
      }
    });
  }
  for (const choice of optionChoices(type)) problems.push(...problemsWithOptions(type, new Set(choice), unit));
  const unlike = new Map(problems.map((problem) => [`${problem.path} ${problem.message}`, problem]));
  return [...unlike.values()];
}
