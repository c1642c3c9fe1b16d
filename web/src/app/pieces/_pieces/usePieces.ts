'use client';

import { receivedSoon, type PracticePiece } from '@holotonos/core';
import { useCallback, useSyncExternalStore } from 'react';
import { v4 as newId } from 'uuid';
import { unnamed } from '@/job/unnamed';
import { dropPiece, keepPiece, keptPieces, shelfKey, type KeptPiece } from './keptPieces';
import { pieceIntake } from './PieceJob';

const changed = 'holotonos-pieces-changed';
const none: KeptPiece[] = [];
let read: { text: string | null; pieces: KeptPiece[] } = { text: null, pieces: none };

/** The same list as long as nothing was written. */
function now(): KeptPiece[] {
  const text = localStorage.getItem(shelfKey);
  if (text !== read.text) read = { text, pieces: keptPieces(localStorage) };
  return read.pieces;
}
function subscribe(onChange: () => void) {
  // Another window tells by itself, this one does not.
  window.addEventListener('storage', onChange);
  window.addEventListener(changed, onChange);
  return () => {
    window.removeEventListener('storage', onChange);
    window.removeEventListener(changed, onChange);
  };
}
const tell = () => window.dispatchEvent(new Event(changed));

/** The practice pieces this browser keeps; null before it is known, on the server. */
export function usePieces() {
  const pieces = useSyncExternalStore<KeptPiece[] | null>(subscribe, now, () => null);
  /** @returns its id, or null where the browser has no room for it */
  const takeUp = useCallback((piece: PracticePiece, author: string): string | null => {
    const at = new Date().toISOString();
    const entries = receivedSoon([pieceIntake(piece, author || unnamed, at)], 0);
    const id = newId();
    const room = keepPiece(localStorage, { id, piece, entries, at, done: false });
    tell();
    return room ? id : null;
  }, []);
  const drop = useCallback((id: string) => {
    dropPiece(localStorage, id);
    tell();
  }, []);
  return { pieces, takeUp, drop };
}
