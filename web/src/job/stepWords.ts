import {
  isLeast,
  isOpenStep,
  nextTitle,
  printQuantity,
  type HeldUp,
  type JobPlan,
  type LengthUnit,
  type ReachedAt,
  type Step,
} from '@holotonos/core';

export const statusWords: Record<Step['status'], string> = {
  done: 'done',
  skipped: 'skipped',
  started: 'in hand',
  curing: 'curing',
  ready: 'ready',
  waiting: 'waits',
};

/** Is it behind us? */
export const isOver = (step: Step): boolean => !isOpenStep(step);

/** A measure of the plan in words, such as `rim of E` or `every pad`. */
export function measureWords(measure: string, names: ReadonlyMap<string, string>): string {
  const [group = '', part = ''] = measure.split(':');
  return part === '*' ? `every ${group}` : `${group} of ${names.get(part) ?? part}`;
}

/** So many parts of a group are named; of more only their number is told. */
const mostNamed = 4;

/** What a step makes stale, group by group: few parts by their names, many by their number. */
export function spoiltWords(measures: readonly string[], names: ReadonlyMap<string, string>): string {
  const groups = new Map<string, string[]>();
  for (const measure of measures) {
    const [group = '', part = ''] = measure.split(':');
    groups.set(group, [...(groups.get(group) ?? []), part]);
  }
  return [...groups]
    .map(([group, parts]) => {
      if (parts.includes('*')) return `every ${group}`;
      if (parts.length > mostNamed) return `${group} of ${parts.length} parts`;
      return `${group} of ${parts.map((part) => names.get(part) ?? part).join(', ')}`;
    })
    .join('; ');
}

/** A limit to be reached, in words. */
export function reachWords({ name, words, unit: own, limit }: ReachedAt, unit: LengthUnit): string {
  if (limit === null) return `${words}: no limit is set for this kind of instrument`;
  const told = (value: number) => printQuantity({ value, unit: own }, unit);
  return typeof limit === 'number'
    ? `${words}: ${isLeast(name) ? '' : 'at most '}${told(limit)}`
    : `${words}: ${told(limit[0])} to ${told(limit[1])}`;
}

/** What hands should do next: a step, the readings a gate asks for, the owner's word, or waiting. */
export function nextWords(plan: JobPlan): string {
  const title = nextTitle(plan);
  if (title !== null) return title;
  const { steps } = plan;
  const held = steps.find(({ status, waitsFor }) => status === 'waiting' && waitsFor.length === 0);
  if (held?.agreement === 'to-agree') return `Ask the owner first: ${held.title}`;
  if (held?.agreement === 'refused') return `The owner refused: ${held.title}. Skip it or agree anew.`;
  const shut = held?.gate.find(({ open }) => !open);
  if (shut) return `Measure first: ${shut.why}`;
  return steps.some((step) => !isOver(step)) ? 'Nothing can start now' : 'Everything is done';
}

/** What keeps a step from being done, as a sentence. */
export function heldWords(by: HeldUp): string {
  switch (by.by) {
    case 'over':
      return 'It is behind us already.';
    case 'step':
      return by.until ? `“${by.title}” is still curing.` : `It waits for “${by.title}”.`;
    case 'owner':
      return by.agreement === 'refused' ? 'The owner does not want it.' : 'The owner has not agreed to it yet.';
    case 'gate':
      return `Its gate is closed: ${by.why}.`;
    case 'cautions':
      return 'Its cautions are not accepted yet today: they stand on its card.';
  }
}
