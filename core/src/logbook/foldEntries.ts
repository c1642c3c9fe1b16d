import { applyOptions, changeType, instrumentType, type InstrumentType } from '../instruments';
import type { PassKind } from '../vocabulary';
import type { Entry, EntryOf } from './entry';
import {
  emptyJobState,
  matchesMeasure,
  pointKey,
  type JobState,
  type MeasuringPoint,
  type OperationState,
  type PointState,
  type ReadingState,
  type Staleness,
} from './jobState';

/** The same shape with its maps and lists open for writing while one batch is folded. */
type Draft = {
  -readonly [K in keyof JobState]: JobState[K] extends ReadonlyMap<infer Key, infer Value>
    ? Map<Key, Value>
    : JobState[K] extends readonly (infer Item)[]
      ? Item[]
      : JobState[K];
} & {
  /** points whose lists were made in this batch and may be written in place: copying at every entry would be O(n²) */
  own: Map<string, PointState>;
  /** keys of points with a fresh reading, by measure and part: what the next work can still make stale */
  fresh: Map<string, Set<string>>;
};

const measured = ({ group, part }: MeasuringPoint) => `${group}:${part}`;

function noteFresh(fresh: Draft['fresh'], key: string, point: MeasuringPoint): void {
  const known = fresh.get(measured(point));
  if (known) known.add(key);
  else fresh.set(measured(point), new Set([key]));
}

function freshPoints({ points }: JobState): Draft['fresh'] {
  const fresh: Draft['fresh'] = new Map();
  for (const [key, { point, readings }] of points) if (readings.at(-1)?.stale === null) noteFresh(fresh, key, point);
  return fresh;
}

const open = (state: JobState): Draft => ({
  ...state,
  entries: [...state.entries],
  byId: new Map(state.byId),
  struck: new Map(state.struck),
  points: new Map(state.points),
  findings: new Map(state.findings),
  operations: new Map(state.operations),
  decisions: [...state.decisions],
  notes: [...state.notes],
  times: [...state.times],
  survey: new Map(state.survey),
  observations: new Map(state.observations),
  off: new Map(state.off),
  soaks: new Map(state.soaks),
  photos: new Map(state.photos),
  passes: [...state.passes],
  rounds: new Map(state.rounds),
  planChanges: new Map(state.planChanges),
  costs: new Map(state.costs),
  estimates: new Map(state.estimates),
  unread: new Map(state.unread),
  own: new Map(),
  fresh: freshPoints(state),
});

/** The point's readings as a list that this batch may write to. */
function ownPoint(draft: Draft, key: string, point: MeasuringPoint): PointState {
  const owned = draft.own.get(key);
  if (owned) return owned;
  const fresh = { point, readings: [...(draft.points.get(key)?.readings ?? [])] };
  draft.own.set(key, fresh);
  draft.points.set(key, fresh);
  return fresh;
}

function foldReading(draft: Draft, entry: EntryOf<'reading'>): void {
  const { point, value, typed, gauge, temperature = null, humidity = null } = entry.body;
  const { id, seq, author, benchTime } = entry;
  const key = pointKey(point);
  const { readings } = ownPoint(draft, key, point);
  noteFresh(draft.fresh, key, point);
  readings.push({ entry: id, seq, value, typed, gauge, author, benchTime, temperature, humidity, stale: null });
}

function foldFinding(draft: Draft, entry: EntryOf<'finding'>): void {
  const { finding, kind, part, place, severity, status, note, reason, suggestion, evidence } = entry.body;
  const before = draft.findings.get(finding);
  draft.findings.set(finding, {
    finding,
    kind,
    part,
    place: place ?? before?.place ?? null,
    severity: severity as 1 | 2 | 3,
    status,
    note: note ?? before?.note ?? '',
    reason: reason ?? '',
    suggestion: suggestion ?? before?.suggestion ?? null,
    evidence: evidence ?? before?.evidence ?? [],
    history: [...(before?.history ?? []), entry.id],
  });
}

/** The one place where work makes readings stale: a done operation, or one pass of a correction. */
function disturb(draft: Draft, disturbs: readonly string[], stale: Staleness): void {
  if (disturbs.length === 0) return;
  // Only what is fresh is looked at: work after work on points that are stale already costs nothing.
  for (const [place, keys] of draft.fresh) {
    const [group = '', part = ''] = place.split(':');
    if (!disturbs.some((pattern) => matchesMeasure(pattern, group, part))) continue;
    for (const key of keys) makeStale(draft, key, stale);
    draft.fresh.delete(place);
  }
}

