'use client';

import type { BenchQuestion, ScheduleOutput, TicketChance } from '@holotonos/core';
import { proxy, wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { SolverWorker } from '@/workers/solver.worker';

export interface LongWork {
  what: string;
  /** 0 to 1 */
  share: number;
}

/**
 * The schedule of the bench, bettered in a worker as long as tickets are late, then how sure each ticket is. What was
 * made at once stands until there is something better; stopping keeps what there is.
 */
export function useSchedule(question: BenchQuestion, first: ScheduleOutput) {
  const [better, setBetter] = useState<{ of: ScheduleOutput; schedule: ScheduleOutput } | null>(null);
  const [chances, setChances] = useState<TicketChance[] | null>(null);
  const [progress, setProgress] = useState<LongWork | null>(null);
  const worker = useRef<Remote<SolverWorker> | null>(null);

  useEffect(() => {
    let left = false;
    // What a worker tells may come in after its answer.
    let over = false;
    const tell = (what: string) => (share: number) => {
      if (!left && !over) setProgress({ what, share });
    };
    const thread = new Worker(new URL('../../../workers/solver.worker.ts', import.meta.url), { type: 'module' });
    const solver = wrap<SolverWorker>(thread);
    worker.current = solver;
    const work = async () => {
      let best = first;
      if (first.late.length > 0) {
        const far = tell('Looking for an order in which all are in time');
        best =
          (await solver.schedule(
            question.input,
            proxy(({ round, rounds }) => far(round / rounds)),
          )) ?? first;
        if (left) return;
        setBetter({ of: first, schedule: best });
      }
      const far = tell('Playing the schedule through with other times');
      const played = proxy(({ run, runs }: { run: number; runs: number }) => far(run / runs));
      const found = await solver.chance(question.input, best, question.ranges, played);
      over = true;
      if (left) return;
      setChances(found);
      setProgress(null);
    };
    void work().catch(() => {
      // A worker that cannot be loaded costs the band, not the schedule.
      if (!left) setProgress(null);
    });
    return () => {
      left = true;
      worker.current = null;
      thread.terminate();
    };
  }, [question, first]);

  const stop = useCallback(() => {
    void worker.current?.stop();
    setProgress(null);
  }, []);
  // What was bettered for an earlier question says nothing about this one.
  return { schedule: better?.of === first ? better.schedule : first, chances, progress, stop };
}
