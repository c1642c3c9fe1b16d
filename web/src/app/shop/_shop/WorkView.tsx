'use client';

import type { ShopState } from '@holotonos/core';
import { ForThose } from '@/frame/ForThose';
import { useShop } from '@/shop/useShop';
import { CautionsSection } from './CautionsSection';
import { RulesSection } from './RulesSection';
import { StepsSection } from './StepsSection';

/** The shop's own steps, rules and cautions. */
export function WorkView({ first }: { first: ShopState }) {
  const { shop, write, put } = useShop(first);
  return (
    <ForThose act="shop">
      <StepsSection shop={shop} write={write} put={put} />
      <RulesSection shop={shop} write={write} put={put} />
      <CautionsSection shop={shop} write={write} />
    </ForThose>
  );
}