function makeStale(draft: Draft, key: string, stale: Staleness): void {
  const state = draft.points.get(key);
  if (!state) return;
  const { readings } = ownPoint(draft, key, state.point);
  // What is fresh stands at the end: everything before it was made stale by an earlier step.
  for (let i = readings.length - 1; i >= 0; i -= 1) {
    const reading = readings[i] as ReadingState;
    if (reading.stale) break;
    readings[i] = { ...reading, stale };
  }
}

function setFindings(
  draft: Draft,
  ids: readonly string[],
  status: 'cured' | 'stop-gap',
  entry: Entry,
  reason: string,
): void {
  for (const id of ids) {
    const finding = draft.findings.get(id);
    if (finding) draft.findings.set(id, { ...finding, status, reason, history: [...finding.history, entry.id] });
  }
}

function operationOf(draft: Draft, operation: string, entry: Entry): OperationState {
  return {
    operation,
    title: operation,
    startedAt: null,
    endedAt: null,
    minutes: 0,
    reason: '',
    override: '',
    cautionsAccepted: [],
    runningSince: null,
    workedMinutes: 0,
    ...draft.operations.get(operation),
    status: 'started',
    entry: entry.id,
    seq: entry.seq,
    author: entry.author,
  };
}

/** Minutes on the clock of a step at a moment. */
export const workedAt = ({ workedMinutes, runningSince }: OperationState, now: string): number =>
  workedMinutes + (runningSince === null ? 0 : Math.max(0, Date.parse(now) - Date.parse(runningSince)) / 60_000);

const ended = ({ benchTime }: Entry) => ({ endedAt: benchTime, runningSince: null });

function foldTimer(draft: Draft, { body, benchTime }: EntryOf<'timer'>): void {
  const before = draft.operations.get(body.operation);
  if (before?.status !== 'started') return;
  const runs = body.act === 'resume';
  draft.operations.set(body.operation, {
    ...before,
    workedMinutes: body.act === 'set' ? (body.minutes ?? 0) : workedAt(before, benchTime),
    runningSince: runs ? benchTime : null,
  });
}

/** Hand-made changes of one operation lie over each other until they are taken back. */
function foldPlanChange(draft: Draft, entry: EntryOf<'plan-change'>): void {
  const { operation, withdrawn } = entry.body;
  if (withdrawn) {
    draft.planChanges.delete(operation);
    return;
  }
  const before = draft.planChanges.get(operation)?.body;
  draft.planChanges.set(operation, { ...entry, body: { ...before, ...entry.body } });
}

function foldAgreement(draft: Draft, entry: EntryOf<'agreement'>): void {
  const given = draft.estimates.get(entry.body.estimate);
  if (given) draft.estimates.set(entry.body.estimate, { ...given, answer: entry });
}

/** The instrument an intake names: the type it brings with it, or the shipped one, with the options it has. */
function instrumentOf({ type, instrumentType: id, options = [] }: EntryOf<'intake'>['body']): InstrumentType | null {
  const named = (type as InstrumentType | undefined) ?? instrumentType(id);
  return named && applyOptions(named, options);
}

function foldIntake(draft: Draft, { body, benchTime }: EntryOf<'intake'>): void {
  const before = draft.intake;
  // A later intake entry corrects the first; a practice changed since then stays changed.
  if (!before) draft.practice = body.practice;
  const same =
    before && before.instrumentType === body.instrumentType && String(before.options) === String(body.options);
  // What was built up at the bench outlives a correction of the owner's address.
  if (!same || !draft.instrument) draft.instrument = instrumentOf(body);
  draft.intake = body;
  draft.openedAt ??= benchTime;
  draft.unit = body.unit;
}

function foldInstrumentChange(draft: Draft, { body }: EntryOf<'instrument-change'>): void {
  if (!draft.instrument) return;
  const { name, put, remove } = body;
  const changed = changeType(draft.instrument, { ...(put && { put }), ...(remove && { remove }) });
  draft.instrument = name === undefined ? changed : { ...changed, name };
}

function foldPart(draft: Draft, entry: EntryOf<'part-off' | 'part-placed'>): void {
  const { part, where, cell, note } = entry.body;
  const before = draft.off.get(part);
  draft.off.set(part, {
    part,
    where,
    cell: cell ?? null,
    note: note ?? before?.note ?? '',
    entry: before?.entry ?? entry.id,
    seq: before?.seq ?? entry.seq,
  });
}

/** What each kind of pass is called where it made a reading stale. */
export const passWords: Record<PassKind, string> = {
  'straighten': 'Straightening',
  'turn-bell': 'Turning the bell',
  'expand': 'Expanding',
  'shrink': 'Shrinking',
  'lap': 'Lapping',
  'swage': 'Swaging',
  'face': 'Facing',
};

