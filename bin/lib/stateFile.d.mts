export function readState(file: string): Record<string, unknown> | null;
export function writeState(file: string, data: object): void;
