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
  const [schedule, setSchedule] = useState(first);
  const [chances, setChances] = useState<TicketChance[] | null>(null);
  const [progress, setProgress] = useState<LongWork | null>(null);
  const worker = useRef<Remote<SolverWorker> | null>(null);

  useEffect(() => {
    let left = false;
    const thread = new Worker(new URL('../workers/solver.worker.ts', import.meta.url), { type: 'module' });
    const solver = wrap<SolverWorker>(thread);
    worker.current = solver;
    setSchedule(first);
    const work = async () => {
      let best = first;
      if (first.late.length > 0) {
        const tell = proxy(({ round, rounds }: { round: number; rounds: number }) =>
          setProgress({ what: 'Looking for an order in which all are in time', share: round / rounds }),
        );
        best = (await solver.schedule(question.input, tell)) ?? first;
        if (left) return;
        setSchedule(best);
      }
      const tell = proxy(({ run, runs }: { run: number; runs: number }) =>
        setProgress({ what: 'Playing the schedule through with other times', share: run / runs }),
      );
      const found = await solver.chance(question.input, best, question.ranges, tell);
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
  return { schedule, chances, progress, stop };
}
