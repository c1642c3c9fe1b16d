import {
  boardCells,
  chanceFrom,
  choicesOf,
  compassOf,
  playSheet,
  entryBodies,
  entryKinds,
  logbookReader,
  misfits,
  removableNames,
  shippedTypes,
  tickGroups,
  type Chance,
  type Entry,
  type EntryKind,
  type InstrumentType,
  type JobState,
  type NewEntry,
} from '../src';
import { sampleOf, type Schema } from './fromSchema';
import { entryProblems } from '../src/jobForms';

const pick = <T>(chance: Chance, list: readonly T[]): T | undefined => list[Math.floor(chance.uniform() * list.length)];
type Body = Record<string, unknown>;

/** Few operations, so that entries meet each other. */
const operations = ['renew-pads:instrument', 'level-rim:low-e', 'straighten-body:body', 'set-spring:g-sharp'];

/** What is still taken when a job is signed off. A strike of the sign-off opens it again. */
const afterwards: readonly EntryKind[] = ['note', 'strike'];

/** What a body sampled from its schema needs to belong to the job as it stands; what is not named fits as it is. */
const fitting: Partial<Record<EntryKind, (body: Body, state: JobState, chance: Chance) => Body>> = {
  'intake': ({ type: _, ...body }, { intake }, chance) => {
    const type = intake ? shippedTypes.find(({ id }) => id === intake.instrumentType) : pick(chance, shippedTypes);
    return { ...body, ticket: 'R-1', instrumentType: type?.id, options: [] };
  },
  'observation': (body, { instrument }, chance) => ({ ...body, part: pick(chance, instrument?.pads ?? [])?.hole }),
  'chosen': (body, { instrument, chosen }, chance) => {
    const free = (instrument?.pads ?? []).filter(({ hole }) => !chosen.get(`pad:${hole}`)?.taken);
    return {
      lines: (body.lines as Body[])
        .slice(0, 1)
        .map((line) => ({ ...line, use: 'pad', part: pick(chance, free)?.hole })),
    };
  },
  'shims': (body, { instrument }, chance) => ({ ...body, part: pick(chance, instrument?.pads ?? [])?.hole }),
  'played': (body, { instrument }, chance) => ({
    ...body,
    fingering: pick(chance, instrument ? compassOf(instrument) : [])?.id,
  }),
  'tested': (body, { instrument }, chance) => ({
    ...body,
    line: pick(chance, instrument ? playSheet(instrument) : [])?.id,
  }),
  'spring-set': (body, { instrument }, chance) => ({
    ...body,
    key: pick(chance, instrument?.keys ?? [])?.id,
  }),
  'owner-link': (body, { photos }, chance) => ({ ...body, photos: [pick(chance, [...photos.keys()])].filter(Boolean) }),
  'look-asked': (body, { findings, operations }, chance) => {
    const done = [...operations.values()].flatMap(({ operation, status }) => (status === 'done' ? [operation] : []));
    const about = done.length === 0 || chance.uniform() < 0.5 ? 'finding' : 'operation';
    return { ...body, about, of: pick(chance, about === 'finding' ? [...findings.keys()] : done) };
  },
  'look-given': (body, { masterLooks }, chance) => {
    const open = [...masterLooks.values()].flatMap(({ asked, answer }) => (answer ? [] : [asked]));
    return { ...body, asked: pick(chance, open) };
  },
  'pass-aside': (body, { passes }, chance) => ({ ...body, pass: pick(chance, passes)?.entry }),
  'owner-link-over': (_, { ownerLinks }, chance) => ({ link: pick(chance, [...ownerLinks.keys()]) }),
  'post-bush': (body, { instrument }, chance) => {
    const { outer = 4, wall = 8 } = body as { outer?: number; wall?: number };
    return { ...body, post: pick(chance, instrument?.posts ?? [])?.id, cutter: outer, depth: wall / 2 };
  },
  'instrument-change': (body, { instrument }, chance) => {
    const key = pick(chance, instrument?.keys ?? []);
    return { name: body.name ?? 'Renamed', put: { keys: key ? [{ ...key, name: `${key.name} again` }] : [] } };
  },
  'part-off': (body, state, chance) => placed(body, state, chance),
  'named-off': ({ note }, { board, instrument }, chance) => {
    const part = `named-${instrument?.keys.length ?? 0}`;
    const cell = pick(chance, boardCells(board));
    return {
      part,
      put: { keys: [{ id: part, name: part, rest: 'closed' }] },
      off: [{ part, where: 'board', cell }],
      note,
    };
  },
  'part-placed': (body, state, chance) => ({
    ...placed(body, state, chance),
    part: pick(chance, [...state.off.keys()]),
  }),
  'part-on': (body, { off }, chance) => ({ ...body, part: pick(chance, [...off.keys()]) }),
  'soak-over': (body, { soaks }, chance) => ({ ...body, soak: pick(chance, [...soaks.keys()]) }),
  'round-skip': (body, { rounds }, chance) => ({ ...body, round: pick(chance, [...rounds.keys()]) }),
  'round-over': (body, { rounds }, chance) => ({ ...body, round: pick(chance, [...rounds.keys()]) }),
  'photo-marks': (body, { photos }, chance) => ({ ...body, photo: pick(chance, [...photos.keys()]) }),
  'agreement': (body, { estimates }, chance) => ({ ...body, estimate: pick(chance, [...estimates.keys()]) }),
  'timer': ({ minutes: _, ...body }, state, chance) => ({
    ...body,
    operation: pick(
      chance,
      [...state.operations.values()].filter(({ status }) => status === 'started'),
    )?.operation,
    ...(body.act === 'set' && { minutes: 12 }),
  }),
  'tolerances': (body) => ({ ...body, changes: [{ name: 'rimFlatness', limit: 0.05, reason: 'soft pads' }] }),
  'operation-done': (body, { findings, chosen }, chance) => ({
    ...body,
    disturbs: ['pad:*'],
    cures: some(findings, chance),
    takes: some(chosen, chance),
  }),
  'operation-skipped': (body, { findings }, chance) => ({ ...body, leaves: some(findings, chance) }),
  'tick': (body, state, chance) => {
    const group = pick(chance, tickGroups) ?? 'pad';
    return { ...body, group, part: partOf(state, chance), says: pick(chance, choicesOf(group))?.id };
  },
  'adjustment': (body, { instrument }, chance) => ({
    ...body,
    link: pick(chance, instrument?.links.map(({ id }) => id) ?? []),
  }),
  'rule': (body, { instrument }, chance) => ({
    ...body,
    rule: pick(chance, instrument?.rules.map(({ id }) => id) ?? []),
    range: [0, 0.05],
  }),
  'pass': (body, state, chance) => ({ ...body, disturbs: [`pad:${String(partOf(state, chance))}`] }),
  'strike': (body, { entries, signOff }, chance) => ({
    ...body,
    entry: signOff && chance.uniform() < 0.6 ? signOff.id : pick(chance, entries)?.id,
  }),
};

