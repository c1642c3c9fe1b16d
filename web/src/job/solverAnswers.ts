'use client';

import {
  groupsAnsweredHere,
  solveRim,
  solveSeat,
  type Answers,
  type RimInput,
  type SeatInput,
  type SolverResult,
} from '@holotonos/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { solverThread } from '@/workers/solverThread';

/** Solvers a judgement asks. */
type Asked = 'rim' | 'seat' | 'body-line' | 'bore' | 'hinge' | 'joint';

/** Answers that are kept; older ones are worked out again if they are ever asked for. */
const mostKept = 2000;

/** On the server every answer is there at once: what was judged for one drawing of a page still holds for the next. */
const everyPage = typeof window === 'undefined' ? {} : null;

/**
 * Answers for `judgeJob` from a web worker. What was known when the page was made is answered at once, so that server
 * and browser draw the same, and so is what is asked while the worker loads: loading it takes longer than an answer.
 * Every later question goes to the worker, and the page is drawn again when it answers.
 */
export function useSolverAnswers(): Answers & { version: number } {
  const [version, setVersion] = useState(0);
  const known = useRef(new Map<string, unknown>());
  const asked = useRef(new Set<string>());
  const drawn = useRef(false);

  useEffect(() => {
    drawn.current = true;
  }, []);

  return useMemo(() => {
    const ask = <Input, Output>(name: Asked, input: Input, solve: (input: Input) => Output): Output | null => {
      const key = `${name} ${JSON.stringify(input)}`;
      const solveHere = () => solve(input);
      if (known.current.has(key)) return known.current.get(key) as Output | null;
      const thread = drawn.current ? solverThread() : null;
      if (!thread?.ready) {
        const answer = solveHere();
        known.current.set(key, answer);
        return answer;
      }
      if (!asked.current.has(key)) {
        asked.current.add(key);
        const settle = (answer: unknown) => {
          known.current.set(key, answer);
          asked.current.delete(key);
          const oldest = known.current.keys().next();
          if (known.current.size > mostKept && !oldest.done) known.current.delete(oldest.value);
          setVersion((n) => n + 1);
        };
        // A worker that cannot be loaded must not leave the question open: then it is answered here.
        void thread.solver.solve(name, input).then(
          (result: SolverResult) => settle(result.status === 'solved' ? result.output : null),
          () => settle(solveHere()),
        );
      }
      return null;
    };
    return {
      version,
      by: everyPage ?? known,
      rim: (input: RimInput) => ask('rim', input, solveRim),
      seat: (input: SeatInput) => ask('seat', input, solveSeat),
      line: (input) => ask('body-line', input, groupsAnsweredHere.line),
      bore: (input) => ask('bore', input, groupsAnsweredHere.bore),
      hinge: (input) => ask('hinge', input, groupsAnsweredHere.hinge),
      joint: (input) => ask('joint', input, groupsAnsweredHere.joint),
    };
  }, [version]);
}
