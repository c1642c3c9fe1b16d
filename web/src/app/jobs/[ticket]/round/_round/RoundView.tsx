'use client';

import { useState } from 'react';
import { useJob } from '@/job/JobContext';
import { RoundPlanner } from './RoundPlanner';
import { RoundWalk } from './RoundWalk';

/** Rounds of a job: choose points and walk them, or take up one that was left. */
export function RoundView() {
  const { state } = useJob();
  const open = [...state.rounds.values()].filter(({ over }) => !over);
  const [chosen, setChosen] = useState<string | null>(null);
  const round = open.find((each) => each.round === chosen);
  return round ? (
    <RoundWalk key={round.round} round={round} onLeave={() => setChosen(null)} />
  ) : (
    <RoundPlanner open={open} onOpen={setChosen} />
  );
}
