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
import type { WriteShop } from '@/shop/useShop';
import { FormEnd } from '@/ui/FormEnd';
import { ChoiceField, Problem, ShopRow, ShopSection, TextField } from '@/ui/fields';
import { stepTitle } from '@/shop/stepTitle';

/** What an hour costs, the tax on it and how sums are rounded. */
export function RatesSection({ shop, write }: { shop: ShopState; write: WriteShop }) {
  const { rates } = shop;
  const [currency, setCurrency] = useState(currencyOf(shop));
  const plain = (minor: number) => typedSum(minor, currency);
  const [hour, setHour] = useState(rates ? plain(rates.hourly) : '');
  const [tax, setTax] = useState(String(rates?.taxPercent ?? 0));
  const [round, setRound] = useState(rates ? plain(rates.roundTo) : '1');
  const [problem, setProblem] = useState<string | null>(null);
  const [kept, setKept] = useState(false);
  const submit = async () => {
    setKept(false);
    const [hourly, roundTo, taxPercent] = [minorUnits(hour, currency), minorUnits(round, currency), parseNumber(tax)];
    if (hourly === null) return setProblem(`An hour costs: type a sum in ${currency}, such as 64.50.`);
    if (roundTo === null || roundTo < 1) return setProblem('Rounded to: type a sum, such as 0.50 or 1.');
    if (taxPercent === null) return setProblem('Tax: type a figure, such as 19.');
    const wrong = await write('rates', { currency, hourly, taxPercent, roundTo });
    setProblem(wrong);
    setKept(wrong === null);
  };
  return (
    <ShopSection title="What an hour costs">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <div className="shop-form">
          <TextField label="Currency" value={currency} set={(text) => setCurrency(text.toUpperCase())} />
          <TextField label="An hour costs, without tax" inputMode="decimal" value={hour} set={setHour} />
          <TextField label="Tax, %" inputMode="decimal" value={tax} set={setTax} />
          <TextField label="Sums rounded to" inputMode="decimal" value={round} set={setRound} />
        </div>
        <div className="d-flex align-items-center gap-3 mt-2">
          <Button type="submit">Keep the rates</Button>
          {kept && <span role="status">Kept.</span>}
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

function PriceForm({ shop, write, done }: { shop: ShopState; write: WriteShop; done: () => void }) {
  const currency = currencyOf(shop);
  const [what, setWhat] = useState('');
  const [kind, setKind] = useState<CostKind>('material');
  const [sum, setSum] = useState('');
  const [per, setPer] = useState<Price['per']>('step');
  const [operation, setOperation] = useState('renew-pads');
  const [problem, setProblem] = useState<string | null>(null);
  const names = [...shippedOperations.keys(), ...shop.operations.map(({ id }) => id)];
  const submit = async () => {
    const amount = minorUnits(sum, currency);
    if (amount === null) return setProblem(`Costs: type a sum in ${currency}, such as 2.40.`);
    const id = freshId(what, 'price', idsOf(shop.prices));
    const wrong = await write('price', { id, what: what.trim(), kind, amount, per, operations: [operation] });
    setProblem(wrong);
    if (wrong === null) done();
  };
  return (
    <form
      className="shop-form"
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <TextField label="What" value={what} set={setWhat} />
      <ChoiceField
        label="Kind"
        name="price-kind"
        value={kind}
        set={setKind}
        choices={costKinds.map((each) => [each, kindWords[each]])}
      />
      <TextField label={`Costs, ${currency} without tax`} inputMode="decimal" value={sum} set={setSum} />
      <ChoiceField
        label="Counted"
        name="price-per"
        value={per}
        set={setPer}
        choices={pers.map((each) => [each, perWords[each]])}
      />
      <ChoiceField
        label="With the step"
        name="price-step"
        value={operation}
        set={setOperation}
        choices={names.map((name) => [name, stepTitle(shop, name)])}
      />
      <FormEnd action="Keep this price" disabled={what.trim() === ''} onBack={done} problem={problem} />
    </form>
  );
}

/** What steps use up: counted into every estimate whose plan has the step. */
export function PricesSection({ shop, write }: { shop: ShopState; write: WriteShop }) {
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
            acts={[['Put away', () => void write('price', { ...price, retired: true })]]}
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
