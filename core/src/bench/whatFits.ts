import type { BenchJob } from './benchRow';

/** A step that can be done in the time there is, and why it is the one to take. */
export interface FittingStep {
  ticket: string;
  id: string;
  title: string;
  minutes: number;
  reason: string;
}

/**
 * Steps of several jobs that can start now and fit into so many minutes, best first: what then cures by itself, then
 * what opens most of the rest, then the nearer date.
 *
 * @param minutes time at hand; the likely time of a step must fit
 */
export function whatFits(jobs: readonly BenchJob[], minutes: number): FittingStep[] {
  const fitting = jobs.flatMap(({ ticket, dueBy, open: steps }) =>
    steps
      .filter(({ status, minutes: { likely } }) => status === 'ready' && likely <= minutes)
      .map((step) => ({
        ticket,
        step,
        dueBy: dueBy ?? '9999',
        opens: steps.filter(({ waitsFor }) => waitsFor.includes(step.id)).length,
      })),
  );
  fitting.sort(
    (a, b) =>
      b.step.unattended - a.step.unattended ||
      b.opens - a.opens ||
      a.dueBy.localeCompare(b.dueBy) ||
      a.ticket.localeCompare(b.ticket) ||
      b.step.minutes.likely - a.step.minutes.likely,
  );
  return fitting.map(({ ticket, step, opens }) => ({
    ticket,
    id: step.id,
    title: step.title,
    minutes: step.minutes.likely,
    reason:
      step.unattended > 0
        ? 'It then cures by itself while other work goes on.'
        : opens > 0
          ? `${opens} ${opens === 1 ? 'step waits' : 'steps wait'} for it.`
          : 'It stands by itself.',
  }));
}
