export function installKept(install: (...flags: string[]) => void): void;
