export const neededNode: string;
export function isAtLeast(a: string, b: string): boolean;
export function nodeProblem(version: string, path: string): string | null;
