export function freePort(): Promise<number>;
export function portIsFree(port: number): Promise<boolean>;
