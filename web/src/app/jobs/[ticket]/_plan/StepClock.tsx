'use client';

import { clocksOf, runningClocks, workedAt, type Step } from '@holotonos/core';
import { useEffect, useState } from 'react';
import { Button } from '@/ui/bootstrap';
import { FigureForm, numberThat } from '@/ui/FigureForm';
import { useJob } from '@/job/JobContext';
import { minutesText } from '@/ui/words';
import { useWhen } from '@/frame/BenchContext';

const tickMs = 1000;

const clockText = (minutes: number) => {
  const seconds = Math.max(0, Math.floor(minutes * 60));
  const two = (n: number) => String(n).padStart(2, '0');
  const hours = Math.floor(seconds / 3600);
  return `${hours > 0 ? `${hours}:` : ''}${two(Math.floor((seconds % 3600) / 60))}:${two(seconds % 60)}`;
};

const noTitles = new Map<string, string>();

/** The clock of a step in hand: it runs, pauses, goes on, and can be set right when it was forgotten. */
export function StepClock({ step }: { step: Step }) {
  const { momentText, zone } = useWhen();
  const { state, write, now } = useJob();
  const [tick, setTick] = useState(now);
  const [asking, setAsking] = useState(false);
  const operation = step.state;
  const runs = operation?.runningSince != null;
  useEffect(() => {
    if (!runs) return;
    const timer = setInterval(() => setTick(new Date().toISOString()), tickMs);
    return () => clearInterval(timer);
  }, [runs]);
  if (!operation || step.status !== 'started') return null;
  const at = tick > now ? tick : now;
  const forgotten = runningClocks(clocksOf(state, noTitles), new Map([[step.id, step.minutes.high]]), at, zone).find(
    (clock) => clock.operation === step.id && clock.forgotten,
  );
  const turn = (act: 'pause' | 'resume') => write('timer', { operation: step.id, act });
  return (
    <section aria-label="Clock" className={`clock ${forgotten ? 'say attention' : ''}`}>
      <span className="clock-face" role="timer" aria-label="Worked so far">
        {clockText(workedAt(operation, at))}
      </span>
      <span className="soft">
        {runs ? 'running' : 'standing'} · likely {minutesText(step.minutes.likely)}
      </span>
      <Button variant="quiet" onClick={() => turn(runs ? 'pause' : 'resume')}>
        {runs ? 'Pause' : 'Go on'}
      </Button>
      <Button variant="quiet" onClick={() => setAsking(!asking)} aria-expanded={asking}>
        Set it right …
      </Button>
      {forgotten && (
        <p className="mb-0 w-100" role="status">
          It has run since {momentText(forgotten.since)}. Was it forgotten? Say how long the work really took.
        </p>
      )}
      {(asking || forgotten) && (
        <FigureForm
          label="Really worked so far, minutes"
          action="Set the clock"
          className="w-100"
          read={numberThat((minutes) => minutes >= 0, 'Type minutes, 0 or more.')}
          onTaken={(minutes) => {
            const taken = write('timer', { operation: step.id, act: 'set', minutes });
            if (taken) setAsking(false);
            return taken;
          }}
        />
      )}
    </section>
  );
}
