'use client';

import type { ShopState } from '@holotonos/core';
import { useShop } from '@/client/useShop';
import { GaugesSection } from './GaugesSection';
import { ProfilesSection } from './ProfilesSection';

/** What belongs to the shop and not to a job: its gauges and its own sets of limits. */
export function ShopView({ first, now }: { first: ShopState; now: string }) {
  const { shop, write } = useShop(first);
  return (
    <>
      <GaugesSection shop={shop} write={write} now={now} />
      <ProfilesSection shop={shop} write={write} />
    </>
  );
}
