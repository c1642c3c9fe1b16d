'use client';

import {
  currencyOf,
  parseNumber,
  inUse,
  costKinds,
  freshId,
  idsOf,
  minorUnits,
  moneyText,
  shippedOperations,
  typedSum,
  type CostKind,
  type Price,
  type ShopState,
} from '@holotonos/core';
import { useState } from 'react';
import { Button } from '@/ui/bootstrap';
import type { PutShop, WriteShop } from '@/shop/useShop';
import { Problem, ShopRow, ShopSection } from '@/ui/fields';
import { TypedChoice, TypedEnd, TypedText } from '@/ui/typedFields';
import { useTypedForm } from '@/ui/useTypedForm';
import { stepTitle } from '@/shop/stepTitle';

/** What an hour costs, the tax on it and how sums are rounded. */
export function RatesSection({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const { rates } = shop;
  const plain = (minor: number) => typedSum(minor, currencyOf(shop));
  const start = {
    currency: currencyOf(shop),
    hour: rates ? plain(rates.hourly) : '',
    tax: String(rates?.taxPercent ?? 0),
    round: rates ? plain(rates.roundTo) : '1',
  };
  const { control, submit, problem, taken, isSending } = useTypedForm(start, ({ currency, hour, tax, round }) => {
    const [hourly, roundTo, taxPercent] = [minorUnits(hour, currency), minorUnits(round, currency), parseNumber(tax)];
    if (hourly === null)
      return { at: 'hour', words: `An hour costs: type a sum in ${currency}, such as 64.50.` } as const;
    if (roundTo === null || roundTo < 1)
      return { at: 'round', words: 'Rounded to: type a sum, such as 0.50 or 1.' } as const;
    if (taxPercent === null) return { at: 'tax', words: 'Tax: type a figure, such as 19.' } as const;
    return write('rates', { currency, hourly, taxPercent, roundTo });
  });
  return (
    <ShopSection title="What an hour costs">
      <form onSubmit={submit}>
        <div className="shop-form">
          <TypedText control={control} name="currency" label="Currency" tidy={(typed) => typed.toUpperCase()} />
          <TypedText control={control} name="hour" label="An hour costs, without tax" inputMode="decimal" />
          <TypedText control={control} name="tax" label="Tax, %" inputMode="decimal" />
          <TypedText control={control} name="round" label="Sums rounded to" inputMode="decimal" />
        </div>
        <div className="d-flex align-items-center gap-3 mt-2">
          <Button type="submit">Keep the rates</Button>
          {taken && !isSending && <span role="status">Kept.</span>}
        </div>
        <Problem problem={problem} />
      </form>
    </ShopSection>
  );
}

const perWords: Record<Price['per'], string> = {
  step: 'once',
  pads: 'for each pad',
  keys: 'for each key',
  holes: 'for each hole',
};
const kindWords: Record<CostKind, string> = { part: 'Part', material: 'Material', outside: 'Work outside' };
const pers = Object.keys(perWords) as Price['per'][];

const newPrice: { what: string; kind: CostKind; sum: string; per: Price['per']; operation: string } = {
  what: '',
  kind: 'material',
  sum: '',
  per: 'step',
  operation: 'renew-pads',
};

function PriceForm({ shop, write, done }: { shop: ShopState; write: WriteShop; done: () => void }) {
  const currency = currencyOf(shop);
  const names = [...shippedOperations.keys(), ...shop.operations.map(({ id }) => id)];
  const { control, submit, problem } = useTypedForm(
    newPrice,
    ({ what, kind, sum, per, operation }) => {
      const amount = minorUnits(sum, currency);
      if (amount === null) return { at: 'sum', words: `Costs: type a sum in ${currency}, such as 2.40.` } as const;
      const id = freshId(what, 'price', idsOf(shop.prices));
      return write('price', { id, what: what.trim(), kind, amount, per, operations: [operation] });
    },
    done,
  );
  return (
    <form className="shop-form" onSubmit={submit}>
      <TypedText control={control} name="what" label="What" />
      <TypedChoice
        control={control}
        name="kind"
        label="Kind"
        choices={costKinds.map((each) => [each, kindWords[each]])}
      />
      <TypedText control={control} name="sum" label={`Costs, ${currency} without tax`} inputMode="decimal" />
      <TypedChoice control={control} name="per" label="Counted" choices={pers.map((each) => [each, perWords[each]])} />
      <TypedChoice
        control={control}
        name="operation"
        label="With the step"
        choices={names.map((name) => [name, stepTitle(shop, name)])}
      />
      <TypedEnd control={control} needs={['what']} action="Keep this price" onBack={done} problem={problem} />
    </form>
  );
}

/** What steps use up: counted into every estimate whose plan has the step. */
export function PricesSection({ shop, write, put }: { shop: ShopState; write: WriteShop; put: PutShop }) {
  const [open, setOpen] = useState(false);
  const currency = currencyOf(shop);
  const prices = inUse(shop.prices);
  return (
    <ShopSection title="Prices of parts and materials" add="Add a price" onAdd={() => setOpen(true)}>
      {prices.length === 0 && !open && <p className="mb-0">None yet: estimates count hours only.</p>}
      <ul className="list-plain mb-0">
        {prices.map((price) => (
          <ShopRow
            key={price.id}
            name={price.what}
            acts={[['Put away', () => put('price', { ...price, retired: true })]]}
          >
            {price.what}, {moneyText(price.amount, currency)} {perWords[price.per]}{' '}
            <span className="soft">with “{price.operations.map((name) => stepTitle(shop, name)).join('”, “')}”</span>
          </ShopRow>
        ))}
      </ul>
      {open && <PriceForm shop={shop} write={write} done={() => setOpen(false)} />}
    </ShopSection>
  );
}
