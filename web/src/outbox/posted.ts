import type { Problem } from '@holotonos/core';
import { askWho } from '@/frame/askWho';
import type { AnyNew, Sent } from './entryQueue';

/** Nothing is waited for longer, ms: a connection whose other end went away may never say so, and the next try finds a new one. */
const longestMs = 30_000;

/** Answers after which the same entry may be taken a little later. */
const later = new Set([428, 429, 502, 503, 504, 507]);

/**
 * Sends one entry. Sending it twice is harmless: the server knows it by its id.
 *
 * @param read takes what it is to be told out of an answer; undefined where that is no answer of ours
 */
export async function post<Taken>(
  address: string,
  entry: AnyNew,
  read: (answer: unknown) => Taken | undefined,
): Promise<Sent<Taken>> {
  let response: Response;
  try {
    response = await fetch(address, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(entry),
      signal: AbortSignal.timeout(longestMs),
    });
  } catch {
    return { status: 'unreachable' };
  }
  if (response.status === 401) {
    // It waits until somebody has said who is there.
    window.dispatchEvent(new Event(askWho));
    return { status: 'unreachable', asksWho: true };
  }
  if (later.has(response.status)) return { status: 'unreachable' };
  try {
    const body: unknown = await response.json();
    const taken = response.ok ? read(body) : undefined;
    if (taken !== undefined) return { status: 'acknowledged', taken };
    const { problems, message } = body as { problems?: Problem[]; message?: string };
    return { status: 'refused', problems: problems ?? [{ path: '', message: message ?? 'was refused' }] };
  } catch {
    // An answer that broke off says nothing; one that is no answer of ours says that it will not be taken.
    if (response.ok) return { status: 'unreachable' };
    return {
      status: 'refused',
      problems: [{ path: '', message: `was answered with ${response.status} and no reason` }],
    };
  }
}
