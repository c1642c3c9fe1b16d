export function freePort(): Promise<number>;
export function portIsFree(port: number): Promise<boolean>;
export interface Cluster {
  start(say?: (text: string) => void): Promise<string>;
  stop(): boolean;
  crash(): Promise<void>;
  destroy(): void;
}
export function cluster(name: string, options?: { throwAway?: boolean; durable?: boolean }): Cluster;
