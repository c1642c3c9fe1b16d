export const chromiumArgs: string[];
export function chromiumPath(): string;
