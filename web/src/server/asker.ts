import 'server-only';
import { actToWrite, roleMay, type Asker, type JobState, type Keeping, type Role } from '@holotonos/core';
import { unnamed } from '@/job/unnamed';
import { askerHeader, keepingHeader } from './gateHeaders';

/** Whoever asks, as the door has found out; null where nobody has a key yet, and for those who only look. */
export function askerIn(headers: Pick<Headers, 'get'>): Asker | null {
  const packed = headers.get(askerHeader);
  return packed === null ? null : (JSON.parse(Buffer.from(packed, 'base64url').toString('utf8')) as Asker);
}

/** How the shop is kept, as the door has found out. */
export const keepingIn = (headers: Pick<Headers, 'get'>): Keeping => (headers.get(keepingHeader) ?? 'open') as Keeping;

const refuse = (error: string, message: string) => Response.json({ error, message }, { status: 403 });
const notFor = ({ name, role }: { name: string; role: Role }, what: string) =>
  refuse('not-yours', `${name} may not write this as ${role}: ${what}. An owner, or somebody who may, does it.`);

type Signed = { ok: true; data: unknown } | { ok: false; response: Response };

/** What stands under something that nobody has signed yet. */
const nobodys = new Set(['', unnamed]);

/**
 * An entry signed by whoever is signed in, whatever it says itself; refused where the role does not write such entries, and
 * where it was written by other hands and only sent now.
 */
export function signed(request: Request, data: unknown, log: 'job' | 'shop' | 'stock', state?: JobState): Signed {
  const asker = askerIn(request.headers);
  if (!asker || typeof data !== 'object' || data === null) return { ok: true, data };
  const { kind, author, body } = data as { kind?: unknown; author?: unknown; body?: { entry?: unknown } };
  if (typeof author === 'string' && !nobodys.has(author) && author !== asker.name)
    return {
      ok: false,
      response: refuse(
        'other-hands',
        `This was written by ${author.slice(0, 80)}, and ${asker.name} is signed in. Whoever wrote it sends it.`,
      ),
    };
  const acts = [actToWrite(log, kind)];
  // Taking back takes what writing took.
  if (kind === 'strike' && state && typeof body?.entry === 'string')
    acts.push(actToWrite(log, state.byId.get(body.entry)?.kind));
  if (acts.some((act) => act !== null && !roleMay(asker.role, act)))
    return { ok: false, response: notFor(asker, String(kind)) };
  return { ok: true, data: { ...data, author: asker.name } };
}
