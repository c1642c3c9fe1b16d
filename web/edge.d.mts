export interface Refusal {
  status: number;
  body: { error: string; message: string };
}
export function refusalOf(request: {
  method: string;
  url: string;
  headers: Record<string, string | string[] | undefined>;
  names: ReadonlySet<string>;
}): Refusal | null;
export function isBeyond(names: ReadonlySet<string>): boolean;
export function namesOf(told?: string): Set<string>;
export function guardsOf(nonce: string, beyond?: boolean): Record<string, string>;
