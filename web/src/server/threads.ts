import { resolve } from 'node:path';
import { pool, type Pool } from 'workerpool';

/**
 * Threads of the web process that run a script beside the requests.
 *
 * @param script from the folder the process was started in
 * @param most threads at once
 * @param waiting how many calls may wait for one
 */
export const threads = (script: string, most: number, waiting: number): Pool =>
  pool(resolve(script), { workerType: 'thread', maxWorkers: most, maxQueueSize: waiting });

/** Does as much wait already as may? Whoever comes now is to come back. */
export const isFull = (of: Pool): boolean => of.stats().pendingTasks >= of.maxQueueSize;