const some = (map: ReadonlyMap<string, unknown>, chance: Chance) =>
  [...map.keys()].filter(() => chance.uniform() < 0.3);
/** Parts of an instrument, worked out once for each. */
const partsOf = new WeakMap<InstrumentType, string[]>();
function partOf({ instrument }: JobState, chance: Chance): string | undefined {
  if (!instrument) return undefined;
  const parts = partsOf.get(instrument) ?? [...removableNames(instrument).keys()];
  partsOf.set(instrument, parts);
  return pick(chance, parts);
}
function placed({ cell: _, ...body }: Body, { board }: JobState, chance: Chance): Body {
  return { ...body, ...(body.where === 'board' && { cell: pick(chance, boardCells(board)) }) };
}

/** Parts, steps and ids that are there already in place of made-up ones, so that entries speak of the same things. */
function joined(value: unknown, state: JobState, chance: Chance, key = ''): unknown {
  if (Array.isArray(value)) return value.map((each) => joined(each, state, chance));
  if (key === 'part') return partOf(state, chance) ?? value;
  if (key === 'operation') return pick(chance, operations);
  if (key === 'finding' && chance.uniform() < 0.5) return pick(chance, [...state.findings.keys()]) ?? value;
  if (key === 'cost' && chance.uniform() < 0.5) return pick(chance, [...state.costs.keys()]) ?? value;
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([name, inner]) => [name, joined(inner, state, chance, name)]));
}

/**
 * A made-up logbook that could have been written: entries of every kind, in any order that the logbook takes. The same
 * for the same seed.
 */
export function randomJob(seed: number, length: number): Entry[] {
  const chance = chanceFrom(seed);
  const reader = logbookReader();
  const entries: Entry[] = [];
  const kinds = entryKinds.filter((kind) => kind !== 'unreadable');
  for (let tries = 0; entries.length < length && tries < length * 40; tries += 1) {
    const state = reader.state();
    const kind = entries.length === 0 ? 'intake' : (pick(chance, state.signOff ? afterwards : kinds) as EntryKind);
    const sampled = joined(sampleOf(entryBodies[kind] as Schema, chance), state, chance) as Body;
    const body = fitting[kind]?.(sampled, state, chance) ?? sampled;
    const benchTime = new Date(Date.UTC(2026, 10, 23, 9, entries.length)).toISOString();
    const entry = { id: chance.uuid(), kind, body, author: 'Juno Tam', benchTime } as unknown as NewEntry;
    if (entryProblems(entry).length > 0 || misfits(state, entry).length > 0) continue;
    const kept = { ...entry, seq: entries.length + 1, receivedAt: benchTime };
    entries.push(kept);
    reader.add(kept);
  }
  return entries;
}
