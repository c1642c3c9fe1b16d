'use client';

import { doubtOfHole, tuneAnswer, tuneQuestion, type InstrumentType, type JobState } from '@holotonos/core';
import type { TuneOutput } from '@holotonos/core/tuning';
import { proxy } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import { solverThread } from '@/workers/solverThread';

export interface Tuning {
  /** what would be altered, and what that does; null before it is worked out or where nothing can be */
  answer: TuneOutput | null;
  /** 0 to 1 while it is worked out */
  progress: number | null;
  problem: string | null;
  /** how surely each of these holes is told, mm, by its id */
  doubts: ReadonlyMap<string, number>;
  stop: () => void;
}

const stop = () => void solverThread().solver.stop('tune');

/** Which of these holes to alter, and by how much: worked out off the page’s own thread, and left for a newer question. */
export function useTuning(state: JobState, type: InstrumentType, holes: readonly string[]): Tuning {
  const { points, passes, practice, tolerances } = state;
  const of = useMemo(() => ({ points, passes, practice, tolerances }), [points, passes, practice, tolerances]);
  const question = useMemo(() => (holes.length === 0 ? null : tuneQuestion(of, type, holes)), [of, type, holes]);
  const [told, setTold] = useState<{ of: unknown; answer: TuneOutput | null; problem: string | null } | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  useEffect(() => {
    if (!question || question.adjust.length === 0) return;
    let overtaken = false;
    void solverThread()
      .solver.tune(
        question,
        proxy(({ start, starts }) => !overtaken && setProgress(start / starts)),
      )
      .then(
        (answer) => {
          if (overtaken) return;
          setProgress(null);
          setTold({
            of: question,
            answer: answer && tuneAnswer(of, type, answer),
            problem: answer ? null : 'Stopped. Choose the holes anew to work it out.',
          });
        },
        () => {
          if (overtaken) return;
          setProgress(null);
          setTold({ of: question, answer: null, problem: 'The model has no answer with these holes.' });
        },
      );
    return () => {
      overtaken = true;
      setProgress(null);
      stop();
    };
  }, [question, of, type]);
  const doubts = useMemo(
    () =>
      new Map(
        (question?.adjust ?? []).flatMap(({ hole }): [string, number][] => {
          const doubt = question && doubtOfHole(of, type, question, hole);
          return doubt === null ? [] : [[hole, doubt]];
        }),
      ),
    [question, of, type],
  );
  const current = told?.of === question && question ? told : null;
  return { answer: current?.answer ?? null, problem: current?.problem ?? null, progress, doubts, stop };
}
