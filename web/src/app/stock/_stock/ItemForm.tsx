'use client';

import {
  countedIn,
  lengthUnits,
  printShort,
  stockKinds,
  stockSizes,
  stockTable,
  typedSum,
  unitNames,
  type StockItem,
  type StockSize,
  type StockState,
} from '@holotonos/core';
import { useState } from 'react';
import { useController, useWatch } from 'react-hook-form';
import { Button } from '@/ui/bootstrap';
import { ChoiceField, ShopSection } from '@/ui/fields';
import { FormEnd } from '@/ui/FormEnd';
import { TypedChoice, TypedText } from '@/ui/typedFields';
import { useTypedForm } from '@/ui/useTypedForm';
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
/** Every size has its field, with something in it or not. */
type Filled = ItemText & { sizes: Record<StockSize, string> };
const noSizes = Object.fromEntries(stockSizes.map((size) => [size, ''])) as Filled['sizes'];
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
  const shown = item ? textOf(item, currency) : fresh;
  const start: Filled = { ...shown, sizes: { ...noSizes, ...shown.sizes } };
  const { control, submit, problem } = useTypedForm(
    start,
    (text) => {
      const read = readItem(text, stock.items, item, currency);
      if (!read.ok) return read.problem;
      const counted = read.count !== null && read.count !== (item?.count ?? 0) ? { have: read.count } : {};
      return write('item', { ...read.item, ...counted });
    },
    done,
  );
  const soldIn = useWatch({ control, name: 'soldIn' });
  // What something is says how it is counted, unless that is said otherwise afterwards.
  const { field: what } = useController({ control, name: 'kind' });
  const { field: counted } = useController({ control, name: 'counted' });
  const kind = what.value;
  const [unkept, setUnkept] = useState<string | null>(null);
  const putAway = async () => {
    if (!item) return;
    const { count: _, ...body } = item;
    const wrong = await write('item', { ...body, retired: true });
    setUnkept(wrong);
    if (wrong === null) done();
  };
  return (
    <ShopSection title={item ? 'Say it otherwise' : 'Something new'}>
      <form onSubmit={submit}>
        <div className="shop-form">
          {!item && (
            <ChoiceField
              label="What"
              name="stock-kind"
              value={kind}
              set={(next) => {
                what.onChange(next);
                counted.onChange(stockTable[next].counted);
              }}
              choices={stockKinds.map((each) => [each, stockTable[each].one])}
            />
          )}
          <TypedChoice
            control={control}
            name="soldIn"
            label="Sizes in"
            choices={lengthUnits.map((each) => [each, unitNames[each]])}
          />
          {sizesOf(kind).map((size) => (
            <TypedText
              key={size}
              control={control}
              name={`sizes.${size}`}
              label={`${sizeLabels[size]}, ${soldIn}${stockTable[kind].needs.includes(size) ? '' : ' (if any)'}`}
            />
          ))}
          <TypedText control={control} name="name" label="Name (if any)" />
          <TypedText control={control} name="material" label="Material" />
          {kind !== 'pad' && kind !== 'adhesive' && <TypedText control={control} name="form" label="Form" />}
          {kind === 'adhesive' && <TypedText control={control} name="useBy" label="Use by" placeholder="2027-05-31" />}
          <TypedChoice
            control={control}
            name="counted"
            label="Counted"
            choices={countedIn.map((each) => [each, countedWords[each]])}
          />
          <TypedText control={control} name="count" label="How many there" inputMode="decimal" />
          <TypedText control={control} name="low" label="Low mark" inputMode="decimal" />
          <TypedText control={control} name="lot" label="In one bag" inputMode="decimal" />
          <TypedText
            control={control}
            name="price"
            label={`Price of one, ${currency} without tax`}
            inputMode="decimal"
          />
        </div>
        <FormEnd
          action={item ? 'Keep it so' : 'Give it a place'}
          disabled={false}
          onBack={done}
          problem={problem ?? unkept}
        />
        {item && (
          <Button variant="quiet" className="mt-2" onClick={() => void putAway()}>
            Put it away for good
          </Button>
        )}
      </form>
    </ShopSection>
  );
}
