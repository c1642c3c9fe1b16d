import type { Role } from '@holotonos/core';
import type { Database } from '../database';
import { hasKeys, makeKey } from './keys';

/** The people of the made-up workshop, with the numbers that stand on the page where one signs in. */
export const demoPeople: readonly { name: string; role: Role; pin: string; person: string }[] = [
  { name: 'Ottoline Marsh', role: 'owner', pin: '1204', person: 'ottoline' },
  { name: 'Perrin Oake', role: 'technician', pin: '2718', person: 'perrin' },
  { name: 'Juno Tam', role: 'apprentice', pin: '3141', person: 'juno' },
];

/** Gives the people of the demo their keys, where nobody has one yet. */
export async function loadDemoKeys(db: Database): Promise<number> {
  if (await hasKeys(db)) return 0;
  for (const each of demoPeople) await makeKey(db, each, { demo: true });
  return demoPeople.length;
}
