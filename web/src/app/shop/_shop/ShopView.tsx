'use client';

import type { ShopState } from '@holotonos/core';
import { ForThose } from '@/frame/ForThose';
import { UnreadOwn } from '@/shop/UnreadOwn';
import { useShop } from '@/shop/useShop';
import { GaugesSection } from './GaugesSection';
import { ProfilesSection } from './ProfilesSection';
import { RegulationRulesSection } from './RegulationRulesSection';
import { SizesSection } from './SizesSection';
import { SpringMaterialsSection } from './SpringMaterialsSection';

/** What belongs to the shop and not to a job: its gauges, the sizes in its drawers and its own sets of limits. */
export function ShopView({ first, now }: { first: ShopState; now: string }) {
  const { shop, write, put } = useShop(first);
  return (
    <>
      <UnreadOwn of="the shop" unread={shop.unread} strike={(body) => put('strike', body)} />
      <ForThose act="tools">
        <GaugesSection shop={shop} write={write} now={now} />
        <SizesSection shop={shop} write={write} />
        <SpringMaterialsSection shop={shop} write={write} put={put} />
      </ForThose>
      <ForThose act="shop">
        <RegulationRulesSection shop={shop} write={write} />
        <ProfilesSection shop={shop} write={write} put={put} />
      </ForThose>
    </>
  );
}
