export function takeLock(folder: string): () => void;
