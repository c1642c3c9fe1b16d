import { lockJob } from './logbook';
import type { Database } from './database';
import { shopState } from './shop';
import { basisOf, outdatedJobs, writeSummary } from './summaries';

/** Jobs looked for at once. */
const together = 50;

/**
 * Works out anew what is no longer true in the lists: the shop's own work or the program has changed, something has
 * cured, or a logbook has grown past this program. Job by job, each in a transaction of its own; stopping keeps what is
 * done.
 *
 * @param most jobs to look after at most
 * @returns how many were worked out, and whether some are left
 */
export async function refreshSummaries(
  db: Database,
  now: string,
  most = Infinity,
  signal?: AbortSignal,
): Promise<{ done: number; left: boolean }> {
  let done = 0;
  for (;;) {
    const { key } = basisOf(await shopState(db));
    const wanted = Math.min(together, most - done);
    const jobs = await outdatedJobs(db, key, now, wanted + 1);
    if (jobs.length === 0) return { done, left: false };
    if (wanted <= 0 || signal?.aborted) return { done, left: true };
    for (const job of jobs.slice(0, wanted)) {
      if (signal?.aborted) break;
      await db.transaction(async (tx) => writeSummary(tx, job, await lockJob(tx, job.id), now));
      done += 1;
    }
  }
}
