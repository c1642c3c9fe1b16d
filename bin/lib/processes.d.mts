export function folderOf(pid: number): string | null;
export function environmentOf(pid: number): Record<string, string>;
export function parentOf(pid: number): number;
export function stampOf(pid: number): string | null;
export function processesIn(folder: string): number[];
export function familyOf(pid: number): number[];
export function leftRunning(part: string, root: string): { pid: number; env: Record<string, string> }[];
export function endProcesses(pids: number[], first?: string): Promise<boolean>;
