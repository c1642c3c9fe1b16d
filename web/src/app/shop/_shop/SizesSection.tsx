'use client';

import { sizeKinds, sizeWords, type ShopState, type SizeKind } from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import type { WriteShop } from '@/shop/useShop';
import { FormEnd } from '@/ui/FormEnd';
import { ShopRow, ShopSection } from '@/ui/fields';
import { TypedText } from '@/ui/typedFields';
import { useTypedForm } from '@/ui/useTypedForm';
import { parseSizes, sizesText } from './sizesText';

function SizesForm({
  kind,
  shop,
  write,
  done,
}: {
  kind: SizeKind;
  shop: ShopState;
  write: WriteShop;
  done: () => void;
}) {
  const { control, submit, problem } = useTypedForm(
    { text: sizesText(shop.sizes[kind]) },
    ({ text }) => {
      const sizes = parseSizes(text);
      return sizes.ok ? write('sizes', { [kind]: sizes.mm }) : sizes.problem;
    },
    done,
  );
  return (
    <form onSubmit={submit}>
      <TypedText control={control} name="text" label={sizeWords[kind]} placeholder="0.05 0.1 0.15" />
      <p className="soft mb-0">
        All there are, with spaces between; millimetres where no unit is named: 4.3, 0.005in, 3/16in, 2thou.
      </p>
      <FormEnd action="Keep these sizes" disabled={false} onBack={done} problem={problem} />
    </form>
  );
}

/** What lies in the drawers by size: advice names nothing that is not there. */
export function SizesSection({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const [open, setOpen] = useState<SizeKind | null>(null);
  return (
    <ShopSection title="Sizes in the drawers">
      <p className="soft">
        What is advised at hinges, pads, dents and stripped posts is made of these. What has its place in a drawer is
        counted there: <Link href="/stock">Stock</Link>.
      </p>
      <ul className="list-plain mb-0">
        {sizeKinds.map((kind) =>
          open === kind ? (
            <li key={kind}>
              <SizesForm kind={kind} shop={shop} write={write} done={() => setOpen(null)} />
            </li>
          ) : (
            <ShopRow
              key={kind}
              name={sizeWords[kind]}
              acts={shop.stocked.includes(kind) ? [] : [['Change', () => setOpen(kind)]]}
            >
              {sizeWords[kind]}: {shop.sizes[kind].length > 0 ? `${sizesText(shop.sizes[kind])} mm` : 'none'}
              {shop.stocked.includes(kind) && <span className="soft"> (as they lie in the drawers)</span>}
            </ShopRow>
          ),
        )}
      </ul>
    </ShopSection>
  );
}
