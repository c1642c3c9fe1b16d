import type { ShopState } from '@holotonos/core';
import { ownLogNow } from './ownLogNow';

/** The shop as the server has it; null where it does not answer: the next announcement brings it. */
export const shopNow = (): Promise<ShopState | null> => ownLogNow<ShopState>('/api/v1/shop');