function foldPass(draft: Draft, entry: EntryOf<'pass'>): void {
  const { disturbs, ...body } = entry.body;
  const { id, seq, benchTime } = entry;
  const before = draft.passes.filter(({ pass, part }) => pass === body.pass && part === body.part).length;
  draft.passes.push({ ...body, entry: id, seq, benchTime });
  const title = `${passWords[body.pass]}, pass ${before + 1}`;
  disturb(draft, disturbs, { entry: id, operation: `pass:${body.pass}:${body.part}`, title });
}

function foldSoak(draft: Draft, { body, benchTime }: EntryOf<'soak'>): void {
  const { soak, part, minutes, note = '' } = body;
  const until = new Date(Date.parse(benchTime) + minutes * 60_000).toISOString();
  draft.soaks.set(soak, { soak, part, with: body.with, note, until, outcome: null });
}

function foldPhoto(draft: Draft, { body, author, benchTime }: EntryOf<'photo'>): void {
  const { photo, width, height, caption = '', part = null, place = null, finding = null } = body;
  const marks = draft.photos.get(photo)?.marks ?? [];
  draft.photos.set(photo, { photo, width, height, caption, part, place, finding, marks, author, benchTime });
}

function foldOne(draft: Draft, entry: Entry): void {
  switch (entry.kind) {
    case 'intake':
      return foldIntake(draft, entry);
    case 'reading':
      return foldReading(draft, entry);
    case 'finding':
      return foldFinding(draft, entry);
    case 'operation-started': {
      const { operation, cautionsAccepted } = entry.body;
      const state = operationOf(draft, operation, entry);
      draft.operations.set(operation, {
        ...state,
        cautionsAccepted,
        startedAt: entry.benchTime,
        endedAt: null,
        runningSince: entry.benchTime,
        workedMinutes: 0,
      });
      return;
    }
    case 'operation-done': {
      const { operation, title, minutes, cures, override = '' } = entry.body;
      const state = operationOf(draft, operation, entry);
      draft.operations.set(operation, { ...state, status: 'done', title, minutes, override, ...ended(entry) });
      setFindings(draft, cures, 'cured', entry, '');
      return disturb(draft, entry.body.disturbs, { entry: entry.id, operation, title });
    }
    case 'operation-skipped': {
      const { operation, title, reason, leaves } = entry.body;
      const state = operationOf(draft, operation, entry);
      draft.operations.set(operation, { ...state, status: 'skipped', title, reason, ...ended(entry) });
      return setFindings(draft, leaves, 'stop-gap', entry, reason);
    }
    case 'practice-change':
      draft.practice = entry.body.practice;
      draft.decisions.push(entry);
      return;
    case 'decision':
      draft.decisions.push(entry);
      return;
    case 'note':
      draft.notes.push(entry);
      return;
    case 'plan-change':
      return foldPlanChange(draft, entry);
    case 'timer':
      return foldTimer(draft, entry);
    case 'cost':
      draft.costs.set(entry.body.cost, entry.body);
      return;
    case 'estimate':
      draft.estimates.set(entry.body.estimate, { estimate: entry, answer: null });
      return;
    case 'agreement':
      return foldAgreement(draft, entry);
    case 'time':
      draft.times.push(entry);
      return;
    case 'instrument-change':
      return foldInstrumentChange(draft, entry);
    case 'survey':
      draft.survey.set(entry.body.station, {
        outcome: entry.body.outcome,
        entry: entry.id,
        benchTime: entry.benchTime,
      });
      return;
    case 'observation':
      draft.observations.set(`${entry.body.about}:${entry.body.part}`, {
        ...entry.body,
        entry: entry.id,
        seq: entry.seq,
      });
      return;
    case 'board':
      draft.board = entry.body;
      return;
    case 'part-off':
    case 'part-placed':
      return foldPart(draft, entry);
    case 'part-on':
      draft.off.delete(entry.body.part);
      return;
    case 'soak':
      return foldSoak(draft, entry);
    case 'soak-over': {
      const soak = draft.soaks.get(entry.body.soak);
      if (soak) draft.soaks.set(soak.soak, { ...soak, outcome: entry.body.outcome });
      return;
    }
    case 'photo':
      return foldPhoto(draft, entry);
    case 'photo-marks': {
      const photo = draft.photos.get(entry.body.photo);
      if (photo) draft.photos.set(photo.photo, { ...photo, marks: entry.body.marks });
      return;
    }
    case 'tolerances':
      draft.tolerances = entry;
      draft.decisions.push(entry);
      return;
    case 'pass':
      return foldPass(draft, entry);
    case 'round': {
      const { round, name, points } = entry.body;
      const { seq, benchTime } = entry;
      draft.rounds.set(round, { round, name, points, seq, benchTime, skipped: new Set(), over: false });
      return;
    }
    case 'round-skip': {
      const round = draft.rounds.get(entry.body.round);
      const skipped = new Set(round?.skipped).add(pointKey(entry.body.point));
      if (round) draft.rounds.set(round.round, { ...round, skipped });
      return;
    }
    case 'round-over': {
      const round = draft.rounds.get(entry.body.round);
      if (round) draft.rounds.set(round.round, { ...round, over: true });
      return;
    }
    case 'sign-off':
      draft.signOff = entry;
      return;
    case 'strike':
      return;
    case 'unreadable':
      draft.unread.set(entry.id, `${entry.body.kind}: ${entry.body.problem}`);
      return;
  }
}

