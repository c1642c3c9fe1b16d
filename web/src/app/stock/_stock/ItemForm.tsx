'use client';

import {
  countedIn,
  lengthUnits,
  printShort,
  stockKinds,
  stockTable,
  typedSum,
  unitNames,
  type StockItem,
  type StockState,
} from '@holotonos/core';
import { useState } from 'react';
import { Button } from '@/ui/bootstrap';
import { ChoiceField, ShopSection, TextField } from '@/ui/fields';
import { FormEnd } from '@/ui/FormEnd';
import type { WriteStock } from '@/shop/useStock';
import { readItem, sizeLabels, sizesOf, type ItemText } from './readItem';

const fresh: ItemText = {
  kind: 'pad',
  soldIn: 'mm',
  counted: 'piece',
  sizes: {},
  name: '',
  material: '',
  form: '',
  count: '',
  low: '',
  lot: '',
  price: '',
  useBy: '',
};
const countedWords = {
  piece: 'piece by piece',
  sheet: 'by the sheet',
  metre: 'by the metre',
  gram: 'by weight, g',
  millilitre: 'by volume, ml',
};
const sizePlaces = { mm: 3, in: 5, thou: 2 } as const;

function textOf(item: StockItem, currency: string): ItemText {
  const size = (mm: number) => printShort(mm, item.soldIn, sizePlaces[item.soldIn]);
  return {
    kind: item.kind,
    soldIn: item.soldIn,
    counted: item.counted,
    sizes: Object.fromEntries(
      sizesOf(item.kind).flatMap((each) => (item[each] === undefined ? [] : [[each, size(item[each])]])),
    ),
    name: item.name ?? '',
    material: item.material ?? '',
    form: item.form ?? '',
    count: String(item.count),
    low: item.low === undefined ? '' : String(item.low),
    lot: item.lot === undefined ? '' : String(item.lot),
    price: item.price === undefined ? '' : typedSum(item.price, currency),
    useBy: item.useBy ?? '',
  };
}

/** Gives something a place in a drawer, or says otherwise what lies there. */
export function ItemForm({
  item,
  stock,
  currency,
  write,
  done,
}: {
  item: StockItem | null;
  stock: StockState;
  currency: string;
  write: WriteStock;
  done: () => void;
}) {
  const [text, setText] = useState(item ? textOf(item, currency) : fresh);
  const [problem, setProblem] = useState<string | null>(null);
  const set = (change: Partial<ItemText>) => setText((before) => ({ ...before, ...change }));
  const submit = async () => {
    const read = readItem(text, stock.items, item, currency);
    if (!read.ok) return setProblem(read.problem);
    const counted = read.count !== null && read.count !== (item?.count ?? 0) ? { have: read.count } : {};
    const wrong = await write('item', { ...read.item, ...counted });
    if (wrong !== null) return setProblem(wrong);
    done();
  };
  const putAway = async () => {
    if (!item) return;
    const { count: _, ...body } = item;
    const wrong = await write('item', { ...body, retired: true });
    if (wrong !== null) return setProblem(wrong);
    done();
  };
  return (
    <ShopSection title={item ? 'Say it otherwise' : 'Something new'}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <div className="shop-form">
          {!item && (
            <ChoiceField
              label="What"
              name="stock-kind"
              value={text.kind}
              set={(kind) => set({ kind, counted: stockTable[kind].counted })}
              choices={stockKinds.map((each) => [each, stockTable[each].one])}
            />
          )}
          <ChoiceField
            label="Sizes in"
            name="stock-unit"
            value={text.soldIn}
            set={(soldIn) => set({ soldIn })}
            choices={lengthUnits.map((each) => [each, unitNames[each]])}
          />
          {sizesOf(text.kind).map((size) => (
            <TextField
              key={size}
              label={`${sizeLabels[size]}, ${text.soldIn}${stockTable[text.kind].needs.includes(size) ? '' : ' (if any)'}`}
              value={text.sizes[size] ?? ''}
              set={(typed) => set({ sizes: { ...text.sizes, [size]: typed } })}
            />
          ))}
          <TextField label="Name (if any)" value={text.name} set={(name) => set({ name })} />
          <TextField label="Material" value={text.material} set={(material) => set({ material })} />
          {text.kind !== 'pad' && text.kind !== 'adhesive' && (
            <TextField label="Form" value={text.form} set={(form) => set({ form })} />
          )}
          {text.kind === 'adhesive' && (
            <TextField label="Use by" value={text.useBy} set={(useBy) => set({ useBy })} placeholder="2027-05-31" />
          )}
          <ChoiceField
            label="Counted"
            name="stock-counted"
            value={text.counted}
            set={(counted) => set({ counted })}
            choices={countedIn.map((each) => [each, countedWords[each]])}
          />
          <TextField label="How many there" inputMode="decimal" value={text.count} set={(count) => set({ count })} />
          <TextField label="Low mark" inputMode="decimal" value={text.low} set={(low) => set({ low })} />
          <TextField label="In one bag" inputMode="decimal" value={text.lot} set={(lot) => set({ lot })} />
          <TextField
            label={`Price of one, ${currency} without tax`}
            inputMode="decimal"
            value={text.price}
            set={(price) => set({ price })}
          />
        </div>
        <FormEnd action={item ? 'Keep it so' : 'Give it a place'} disabled={false} onBack={done} problem={problem} />
        {item && (
          <Button variant="quiet" className="mt-2" onClick={() => void putAway()}>
            Put it away for good
          </Button>
        )}
      </form>
    </ShopSection>
  );
}
