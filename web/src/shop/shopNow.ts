import type { ShopState } from '@holotonos/core';
import { fetched } from '@/live/fetched';

/** The shop as the server has it; null where it does not answer: the next announcement brings it. */
export const shopNow = (): Promise<ShopState | null> => fetched<ShopState>('/api/v1/shop');
