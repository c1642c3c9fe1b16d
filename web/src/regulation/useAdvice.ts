'use client';

import type { RegulateInput, RegulateOutput } from '@holotonos/core';
import { proxy } from 'comlink';
import { useCallback, useEffect, useId, useState } from 'react';
import { solverThread } from '@/workers/solverThread';

/** Where the answer to a question of regulation stands. */
export type Advice =
  | { state: 'working'; tried: number }
  | { state: 'stopped' }
  | { state: 'failed'; message: string }
  | { state: 'known'; output: RegulateOutput };

/**
 * What to turn, worked out off the page’s own thread: how many settings were looked at meanwhile, and a way to stop it.
 *
 * @returns also the answer before this one: it stands until there is another, so that nothing jumps
 */
export function useAdvice(question: RegulateInput) {
  const text = JSON.stringify(question);
  const name = useId();
  const [advice, setAdvice] = useState<{ of: string; advice: Advice } | null>(null);
  const [before, setBefore] = useState<RegulateOutput | null>(null);
  const [round, setRound] = useState(0);
  useEffect(() => {
    let left = false;
    const say = (now: Advice) => !left && setAdvice({ of: text, advice: now });
    // What the thread tells on its way may come in after its answer.
    let over = false;
    const tell = ({ tried }: { tried: number }) => void (!over && say({ state: 'working', tried }));
    const { solver } = solverThread();
    solver.regulate(name, JSON.parse(text) as RegulateInput, proxy(tell)).then(
      (output) => {
        over = true;
        say(output ? { state: 'known', output } : { state: 'stopped' });
        if (!left && output) setBefore(output);
      },
      (error: Error) => {
        over = true;
        say({ state: 'failed', message: error.message });
      },
    );
    return () => {
      left = true;
      // What is asked no more is not worked on.
      if (!over) void solver.stop(name);
    };
  }, [name, text, round]);
  const stop = useCallback(() => void solverThread().solver.stop(name), [name]);
  const again = useCallback(() => {
    setAdvice(null);
    setRound((n) => n + 1);
  }, []);
  const now: Advice = advice?.of === text ? advice.advice : { state: 'working', tried: 0 };
  return { advice: now, before, stop, again };
}
