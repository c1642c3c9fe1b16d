import type { JobState } from '../job';

/** The screw board: a grid as large as the technician's own. */
export interface Board {
  rows: number;
  columns: number;
}

const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';

/** The places of a screw board, row by row. */
export const boardCells = ({ rows, columns }: Board): string[] =>
  [...letters.slice(0, rows)].flatMap((row) => Array.from({ length: columns }, (_, column) => `${row}${column + 1}`));

/**
 * Is there such a place on the board?
 *
 * @example isOnBoard({ rows: 2, columns: 10 }, 'B10') // => true
 */
export const isOnBoard = ({ rows, columns }: Board, cell: string): boolean => {
  const row = letters.indexOf(cell.charAt(0));
  const column = Number(cell.slice(1));
  return row >= 0 && row < rows && column >= 1 && column <= columns;
};

/** Of some parts, the one put down last; of those of one move the last of them, as they lie in the order of the move. */
export const lastOff = <Part extends { seq: number }>(parts: Iterable<Part>): Part | null => {
  let last: Part | null = null;
  for (const part of parts) if (last === null || part.seq >= last.seq) last = part;
  return last;
};

/** The empty places of the board, from the one after that filled last, round the board once. */
export function freeCells(state: Pick<JobState, 'board' | 'off'>): string[] {
  const cells = boardCells(state.board);
  const taken = new Set([...state.off.values()].map(({ cell }) => cell));
  const last = lastOff([...state.off.values()].filter(({ cell }) => cell !== null));
  const from = last?.cell == null ? 0 : cells.indexOf(last.cell) + 1;
  return [...cells.slice(from), ...cells.slice(0, from)].filter((cell) => !taken.has(cell));
}

/** The first empty place after the one filled last, round the board once; null when the board is full. */
export const nextCell = (state: Pick<JobState, 'board' | 'off'>): string | null => freeCells(state)[0] ?? null;
