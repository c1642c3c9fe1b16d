import { slugOf } from '../ids';
import type { InstrumentType } from './instrumentType.schema';
import { oncePerType } from './oncePerType';
import { sectionStarts } from './partNames';

/** The keys that move when these keys are pressed and these finger holes covered, links and rings followed. */
export function movedKeys(type: InstrumentType, down: readonly string[]): ReadonlySet<string> {
  const put = new Set(down);
  const moved = new Set(
    type.keys.filter(({ id, rings }) => put.has(id) || rings?.some((hole) => put.has(hole))).map(({ id }) => id),
  );
  const carrying = type.links.filter(({ acts }) => acts === 'carries');
  // A set hands out what is added to it while it is walked: links of links are followed too.
  for (const key of moved) for (const { driver, follower } of carrying) if (driver === key) moved.add(follower);
  return moved;
}

/** The holes that are closed when these keys are pressed and these finger holes covered. */
export function closedHoles(type: InstrumentType, down: readonly string[]): ReadonlySet<string> {
  const moved = movedKeys(type, down);
  const held = new Set(
    type.links
      .filter(({ acts, driver }) =>
        acts === 'holds-shut' ? moved.has(driver) : acts === 'holds-shut-at-rest' && !moved.has(driver),
      )
      .map(({ follower }) => follower),
  );
  const rest = new Map(type.keys.map(({ id, rest: atRest }) => [id, atRest]));
  const closed = new Set(down.filter((id) => !rest.has(id)));
  for (const { hole, key } of type.pads) {
    if (held.has(key) || (rest.get(key) === 'open') === moved.has(key)) closed.add(hole);
  }
  return closed;
}

/** A fingering as readings and plays name it: the same on every instrument of its type. */
export const fingeringId = ({ note, register, alternative = '' }: InstrumentType['fingerings'][number]): string =>
  slugOf(`${note} ${register} ${alternative}`);

/** In words: the note, and which fingering of it where there are several. */
export const fingeringWords = ({ note, alternative }: { note: string; alternative?: string | null }): string =>
  alternative ? `${note}, ${alternative}` : note;

/**
 * What every fingering is called, by its id. Where two would share one, the first has it. Made once for each instrument:
 * every reading of a note asks for them.
 */
export const fingeringNames = oncePerType((type): ReadonlyMap<string, string> => {
  const names = new Map<string, string>();
  for (const fingering of type.fingerings) {
    const id = fingeringId(fingering);
    if (!names.has(id)) names.set(id, fingeringWords(fingering));
  }
  return names;
});

/** Tone holes from the top of the instrument down; vents and trill holes set no pitch of their own. */
export function toneHolesDown(type: InstrumentType): string[] {
  const starts = sectionStarts(type, 0);
  return type.holes
    .filter(({ use = 'tone' }) => use === 'tone')
    .map(({ id, section, at }) => ({ id, at: (starts.get(section) ?? 0) + at }))
    .sort((a, b) => a.at - b.at)
    .map(({ id }) => id);
}

/**
 * The hole the note comes out of: the first that is open from the top down; null when it is the end of the bell. In the
 * lowest register a lower note must come out further down, which is how a type's mechanism proves itself.
 */
export const firstOpenHole = (type: InstrumentType, down: readonly string[]): string | null =>
  firstOpenOf(type, closedHoles(type, down));

/** The same hole, where it is known already which holes are closed. */
export const firstOpenOf = (type: InstrumentType, closed: ReadonlySet<string>): string | null =>
  toneHolesDown(type).find((hole) => !closed.has(hole)) ?? null;

/** The hole each fingering comes out of, by its id; what comes out of the bell is left out. Made once for each instrument. */
export const holeOfNote = oncePerType((type): ReadonlyMap<string, string> => {
  const holes = new Map<string, string>();
  const seen = new Set<string>();
  for (const fingering of type.fingerings) {
    const id = fingeringId(fingering);
    const hole = seen.has(id) ? null : firstOpenHole(type, fingering.down);
    seen.add(id);
    if (hole !== null) holes.set(id, hole);
  }
  return holes;
});

/** The links in which one of these keys acts, as driver or as follower. */
export const linksOfKeys = (type: InstrumentType, keys: ReadonlySet<string>): InstrumentType['links'] =>
  type.links.filter(({ driver, follower }) => keys.has(driver) || keys.has(follower));

/** Do two pads land under one finger at this link? Then it is judged by which of them is late. */
export function isPair(type: InstrumentType, { driver, follower, acts }: InstrumentType['links'][number]): boolean {
  const openPad = (key: string) =>
    type.pads.some((pad) => pad.key === key) && type.keys.find(({ id }) => id === key)?.rest === 'open';
  return acts === 'carries' && openPad(driver) && openPad(follower);
}
