'use client';

import {
  foldJob,
  judgeJob,
  jobPlan,
  knowTypes,
  layOut,
  pieceType,
  planBasis,
  receivedSoon,
  removableNames,
  shippedTypes,
  type EntryKind,
  type LaidOut,
  type NewEntry,
  type PracticePiece,
  type ShopState,
} from '@holotonos/core';
import { useCallback, useMemo, useState, type ReactNode } from 'react';
import { v4 as newId } from 'uuid';
import { useBench } from '@/frame/BenchContext';
import { checkedEntry, JobContext, withRefusal, type Job, type Refusal, type Write } from '@/job/JobContext';
import { keepPiece, type KeptPiece } from './keptPieces';

const nothing = () => undefined;
// A piece names its instrument. Said outright: a bundler leaves out what nobody names.
knowTypes(shippedTypes);

/** The first entry of what is written down at a piece: an intake of its instrument. */
export const pieceIntake = (piece: PracticePiece, author: string, now: string): NewEntry => ({
  id: newId(),
  kind: 'intake',
  author,
  benchTime: now,
  body: {
    ticket: 'PIECE',
    owner: 'Practice piece',
    instrumentType: piece.instrument,
    ...(piece.options && { options: piece.options }),
    family: pieceType(piece)?.family ?? 'flute',
    practice: piece.practice,
    scope: 'repair',
    unit: 'mm',
  },
});

/**
 * A practice piece as if it were a job: what is seen, turned and said is written as entries and folded as everywhere, but
 * kept in this browser and in no logbook.
 */
export function PieceJob({ kept, shop, children }: { kept: KeptPiece; shop: ShopState; children: ReactNode }) {
  const { who } = useBench();
  const [entries, setEntries] = useState(kept.entries);
  const [refusals, setRefusals] = useState<Refusal[]>([]);
  const state = useMemo(() => foldJob(entries), [entries]);
  const type = state.instrument;
  if (!type) throw new Error('A piece that was taken up names an instrument that ships.');
  const judgement = useMemo(() => judgeJob(state, type, undefined, shop.sizes), [state, type, shop.sizes]);
  const plan = useMemo(
    () => jobPlan(state, type, judgement, kept.at, planBasis(shop)),
    [state, type, judgement, kept.at, shop],
  );
  const names = useMemo(() => removableNames(type), [type]);
  const write = useCallback(
    (kind: EntryKind, body: unknown, id: string = newId()): boolean => {
      const { entry, problems } = checkedEntry(state, { id, kind, body, author: who() });
      if (problems.length > 0) {
        setRefusals((list) => withRefusal(list, { entry, problems }));
        return false;
      }
      const next = [...entries, ...receivedSoon([entry], state.seq)];
      // Without room to keep it the page still has it.
      keepPiece(localStorage, { ...kept, entries: next, at: entry.benchTime });
      setEntries(next);
      return true;
    },
    [who, entries, kept, state],
  ) as Write;
  const job = useMemo(
    (): Job => ({
      ticket: 'PIECE',
      type,
      names,
      state,
      judgement,
      plan,
      now: kept.at,
      madeAt: kept.at,
      answers: 'yes',
      shop,
      waiting: 0,
      reachable: true,
      asksWho: false,
      refusals,
      dismissRefusals: () => setRefusals([]),
      aside: [],
      sendAgain: nothing,
      letGo: nothing,
      write,
    }),
    [type, names, state, judgement, plan, kept.at, shop, refusals, write],
  );
  return <JobContext.Provider value={job}>{children}</JobContext.Provider>;
}

/** The piece that lies here, ready to be looked at. */
export function useLaidOut(piece: PracticePiece): LaidOut {
  return useMemo(() => {
    const laid = layOut(piece);
    if (!laid) throw new Error('A piece that was taken up names an instrument that ships.');
    return laid;
  }, [piece]);
}
