'use client';

import { printQuantity, length, type ShopState } from '@holotonos/core';
import { useState } from 'react';
import type { WriteShop } from '@/shop/useShop';
import { useShippedTypes } from '@/shop/useShippedTypes';
import { ShopRow, ShopSection } from '@/ui/fields';

/** Rules of regulation that are asked otherwise of every instrument of a type; they are changed at the bench. */
export function RegulationRulesSection({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const [problem, setProblem] = useState<string | null>(null);
  const types = useShippedTypes();
  const asWas = async (instrument: string, rule: string) =>
    setProblem(await write('rule', { instrument, rule, withdrawn: true, reason: 'as it was' }));
  return (
    <ShopSection title="Rules of regulation">
      <p className="soft">
        What this shop wants otherwise of a rule, for every instrument of a type. Rules are changed on the page
        Regulation of a job.
      </p>
      {shop.rules.length === 0 && <p className="mb-0">All as they come with the instruments.</p>}
      <ul className="list-plain mb-0">
        {shop.rules.map(({ instrument, rule, asked, rank, range, words, reason }) => {
          const type = types.find(({ id }) => id === instrument);
          const name = words ?? type?.rules.find(({ id }) => id === rule)?.words ?? rule;
          const what = [
            asked === false && 'not asked',
            rank !== undefined && `rank ${rank}`,
            range && `${printQuantity(length(range[0] ?? 0), 'mm')} to ${printQuantity(length(range[1] ?? 0), 'mm')}`,
          ].filter(Boolean);
          return (
            <ShopRow
              key={`${instrument} ${rule}`}
              name={`${type?.name ?? instrument}: ${name}`}
              acts={[['As it was', () => void asWas(instrument, rule)]]}
            >
              {type?.name ?? instrument}: {name}{' '}
              <span className="soft">
                {what.join(', ')}. {reason}
              </span>
            </ShopRow>
          );
        })}
      </ul>
      {problem !== null && (
        <p role="alert" className="say fault">
          {problem}
        </p>
      )}
    </ShopSection>
  );
}