/** One entry that cannot be taken in is set down as such; the others go on. */
function foldSafely(draft: Draft, entry: Entry): void {
  try {
    foldOne(draft, entry);
  } catch (error) {
    draft.unread.set(entry.id, `${entry.kind}: ${(error as Error).message}`);
  }
}

/** Notes which entries are struck. The first strike counts; a strike itself cannot be struck. */
function collectStrikes(draft: Draft, entries: readonly Entry[]): void {
  for (const entry of entries) {
    draft.byId.set(entry.id, entry);
    if (entry.kind === 'strike') draft.struck.delete(entry.id);
  }
  for (const entry of entries) {
    if (entry.kind !== 'strike') continue;
    const target = entry.body.entry;
    if (draft.byId.get(target)?.kind !== 'strike' && !draft.struck.has(target)) draft.struck.set(target, entry.id);
  }
}

function foldInto(draft: Draft, entries: readonly Entry[]): Draft {
  collectStrikes(draft, entries);
  for (const entry of entries) {
    draft.entries.push(entry);
    draft.seq = Math.max(draft.seq, entry.seq);
    if (!draft.struck.has(entry.id)) foldSafely(draft, entry);
  }
  return draft;
}

function foldOnto(before: JobState, entries: readonly Entry[]): JobState {
  const { own: _own, fresh: _fresh, ...state } = foldInto(open(before), entries);
  return state;
}

/** Kinds of entry that nothing later is checked against: striking one of these takes back nothing that matters to it. */
const weighsNothing = new Set<Entry['kind']>([
  'reading',
  'note',
  'finding',
  'observation',
  'survey',
  'pass',
  'tolerances',
  'cost',
  'time',
  'strike',
]);

/** A logbook as it is read from its beginning, one entry after the other. */
export interface LogbookReader {
  /** enough of the state before the next entry for `misfits`; written on, so not to be kept */
  state: () => JobState;
  add: (entry: Entry) => void;
  /** entries folded again because of strikes: what the reading has cost beyond its length */
  refolded: () => number;
}

/**
 * Reads a logbook entry by entry and in place: linear, where folding a state anew for each entry is quadratic. Only a
 * strike of what later entries are checked against folds all again.
 */
export function logbookReader(): LogbookReader {
  let draft = open(emptyJobState);
  let again = 0;
  return {
    state: () => draft,
    refolded: () => again,
    add: (entry) => {
      const target = entry.kind === 'strike' ? draft.byId.get(entry.body.entry) : undefined;
      const undoes = target !== undefined && !weighsNothing.has(target.kind) && !draft.struck.has(target.id);
      if (!undoes) return void foldInto(draft, [entry]);
      again += draft.entries.length;
      draft = foldInto(open(emptyJobState), [...draft.entries, entry]);
    },
  };
}

/**
 * The state of a job after more entries: pure, deterministic, and the same however the entries are cut into batches.
 *
 * Entries count in the order of their sequence numbers, whatever order they are handed over in; an entry met before is
 * passed over. Striking something already folded in means folding again without it, which is O(all entries) once a batch.
 */
export function foldEntries(state: JobState, more: readonly Entry[]): JobState {
  const seen = new Set<string>();
  const fresh = more
    .filter(({ id }) => {
      const isNew = !state.byId.has(id) && !seen.has(id);
      seen.add(id);
      return isNew;
    })
    .sort((a, b) => a.seq - b.seq);
  const first = fresh[0];
  if (!first) return state;
  const strikesThePast = fresh.some((entry) => {
    if (entry.kind !== 'strike') return false;
    const target = state.byId.get(entry.body.entry);
    return target !== undefined && target.kind !== 'strike' && !state.struck.has(target.id);
  });
  if (first.seq > state.seq && !strikesThePast) return foldOnto(state, fresh);
  return foldOnto(
    emptyJobState,
    [...state.entries, ...fresh].sort((a, b) => a.seq - b.seq),
  );
}

/** The state of a job from its whole logbook. */
export const foldJob = (entries: readonly Entry[]): JobState => foldEntries(emptyJobState, entries);
