import type { SpawnOptions } from 'node:child_process';

export class Plain extends Error {}
export function showAtOnce(
  command: string,
  args: readonly string[],
  options?: SpawnOptions & { isDone?: () => boolean; lingerMs?: number },
): Promise<number>;
