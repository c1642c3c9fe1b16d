'use client';

import { roleMay, type Act } from '@holotonos/core';
import { useBench } from './BenchContext';

/**
 * May whoever has the bench do this? Where nobody has a key, everybody may; where nobody is signed in yet, the door asks who is
 * there. A page that offers nothing it would refuse spares a walk; what is refused is refused at the door all the same.
 */
export function useMay(act: Act): boolean {
  const { asker, keeping } = useBench();
  return keeping === 'open' || asker === null || roleMay(asker.role, act);
}
