'use client';

import type { ShopState } from '@holotonos/core';
import { ForThose } from '@/frame/ForThose';
import { useShop } from '@/shop/useShop';
import { CautionsSection } from './CautionsSection';
import { RulesSection } from './RulesSection';
import { StepsSection } from './StepsSection';

/** The shop's own steps, rules and cautions. */
export function WorkView({ first }: { first: ShopState }) {
  const { shop, write } = useShop(first);
  return (
    <ForThose act="shop">
      <StepsSection shop={shop} write={write} />
      <RulesSection shop={shop} write={write} />
      <CautionsSection shop={shop} write={write} />
    </ForThose>
  );
}
