import { instrumentType, type EntryBody, type InstrumentType } from '@holotonos/core';

type Change = EntryBody<'instrument-change'>;

/** A clarinet in C against one in B♭: everything along the tube is shorter by about this. */
const scale = 0.89;
const short = (at: number) => Math.round(at * scale * 10) / 10;
/** Keys this one never had. */
const absent = new Set(['f-side', 'b']);
const isAbsent = (id: string) => absent.has(id.replace(/-(key|axle|axle-post-\d)$/, ''));

/**
 * The old boxwood clarinet as it was put together at intake, out of rows, in the order it was looked over. Made from the
 * nearest thing known and measured where a rule could be laid; what nobody measured says so.
 */
export function homeMadeClarinet(): Change[] {
  const near = instrumentType('simple-clarinet') as InstrumentType;
  const kept = <T extends { id: string }>(rows: readonly T[]) => rows.filter(({ id }) => !isAbsent(id));
  const sections = near.sections.map((section) => ({
    ...section,
    length: short(section.length),
    bore: section.bore.map(({ at, diameter }) => ({ at: short(at), diameter: Math.round(diameter * 9.6) / 10 })),
    assumed: ['wall', 'bore'],
  })) as InstrumentType['sections'];
  const holes = kept(near.holes).map((hole) => ({ ...hole, at: short(hole.at), assumed: ['chimney'] }));
  const rods = kept(near.rods).map((rod) => ({ ...rod, from: short(rod.from), to: short(rod.to) }));
  const posts = kept(near.posts).map((post) => ({ ...post, at: short(post.at) }));
  const keys = kept(near.keys).map(({ from, to, over, ...key }) => {
    const beneath = over?.filter((id) => !isAbsent(id)) ?? [];
    return {
      ...key,
      ...(from !== undefined && { from: short(from) }),
      ...(to !== undefined && { to: short(to) }),
      ...(beneath.length > 0 && { over: beneath }),
    };
  });
  const pads = near.pads
    .filter(({ hole }) => !isAbsent(hole))
    .map((pad) => ({ ...pad, assumed: ['diameter', 'axisDistance'] }));
  const fittings = near.fittings.map((fitting) => ({
    ...fitting,
    at: Math.min(short(fitting.at), sections.find(({ id }) => id === fitting.section)?.length ?? 0),
    name: fitting.name.replace('Ring', 'Resin ring'),
  }));
  const there = new Set([...keys, ...holes].map(({ id }) => id));
  return [
    {
      put: { sections, joints: near.joints },
      remove: { sections: ['tube'] },
      reason: 'laid beside a rule, joint by joint',
    },
    { put: { holes }, reason: 'caliper, in the order of the tube' },
    { put: { rods, posts }, reason: 'short axles with cylinder pivots in pillars' },
    { put: { keys, pads, fittings }, reason: 'eleven keys; pads could not be measured mounted' },
    {
      sound: { ...near.sound, transposition: 0, standard: 443 } as NonNullable<InstrumentType['sound']>,
      fingerings: near.fingerings.filter(({ down }) => down.every((id) => there.has(id))),
      reason: 'fingered like a simple system; pitched in C',
    },
  ];
}
