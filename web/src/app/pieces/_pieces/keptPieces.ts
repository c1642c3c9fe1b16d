import { pieceProblems, type Entry, type PracticePiece } from '@holotonos/core';

/** A practice piece somebody has taken up in this browser, and what was done at it. */
export interface KeptPiece {
  id: string;
  piece: PracticePiece;
  entries: Entry[];
  /** when it was last worked at */
  at: string;
  /** gone through to its end: what was there has been shown */
  done: boolean;
}

/** Where the pieces of a browser are kept. */
export type Shelf = Pick<Storage, 'getItem' | 'setItem'>;

/** By what name a browser keeps them. */
export const shelfKey = 'holotonos-pieces';
/** More than this are not kept: the one that lay longest goes. */
export const mostKept = 12;

type Shaped = Omit<KeptPiece, 'piece'> & { piece: unknown };

const isShaped = (each: unknown): each is Shaped =>
  typeof each === 'object' &&
  each !== null &&
  'id' in each &&
  typeof each.id === 'string' &&
  'entries' in each &&
  Array.isArray(each.entries) &&
  'at' in each &&
  typeof each.at === 'string' &&
  'piece' in each;

/** What lies on the shelf, as it lies there: to be put in order at every entry, nothing of it may be worked out. */
function onShelf(shelf: Shelf): Shaped[] {
  try {
    const all: unknown = JSON.parse(shelf.getItem(shelfKey) ?? '[]');
    return Array.isArray(all) ? all.filter(isShaped) : [];
  } catch {
    return [];
  }
}

const isReadable = (each: Shaped): each is KeptPiece => pieceProblems(each.piece).length === 0;

/** The pieces that are kept, newest first; what cannot be read is passed over. */
export const keptPieces = (shelf: Shelf): KeptPiece[] => onShelf(shelf).filter(isReadable);

const write = (shelf: Shelf, pieces: readonly Shaped[]): boolean => {
  try {
    shelf.setItem(shelfKey, JSON.stringify(pieces.slice(0, mostKept)));
    return true;
  } catch {
    return false;
  }
};

/** Keeps a piece, in place of itself as it was. @returns false where the browser has no room for it */
export const keepPiece = (shelf: Shelf, kept: KeptPiece): boolean =>
  write(shelf, [kept, ...onShelf(shelf).filter(({ id }) => id !== kept.id)]);

/** Puts a piece away. */
export const dropPiece = (shelf: Shelf, gone: string): boolean =>
  write(
    shelf,
    onShelf(shelf).filter(({ id }) => id !== gone),
  );

/** So much of a file is read at most: a piece has a few kilobytes. */
export const mostFileBytes = 100_000;

/** Reads a piece from a file somebody wrote or was given, or says what is wrong with it. */
export function readPiece(text: string): { piece: PracticePiece } | { problem: string } {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return { problem: 'This is not JSON: take a file that was saved as a practice piece.' };
  }
  const problems = pieceProblems(data);
  if (problems.length === 0) return { piece: data as PracticePiece };
  const told = problems.slice(0, 5).map(({ path, message }) => `${path || 'the file'} ${message}`);
  return { problem: `It cannot be taken up: ${told.join('; ')}.` };
}
