'use client';

import { roleMay, roles, roleWords, type Act } from '@holotonos/core';
import type { ReactNode } from 'react';
import { useMay } from './useMay';

/** Who may do this, in words: “an owner or a technician”. */
const whoMay = (act: Act): string =>
  roles
    .filter((role) => roleMay(role, act))
    .map((role) => roleWords[role].title.toLowerCase())
    .map((title) => `${/^[aeiou]/.test(title) ? 'an' : 'a'} ${title}`)
    .join(' or ');

/**
 * Part of a page that some may only look at: for them it stands as it is, shut, and says who changes it. What it would
 * write is refused at the door all the same.
 */
export function ForThose({ act, children }: { act: Act; children: ReactNode }) {
  if (useMay(act)) return children;
  return (
    <fieldset disabled className="for-those">
      <legend className="soft fs-6">To look at: changed by {whoMay(act)}.</legend>
      {children}
    </fieldset>
  );
}
