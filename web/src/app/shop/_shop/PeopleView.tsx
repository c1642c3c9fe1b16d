'use client';

import type { ShopState } from '@holotonos/core';
import { ForThose } from '@/frame/ForThose';
import { useShop } from '@/shop/useShop';
import { HoursSection } from './HoursSection';
import { PeopleSection } from './PeopleSection';
import { PricesSection, RatesSection } from './PricesSection';

/** Whose hands there are and when, what an hour and a part cost. */
export function PeopleView({ first }: { first: ShopState }) {
  const { shop, write, put } = useShop(first);
  return (
    <ForThose act="shop">
      <PeopleSection shop={shop} write={write} put={put} />
      <HoursSection shop={shop} write={write} />
      <RatesSection shop={shop} write={write} />
      <PricesSection shop={shop} write={write} put={put} />
    </ForThose>
  );
}
