export const checks: string[];
export const help: string;
export function chosenChecks(args: string[]): Set<string>;
export function countsOf(report: object | null, code: number): { passed: number; failed: number };
export function closing(tally: { passed: number; failed: number }[], broke: boolean): { line: string; code: number };
export function storyZone(now?: Date, machine?: string): string;
