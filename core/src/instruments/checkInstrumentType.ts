import type { Problem } from '../solvers/contract';
import type { InstrumentType } from './instrumentType.schema';

/** Is the type whole in itself? Every name leads somewhere, every place lies on its section, no id stands twice. */
export function instrumentTypeProblems(type: InstrumentType): Problem[] {
  const problems: Problem[] = [];
  const say = (path: string, message: string) => problems.push({ path, message });
  const sections = new Map(type.sections.map((section) => [section.id, section]));
  const ids = {
    holes: new Set<string>(),
    rods: new Set<string>(),
    keys: new Set<string>(),
    posts: new Set<string>(),
    sections: new Set<string>(),
  };
  for (const list of ['sections', 'holes', 'rods', 'keys', 'posts'] as const) {
    type[list].forEach(({ id }, i) => {
      if (ids[list].has(id)) say(`/${list}/${i}/id`, `“${id}” stands twice in ${list}`);
      ids[list].add(id);
    });
  }
  const onSection = (path: string, section: string, at: number) => {
    const found = sections.get(section);
    if (!found) say(`${path}/section`, `there is no section “${section}”`);
    else if (at > found.length) say(path, `lies ${at} mm along ${found.name}, which is ${found.length} mm long`);
  };
  type.sections.forEach(({ bore, length }, i) => {
    if (bore.some(({ at }, k) => k > 0 && at <= (bore[k - 1]?.at ?? 0)))
      say(`/sections/${i}/bore`, 'must run down the section');
    if ((bore.at(-1)?.at ?? 0) > length) say(`/sections/${i}/bore`, `runs past the section's ${length} mm`);
  });
  type.holes.forEach(({ section, at }, i) => onSection(`/holes/${i}`, section, at));
  type.posts.forEach(({ section, at, rod }, i) => {
    onSection(`/posts/${i}`, section, at);
    if (!ids.rods.has(rod)) say(`/posts/${i}/rod`, `there is no rod “${rod}”`);
  });
  type.rods.forEach(({ id, section, from, to }, i) => {
    onSection(`/rods/${i}`, section, to);
    if (from >= to) say(`/rods/${i}/from`, 'must lie above the other end');
    if (type.posts.filter(({ rod }) => rod === id).length < 2)
      say(`/rods/${i}`, `“${id}” needs two posts to run between`);
  });
  type.keys.forEach(({ rod }, i) => {
    if (!ids.rods.has(rod)) say(`/keys/${i}/rod`, `there is no rod “${rod}”`);
  });
  const holes = new Map(type.holes.map((hole) => [hole.id, hole]));
  type.pads.forEach(({ hole, key, diameter, axisDistance }, i) => {
    const covered = holes.get(hole);
    if (!covered) say(`/pads/${i}/hole`, `a pad without a hole: there is no hole “${hole}”`);
    else if (diameter <= covered.diameter)
      say(`/pads/${i}/diameter`, `must be wider than its hole (${covered.diameter} mm)`);
    if (!ids.keys.has(key)) say(`/pads/${i}/key`, `there is no key “${key}”`);
    if (axisDistance <= diameter / 2) say(`/pads/${i}/axisDistance`, 'puts the hinge inside the pad');
  });
  return problems;
}
