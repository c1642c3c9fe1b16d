export interface Refusal {
  status: number;
  body: { error: string; message: string };
}
export function refusalOf(request: { method: string; url: string }): Refusal | null;
