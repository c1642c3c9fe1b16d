import { instrumentType, removableNames } from '../instruments';
import { limitShape } from '../practice';
import type { Problem } from '../solvers/contract';
import type { ToleranceName } from '../vocabulary';
import { hasSchema, problemsWith, strangeTexts, type SchemaName } from '../validation';
import type { NewEntry, NewEntryOf } from './entry';
import { isOnBoard } from './board';
import type { JobState } from './jobState';

/** The compiled schema of an entry body. */
const bodySchema = (kind: string): SchemaName | null => {
  const name = `body_${kind.replaceAll('-', '_')}`;
  return hasSchema(name) ? name : null;
};

/**
 * Problems with the form of an entry: its envelope and the body its kind asks for. `stored` entries also carry their
 * receipt. The same check runs before sending and on arrival.
 */
export function entryProblems(entry: unknown, as: 'new' | 'stored' = 'new'): Problem[] {
  const outer = problemsWith(as === 'new' ? 'new_entry' : 'stored_entry', entry);
  if (outer.length > 0) return outer;
  const strange = strangeTexts(entry);
  if (strange.length > 0) return strange;
  const { kind, body } = entry as NewEntry;
  if (kind === 'unreadable' && as === 'new')
    return [{ path: '/kind', message: 'is written by nobody: it stands for an entry that cannot be read' }];
  const schema = bodySchema(kind);
  if (!schema) return [{ path: '/kind', message: `“${kind}” is not a kind of entry` }];
  const problems = problemsWith(schema, body).map(({ path, message }) => ({ path: `/body${path}`, message }));
  const type = kind === 'intake' ? (body as { type?: unknown }).type : undefined;
  if (type === undefined) return problems;
  return [
    ...problems,
    ...problemsWith('instrument_type', type).map(({ path, message }) => ({ path: `/body/type${path}`, message })),
  ];
}

const says = (path: string, message: string): Problem[] => [{ path: `/body/${path}`, message }];

/** What speaks against a part lying where an entry says it lies. */
function placeProblems(state: JobState, { part, where, cell }: NewEntryOf<'part-placed'>['body']): Problem[] {
  if (where === 'board' && cell === undefined) return says('cell', 'name the place on the board');
  if (where !== 'board' && cell !== undefined) return says('cell', 'only what lies on the board has a place there');
  if (cell === undefined) return [];
  if (!isOnBoard(state.board, cell)) {
    const { rows, columns } = state.board;
    return says('cell', `${cell} is not on a board of ${rows} rows and ${columns} columns`);
  }
  const other = [...state.off.values()].find((off) => off.cell === cell && off.part !== part);
  const name = other && state.instrument ? removableNames(state.instrument).get(other.part) : undefined;
  return other ? says('cell', `${cell} is taken by ${name ?? other.part}`) : [];
}

function partProblems(state: JobState, part: string): Problem[] {
  const { instrument } = state;
  return instrument && !removableNames(instrument).has(part)
    ? says('part', `“${part}” is not a part of this instrument`)
    : [];
}

/** What speaks against a limit of this shape. */
export function limitProblems(name: ToleranceName, limit: number | number[], path: string): Problem[] {
  const band = limitShape(name) === 'band';
  if (band !== Array.isArray(limit))
    return says(path, band ? 'is a band: give its low and its high end' : 'is an upper limit: give one figure');
  const [low = 0, high = 0] = Array.isArray(limit) ? limit : [];
  return low > high ? says(path, `must not run from ${low} down to ${high}`) : [];
}

/**
 * Problems with an entry in this job: what its form cannot show. Assumes a well-formed entry.
 */
export function misfits(state: JobState, entry: NewEntry): Problem[] {
  if (entry.kind === 'unreadable') return [];
  if (!state.intake && entry.kind !== 'intake') {
    return [{ path: '/kind', message: 'the first entry of a job must be its intake' }];
  }
  if (state.signOff && entry.kind !== 'note' && entry.kind !== 'strike') {
    return [{ path: '/kind', message: 'the job is signed off: strike the sign-off to go on working on it' }];
  }
  switch (entry.kind) {
    case 'intake': {
      const { ticket, instrumentType: id, type } = entry.body;
      if (state.intake && state.intake.ticket !== ticket) return says('ticket', `must stay ${state.intake.ticket}`);
      const known = type !== undefined || instrumentType(id) !== null || state.intake?.instrumentType === id;
      return known ? [] : says('instrumentType', `“${id}” is not a type known here, and none came with the intake`);
    }
    case 'strike': {
      const target = state.byId.get(entry.body.entry);
      if (!target) return says('entry', 'is not an entry of this job');
      if (target.kind === 'strike') return says('entry', 'is itself a strike: make the entry again instead');
      if (target.kind === 'intake') return says('entry', 'the intake is corrected by a new intake entry, not struck');
      return [];
    }
    case 'reading':
      return partProblems(state, entry.body.point.part).map((problem) => ({ ...problem, path: '/body/point/part' }));
    case 'observation':
      return state.instrument?.pads.some(({ hole }) => hole === entry.body.part)
        ? []
        : says('part', `“${entry.body.part}” has no pad`);
    case 'part-off':
      if (state.off.has(entry.body.part)) return says('part', 'is off already');
      return [...partProblems(state, entry.body.part), ...placeProblems(state, entry.body)];
    case 'part-placed':
      return state.off.has(entry.body.part) ? placeProblems(state, entry.body) : says('part', 'is on the instrument');
    case 'part-on':
      return state.off.has(entry.body.part) ? [] : says('part', 'is on the instrument already');
    case 'soak-over':
      return state.soaks.has(entry.body.soak) ? [] : says('soak', 'nothing was left to soak under this id');
    case 'pass':
      return partProblems(state, entry.body.part);
    case 'round': {
      const strange = entry.body.points.find(({ part }) => partProblems(state, part).length > 0);
      return strange ? says('points', `“${strange.part}” is not a part of this instrument`) : [];
    }
    case 'round-skip':
    case 'round-over':
      return state.rounds.has(entry.body.round) ? [] : says('round', 'is not a round of this job');
    case 'tolerances':
      return entry.body.changes.flatMap(({ name, limit }, i) => limitProblems(name, limit, `changes/${i}/limit`));
    case 'timer': {
      if (state.operations.get(entry.body.operation)?.status !== 'started')
        return says('operation', 'is not in hand: start it first');
      const wants = entry.body.act === 'set';
      return wants === (entry.body.minutes !== undefined)
        ? []
        : says('minutes', wants ? 'say how long it really was' : 'go with setting the clock only');
    }
    case 'estimate':
      return state.estimates.has(entry.body.estimate) ? says('estimate', 'was given already') : [];
    case 'agreement':
      return state.estimates.has(entry.body.estimate) ? [] : says('estimate', 'is not an estimate of this job');
    case 'photo-marks':
      return state.photos.has(entry.body.photo) ? [] : says('photo', 'is not a photo of this job');
    default:
      return [];
  }
}
