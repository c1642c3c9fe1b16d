export function bodyAt(path: string): { most: number; types: readonly string[] };
export function weightText(bytes: number): string;
