import { removableNames } from '../instruments';
import type { JobState } from '../job';
import { says } from '../logbook';
import type { Problem } from '../solvers/contract';
import type { PartWhere } from '../vocabulary';
import { isOnBoard } from './board';

/** Where an entry says a part lies. */
export interface PlacedBody {
  part: string;
  where: PartWhere;
  cell?: string;
  note?: string;
}

/** A part that has been taken off and is not back yet. */
export interface OffPart {
  part: string;
  where: PartWhere;
  /** its place on the screw board, such as B4 */
  cell: string | null;
  note: string;
  /** the entry that took it off, and its place in the order of the strip-down */
  entry: string;
  seq: number;
}

/** What speaks against a part lying where an entry says it lies. */
export function placeProblems(
  { board, off, instrument }: Pick<JobState, 'board' | 'off' | 'instrument'>,
  { part, where, cell: at }: PlacedBody,
): Problem[] {
  if (where === 'board' && at === undefined) return says('cell', 'name the place on the board');
  if (where !== 'board' && at !== undefined) return says('cell', 'only what lies on the board has a place there');
  if (at === undefined) return [];
  if (!isOnBoard(board, at))
    return says('cell', `${at} is not on a board of ${board.rows} rows and ${board.columns} columns`);
  const other = [...off.values()].find((each) => each.cell === at && each.part !== part);
  const name = other && instrument ? removableNames(instrument).get(other.part) : undefined;
  return other ? says('cell', `${at} is taken by ${name ?? other.part}`) : [];
}

/** The part lies there now; it came off when it first did. */
export function putDown(
  { off }: { off: Map<string, OffPart> },
  { id, seq, body: { part, where, cell: at, note } }: { id: string; seq: number; body: PlacedBody },
): void {
  const before = off.get(part);
  off.set(part, {
    part,
    where,
    cell: at ?? null,
    note: note ?? before?.note ?? '',
    entry: before?.entry ?? id,
    seq: before?.seq ?? seq,
  });
}

const whereWords: Record<PartWhere, string> = {
  board: 'on the board',
  bag: 'in a bag',
  replaced: 'to be replaced',
  lost: 'lost',
  borrowed: 'lent out',
};

/**
 * Where a part lies.
 *
 * @example placeWords({ where: 'board', cell: 'B4' }) // => "on the board at B4"
 */
export const placeWords = ({ where, cell: at }: { where: PartWhere; cell?: string | null }): string =>
  at ? `${whereWords[where]} at ${at}` : whereWords[where];
