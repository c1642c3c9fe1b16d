import type { EntryBody } from '../job';
import { matchesMeasure } from '../readings';
import { isOpenStep, type Step } from './step';
import { workedAt } from './operationState';

/** What keeps a step from being done now. */
export type HeldUp =
  | { by: 'over' }
  | { by: 'step'; title: string; until: string | null }
  | { by: 'owner'; agreement: 'to-agree' | 'refused' }
  | { by: 'gate'; why: string }
  | { by: 'cautions'; cautions: readonly string[] };

const spoils = ({ spoils: measures }: Step, group: string, part: string) =>
  measures.some((pattern) => matchesMeasure(pattern, group, part));

/**
 * What keeps a step from being started or done now, the first of it; null when nothing does. A step in hand was let
 * through when it was started.
 *
 * @param accepted cautions that whoever does it has accepted
 * @param before steps taken as done before it: none of them is waited for any more unless it has to cure, and what one
 *   of them moves no longer opens a gate
 */
export function heldUp(step: Step, accepted: ReadonlySet<string>, before: readonly Step[] = []): HeldUp | null {
  if (!isOpenStep(step)) return { by: 'over' };
  if (step.status === 'started') return null;
  const waits = step.waitsFor.find(({ id }) => !before.some((each) => each.id === id && each.unattended === 0));
  if (waits) return { by: 'step', title: waits.title, until: waits.until };
  if (step.agreement === 'to-agree' || step.agreement === 'refused') return { by: 'owner', agreement: step.agreement };
  for (const { group, part, open, why } of step.gate) {
    if (!open) return { by: 'gate', why };
    const mover = before.find((each) => spoils(each, group, part));
    if (mover) return { by: 'gate', why: `“${mover.title}” moves what it asks for: read it again` };
  }
  const cautions = step.cautions.filter((caution) => !accepted.has(caution));
  return cautions.length > 0 ? { by: 'cautions', cautions } : null;
}

/**
 * Several steps done at once, in the order of the plan: what is written of each that can be done, and what keeps the
 * others. Only a clock says how long a step took: one that was never started is booked without minutes.
 *
 * @param steps of the plan, in its order
 * @param marked ids of those that are done
 * @param now ISO 8601
 */
export function doSteps(
  steps: readonly Step[],
  marked: ReadonlySet<string>,
  accepted: ReadonlySet<string>,
  now: string,
): { done: EntryBody<'operation-done'>[]; held: { step: Step; by: HeldUp }[] } {
  const before: Step[] = [];
  const done: EntryBody<'operation-done'>[] = [];
  const held: { step: Step; by: HeldUp }[] = [];
  for (const step of steps) {
    if (!marked.has(step.id)) continue;
    const by = heldUp(step, accepted, before);
    if (by) {
      held.push({ step, by });
      continue;
    }
    before.push(step);
    const started = step.status === 'started';
    done.push({
      operation: step.id,
      title: step.title,
      minutes: started && step.state ? Math.max(1, Math.round(workedAt(step.state, now))) : 0,
      disturbs: [...step.spoils],
      cures: step.cures,
      ...(step.takes.length > 0 && { takes: [...step.takes] }),
      ...(!started && step.cautions.length > 0 && { cautionsAccepted: step.cautions }),
    });
  }
  return { done, held };
}
