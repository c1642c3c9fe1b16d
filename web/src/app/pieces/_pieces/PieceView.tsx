'use client';

import {
  gradeWords,
  pieceType,
  practices,
  type Grade,
  type PieceReview as Review,
  type ShopState,
} from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { Bands } from '@/job/JobShell';
import { useJob } from '@/job/JobContext';
import { useShop, type WriteShop } from '@/shop/useShop';
import { Button } from '@/ui/bootstrap';
import { solverThread } from '@/workers/solverThread';
import { keepPiece, type KeptPiece } from './keptPieces';
import { PieceBench } from './PieceBench';
import { PieceJob } from './PieceJob';
import { PieceReview } from './PieceReview';
import { usePieces } from './usePieces';

type Shown = { state: 'bench' } | { state: 'working' } | { state: 'review'; review: Review; unwritten: string | null };

/** What the shop remembers of a piece that was gone through. */
const outcome = ({ piece }: KeptPiece, review: Review) => ({
  title: piece.title,
  instrument: piece.instrument,
  grade: piece.grade,
  cured: review.cured,
  looks: review.looks,
  turns: review.turns,
  fewest: review.cure.length,
  faults: review.faults.filter(({ said }) => said !== null).length,
  said: review.faults.filter(({ said }) => said === true).length,
  falseAlarms: review.falseAlarms.length,
});

function Opened({ kept, writeShop }: { kept: KeptPiece; writeShop: WriteShop }) {
  const { state } = useJob();
  const [shown, setShown] = useState<Shown>({ state: 'bench' });
  const [done, setDone] = useState(kept.done);
  const { piece } = kept;
  const review = async () => {
    setShown({ state: 'working' });
    const { entries, struck, adjustments, findings } = state;
    const found = await solverThread()
      .solver.review(piece, { entries, struck, adjustments, findings })
      .catch(() => null);
    if (!found) return setShown({ state: 'bench' });
    // Only the first time counts: what was there is known afterwards.
    const unwritten = done ? null : await writeShop('practice-piece', outcome(kept, found));
    if (unwritten === null && !done) {
      keepPiece(localStorage, { ...kept, entries: [...entries], at: new Date().toISOString(), done: true });
      setDone(true);
    }
    setShown({ state: 'review', review: found, unwritten });
  };
  return (
    <div className="job">
      <div className="band-strip">
        <div className="job-head">
          <h1>{piece.title}</h1>
          <span className="soft">
            {[pieceType(piece)?.name, gradeWords[piece.grade as Grade], practices[piece.practice].title]
              .filter((part) => part && !piece.title.startsWith(part))
              .join(' · ')}
          </span>
          <span className="d-flex gap-3 flex-wrap">
            <Link href="/pieces">All pieces</Link>
            <a
              download={`practice-piece-${piece.instrument}-${piece.grade}-${piece.seed}.json`}
              href={`data:application/json;charset=utf-8,${encodeURIComponent(JSON.stringify(piece, null, 2))}`}
            >
              Save as a file
            </a>
          </span>
        </div>
      </div>
      {shown.state === 'working' && (
        <Bands
          work={
            <p role="status">
              <progress aria-label="Looking for the shortest cure" /> Looking for the shortest cure
            </p>
          }
          readout={<div className="readout-plain" />}
        />
      )}
      {shown.state === 'review' && (
        <>
          {shown.unwritten !== null && (
            <p className="say attention m-3" role="alert">
              How it went could not be written down: {shown.unwritten}{' '}
              <Button variant="quiet" onClick={() => void review()}>
                Try again
              </Button>
            </p>
          )}
          <PieceReview piece={piece} review={shown.review} />
          <section className="band-readout" aria-label="Readout">
            <div className="readout-plain">
              <Button variant="quiet" onClick={() => setShown({ state: 'bench' })}>
                Back to the bench
              </Button>
              <Link className="btn btn-primary" href="/pieces">
                Another piece
              </Link>
            </div>
          </section>
        </>
      )}
      {shown.state === 'bench' && <PieceBench piece={piece} onDone={() => void review()} />}
    </div>
  );
}

/** One practice piece, as this browser keeps it. */
export function PieceView({ id, first }: { id: string; first: ShopState }) {
  const { pieces } = usePieces();
  const { shop, write } = useShop(first);
  const [opened, setOpened] = useState<KeptPiece | null>(null);
  const kept = opened ?? pieces?.find((each) => each.id === id) ?? null;
  // It is kept on every entry: what is open stays what was opened.
  if (kept && !opened) setOpened(kept);
  if (!kept)
    return (
      <main id="main" className="page">
        {pieces && (
          <p>
            This piece is not kept in this browser. <Link href="/pieces">Take up another one.</Link>
          </p>
        )}
      </main>
    );
  return (
    <PieceJob kept={kept} shop={shop}>
      <Opened kept={kept} writeShop={write} />
    </PieceJob>
  );
}
