import { readGaugeLine, type GaugeReading } from './gaugeLine';

/** A person presses no faster than this; what comes faster is a device gone wild, ms. */
const fastest = 250;
/** A wild device is heard again after this long a silence, ms. */
const quietAfter = 1500;

/** What has come from one device, or from all that could not be told apart. */
export interface GateCounts {
  taken: number;
  bad: number;
  flooded: number;
  lastProblem: string;
}

export type Passed = { reading: GaugeReading } | { refused: 'bad' | 'flood'; problem: string };

/**
 * Lets readings through and counts what it keeps out: lines that are none, and floods. Of a flood the first figure
 * passes; the rest is held back until the device has been quiet, so that a stuck button cannot run a round to its end.
 * Time comes in as milliseconds; no clock is read here.
 */
export function gaugeGate() {
  const counts: GateCounts = { taken: 0, bad: 0, flooded: 0, lastProblem: '' };
  const last = new Map<string, { at: number; wild: boolean }>();
  return {
    counts: (): GateCounts => ({ ...counts }),
    pass: (line: string, now: number): Passed => {
      const read = readGaugeLine(line);
      if (!read.ok) {
        counts.bad += 1;
        counts.lastProblem = read.problem;
        return { refused: 'bad', problem: read.problem };
      }
      const { gauge } = read.reading;
      const before = last.get(gauge);
      const since = before ? now - before.at : Infinity;
      const wild = since < fastest || (before?.wild === true && since < quietAfter);
      last.set(gauge, { at: now, wild });
      if (wild) {
        counts.flooded += 1;
        counts.lastProblem = `${read.reading.name} sends faster than anyone can press`;
        return { refused: 'flood', problem: counts.lastProblem };
      }
      counts.taken += 1;
      return { reading: read.reading };
    },
  };
}
