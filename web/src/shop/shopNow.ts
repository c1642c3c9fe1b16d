import type { ShopState } from '@holotonos/core';

/** The shop as the server has it; null where it does not answer: the next announcement brings it. */
export async function shopNow(): Promise<ShopState | null> {
  const response = await fetch('/api/v1/shop').catch(() => null);
  return response?.ok ? ((await response.json()) as ShopState) : null;
}
