'use client';

import type { ShopState } from '@holotonos/core';
import { useShop } from '@/shop/useShop';
import { ShopRow } from '@/ui/fields';
import { GaugesSection } from './GaugesSection';
import { ProfilesSection } from './ProfilesSection';
import { RegulationRulesSection } from './RegulationRulesSection';
import { SizesSection } from './SizesSection';
import { SpringMaterialsSection } from './SpringMaterialsSection';

/** More than this helps nobody; striking brings up the next. */
const mostUnread = 8;

/** What belongs to the shop and not to a job: its gauges, the sizes in its drawers and its own sets of limits. */
export function ShopView({ first, now }: { first: ShopState; now: string }) {
  const { shop, write } = useShop(first);
  return (
    <>
      {shop.unread.length > 0 && (
        <section className="say attention mb-3" aria-label="Entries that cannot be read">
          <strong>What these entries of the shop said cannot be read any more.</strong> Everything else goes on without
          them.
          <ul className="list-plain mb-0">
            {shop.unread.slice(0, mostUnread).map(({ entry, kind, problem }) => (
              <ShopRow
                key={entry}
                name={kind}
                acts={[['Strike it', () => void write('strike', { entry, reason: 'It could not be read.' })]]}
              >
                {kind}: {problem}
              </ShopRow>
            ))}
          </ul>
        </section>
      )}
      <GaugesSection shop={shop} write={write} now={now} />
      <SizesSection shop={shop} write={write} />
      <SpringMaterialsSection shop={shop} write={write} />
      <RegulationRulesSection shop={shop} write={write} />
      <ProfilesSection shop={shop} write={write} />
    </>
  );
}
