import type { Role } from '@holotonos/core';
import { forgetPages } from './keeper';

/** Somebody who may take over at this bench; a demo shows the number too. */
export interface Taker {
  id: string;
  name: string;
  role: Role;
  pin?: string;
}

/** Who may come in here, and how. */
export interface Door {
  people: Taker[];
  /** this browser is a bench of the shop */
  bench: boolean;
  /** nobody has a key yet: whoever comes first is the owner */
  first: boolean;
  signedIn: string | null;
}

export type Answer<T> = { ok: true; body: T } | { ok: false; message: string };

/** After these somebody else is there, or nobody: what was kept was for other eyes. */
const changesHands = /^\/(?:sign-in|sign-out|hands|first-owner)\b/;

/** Asks the door something; what went wrong comes back in words. */
export async function askDoor<T>(path: string, body?: object): Promise<Answer<T>> {
  let response: Response;
  try {
    response = await fetch(`/api/auth${path}`, {
      ...(body && { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
    });
  } catch {
    return { ok: false, message: 'The server does not answer. Try again in a moment.' };
  }
  const said = (await response.json().catch(() => null)) as (T & { message?: string }) | null;
  if (response.ok && body && changesHands.test(path)) forgetPages();
  if (response.ok && said) return { ok: true, body: said };
  if (response.status === 429 && !said?.message)
    return { ok: false, message: 'Too often in a short time. Wait a minute, then try again.' };
  return { ok: false, message: said?.message ?? `It was answered with ${response.status} and no reason.` };
}

/** The door as it is now. */
export const readDoor = (): Promise<Answer<Door>> => askDoor<Door>('/people');
