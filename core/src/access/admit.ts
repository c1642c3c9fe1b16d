import { roleMay, type Act, type Role } from './roles';
import { routeNeeds } from './routeRules';

/** Whoever asks, as far as that is known. */
export interface Asker {
  /** of the account */
  id: string;
  name: string;
  role: Role;
}

/**
 * How the shop is kept. `open`: nobody has a key yet, and it stands on this machine only. `shown`: a demo on this machine,
 * where whoever comes may look. `shut`: only those with a key come in.
 */
export type Keeping = 'open' | 'shown' | 'shut';

export type Admission = 'in' | 'sign-in' | 'not-yours';

/** May this be done by whoever asks? Null asks nobody in particular. */
export function admitAct(act: Act, asker: Asker | null, keeping: Keeping): Admission {
  if (keeping === 'open') return 'in';
  if (asker) return roleMay(asker.role, act) ? 'in' : 'not-yours';
  return keeping === 'shown' && act === 'look' ? 'in' : 'sign-in';
}

/** Is a request let in? Where it takes only a name, what is sent is admitted when it is read: see `actToWrite`. */
export function admit(method: string, path: string, asker: Asker | null, keeping: Keeping): Admission {
  if (keeping === 'open') return 'in';
  const needs = routeNeeds(method, path);
  if (needs === 'nothing') return 'in';
  if (needs === null) return asker ? 'not-yours' : 'sign-in';
  if (needs === 'named') return asker ? 'in' : 'sign-in';
  return admitAct(needs, asker, keeping);
}
