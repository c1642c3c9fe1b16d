import type { InstrumentType } from './instrumentType.schema';

/** What a technician calls each part of the instrument, by id. `instrument` is the whole of it. */
export function partNames(type: InstrumentType): ReadonlyMap<string, string> {
  const lists = [type.keys, type.posts, type.rods, type.holes, type.sections];
  return new Map([
    ['instrument', 'whole instrument'],
    ...lists.flatMap((list) => list.map(({ id, name }) => [id, name] as const)),
  ]);
}

/** Where each section starts on one line from the upper end down, with a gap between sections, mm. */
export function sectionStarts(type: InstrumentType, gap: number): ReadonlyMap<string, number> {
  const starts = new Map<string, number>();
  let at = 0;
  for (const section of type.sections) {
    starts.set(section.id, at);
    at += section.length + gap;
  }
  return starts;
}

/** Bore diameter at a place along a section, linear between the points of the type, mm. */
export function boreAt(section: InstrumentType['sections'][number], at: number): number {
  const after = section.bore.findIndex((point) => point.at >= at);
  const b = section.bore[after];
  const a = section.bore[after - 1];
  if (!b) return section.bore.at(-1)?.diameter ?? 0;
  if (!a) return b.diameter;
  return a.diameter + ((b.diameter - a.diameter) * (at - a.at)) / (b.at - a.at);
}
