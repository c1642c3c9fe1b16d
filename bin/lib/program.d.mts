export function programOf(source: string, into?: string): Promise<string | null>;
export function startOf(source: string, into?: string): Promise<string[]>;
