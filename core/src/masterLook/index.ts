import type { JobState } from '../job';
import type { MasterLook } from './lookAsked.kind';

export type { MasterLook } from './lookAsked.kind';

/** Looks that wait for a master, oldest first. */
export const looksWaiting = ({ masterLooks }: Pick<JobState, 'masterLooks'>): MasterLook[] =>
  [...masterLooks.values()].filter(({ answer }) => answer === null);

/** The newest look that was asked for at a finding or a step; null where none was. */
export const lookAt = (
  { masterLooks }: Pick<JobState, 'masterLooks'>,
  about: MasterLook['about'],
  of: string,
): MasterLook | null => [...masterLooks.values()].findLast((look) => look.about === about && look.of === of) ?? null;

/** The look that sent a step back after it was done last; null where none did. @param doneSeq number of the entry that ended it */
export function sentBackSince(
  state: Pick<JobState, 'masterLooks'>,
  operation: string,
  doneSeq: number,
): MasterLook | null {
  const look = lookAt(state, 'operation', operation);
  return look?.answer && !look.answer.good && look.answer.seq > doneSeq ? look : null;
}
