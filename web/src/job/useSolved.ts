'use client';

import type { SolverResult } from '@holotonos/core';
import { useEffect, useState } from 'react';
import { solverThread } from '@/workers/solverThread';

/**
 * The answer of a solver to what stands in a panel, worked out off the page's own thread.
 *
 * @param input null where nothing is asked
 * @returns the answer to the newest question that has been answered; null before the first
 */
export function useSolved(name: string, input: object | null): SolverResult | null {
  const [answer, setAnswer] = useState<SolverResult | null>(null);
  const question = input && JSON.stringify([name, input]);
  useEffect(() => {
    if (question === null) return;
    let overtaken = false;
    const [asked, of] = JSON.parse(question) as [string, object];
    void solverThread()
      .solver.solve(asked, of)
      .then(
        (result) => !overtaken && setAnswer(result),
        () => undefined,
      );
    return () => {
      overtaken = true;
    };
  }, [question]);
  return question === null ? null : answer;
}
