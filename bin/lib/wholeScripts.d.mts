export function markWhole(folder: string): void;
