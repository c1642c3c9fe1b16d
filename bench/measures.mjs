// What benchmarks have in common: how a figure is taken and how it is printed beside its target.
import { readFileSync } from 'node:fs';

export const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

export const report = (name, value, unit, target) =>
  console.log(`${name.padEnd(56)} ${value.toFixed(value < 10 ? 2 : 0).padStart(9)} ${unit.padEnd(5)} target ${target}`);

/** Memory of a process that is its own, MB. */
export const memory = (pid) =>
  Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024);
