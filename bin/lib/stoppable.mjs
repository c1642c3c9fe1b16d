import { endProcesses, familyOf } from './processes.mjs';
import { Plain } from './run.mjs';

/**
 * Makes a long run one that can be stopped: told to, it ends whatever it has begun, and goes no further than where it asks.
 * Told a second time it dies at once.
 *
 * @returns what throws Plain once the run has been told to stop
 */
export function stoppable() {
  let told = null;
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.once(signal, () => {
      told ??= signal;
      console.error(`Told to stop (${signal}): what was begun is ended. Again, and it stops at once.`);
      void endProcesses(familyOf(process.pid));
    });
  return () => {
    if (told) throw new Plain(`Stopped (${told}) before all was asked.`);
  };
}
