'use client';

import { cautions, freshId, cautionWords, deferral, shippedOperations, type ShopState } from '@holotonos/core';
import { useState } from 'react';
import type { WriteShop } from '@/shop/useShop';
import { ShopRow, ShopSection } from '@/ui/fields';
import { TypedChoice, TypedEnd, TypedText } from '@/ui/typedFields';
import { useTypedForm } from '@/ui/useTypedForm';
import { plainTitle } from '@/shop/stepTitle';

/** Every caution there is: those that ship, then the shop's own. */
export const cautionIds = ({ cautions: own }: ShopState): string[] => [
  ...Object.keys(cautions),
  ...own.map(({ id }) => id).filter((id) => !Object.hasOwn(cautions, id)),
];

function CautionForm({
  id,
  shop,
  write,
  done,
}: {
  /** empty for a new one */
  id: string;
  shop: ShopState;
  write: WriteShop;
  done: () => void;
}) {
  const said = id === '' ? null : cautionWords(shop.cautions, id);
  const own = shop.cautions.find((each) => each.id === id);
  // A new one goes with a step; one that is known stays with its own.
  const isNew = said === null;
  const start = { text: said?.text ?? '', reason: '', step: '' };
  const { control, submit, problem } = useTypedForm(
    start,
    ({ text, reason, step }) => {
      return write('caution', {
        id: id || freshId(text.slice(0, 30), 'caution', cautionIds(shop)),
        text: text.trim(),
        operations: isNew ? [step] : [...(own?.operations ?? [])],
        reason: reason.trim(),
      });
    },
    done,
  );
  return (
    <form onSubmit={submit}>
      <TypedText control={control} name="text" label="The caution in the shop’s words" rows={2} />
      {said?.shipped != null && <p className="soft mb-0">As it ships: {said.shipped}</p>}
      {isNew && (
        <TypedChoice
          control={control}
          name="step"
          label="Goes with the step"
          choices={[
            ['', 'choose'],
            ...[...shippedOperations].map(([name, { title }]) => [name, plainTitle(title)] as const),
          ]}
        />
      )}
      <TypedText control={control} name="reason" label="Why it is worded so" />
      <TypedEnd
        control={control}
        needs={isNew ? ['text', 'reason', 'step'] : ['text', 'reason']}
        action="Keep these words"
        onBack={done}
        problem={problem}
      />
    </form>
  );
}

/** Cautions in the shop's words. They can be put otherwise and added to; none can be taken away. */
export function CautionsSection({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const [open, setOpen] = useState<string | null>(null);
  return (
    <ShopSection title="Cautions" add="Add a caution" onAdd={() => setOpen('')}>
      <p className="soft">
        Each can be put into the shop’s own words, with the reason. None can be taken away, and under every one stands:{' '}
        {deferral}
      </p>
      {open !== null ? (
        <CautionForm key={open} id={open} shop={shop} write={write} done={() => setOpen(null)} />
      ) : (
        <ul className="list-plain mb-0">
          {cautionIds(shop).map((caution) => {
            const { text, shipped, reason } = cautionWords(shop.cautions, caution);
            return (
              <ShopRow key={caution} name={text} acts={[['Word it otherwise', () => setOpen(caution)]]}>
                {text}{' '}
                {reason !== null && (
                  <span className="soft">
                    ({shipped === null ? 'our own' : 'our words'}: {reason})
                  </span>
                )}
              </ShopRow>
            );
          })}
        </ul>
      )}
    </ShopSection>
  );
}
