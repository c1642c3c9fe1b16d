export function freePort(): Promise<number>;
export function portIsFree(port: number): Promise<boolean>;
export function programs(): string | null;
export interface Cluster {
  folder(): string;
  start(say?: (text: string) => void): Promise<string>;
  isRunning(): boolean;
  stop(): boolean;
  crash(): Promise<void>;
  destroy(): void;
}
export function cluster(name: string, options?: { throwAway?: boolean; durable?: boolean }): Cluster;
