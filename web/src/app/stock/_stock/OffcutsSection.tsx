'use client';

import { freshId, idsOf, parseLength, phrase, printPhrase, size, type Offcut, type StockState } from '@holotonos/core';
import { useState } from 'react';
import { ShopRow, ShopSection } from '@/ui/fields';
import { FormEnd } from '@/ui/FormEnd';
import { TypedChoice, TypedText } from '@/ui/typedFields';
import { useTypedForm } from '@/ui/useTypedForm';
import type { PutStock, WriteStock } from '@/shop/useStock';

const sides = ['thickness', 'length', 'width'] as const;
const sideLabels = { thickness: 'Thickness, mm', length: 'Length, mm', width: 'Width, mm' };

function OffcutForm({ stock, write, done }: { stock: StockState; write: WriteStock; done: () => void }) {
  const start = { kind: 'cork' as Offcut['kind'], thickness: '', length: '', width: '' };
  const { control, submit, problem } = useTypedForm(
    start,
    ({ kind, ...text }) => {
      const sizes = { thickness: 0, length: 0, width: 0 };
      for (const side of sides) {
        const parsed = parseLength(text[side], 'mm');
        if (!parsed.ok) return { at: side, words: `${sideLabels[side]}: ${parsed.problem}` };
        sizes[side] = parsed.mm;
      }
      const id = freshId(`${kind} offcut`, 'offcut', idsOf(stock.offcuts));
      return write('offcut', { id: `${id}-${Date.now().toString(36)}`, kind, ...sizes });
    },
    done,
  );
  return (
    <form className="mt-2" onSubmit={submit}>
      <div className="shop-form">
        <TypedChoice
          control={control}
          name="kind"
          label="Of"
          choices={[
            ['cork', 'cork'],
            ['felt', 'felt'],
          ]}
        />
        {sides.map((side) => (
          <TypedText key={side} control={control} name={side} label={sideLabels[side]} inputMode="decimal" />
        ))}
      </div>
      <FormEnd action="Keep the offcut" disabled={false} onBack={done} problem={problem} />
    </form>
  );
}

/** What is left of sheets, by size: a small cork is cut from these before a sheet is begun. */
export function OffcutsSection({ stock, write, put }: { stock: StockState; write: WriteStock; put: PutStock }) {
  const [open, setOpen] = useState(false);
  const words = ({ kind, thickness, length, width }: Offcut) =>
    `${kind} ${printPhrase(phrase`${size(thickness)}, ${size(length)} × ${size(width)}`, 'mm')}`;
  return (
    <ShopSection title="Offcuts" add="Keep an offcut" onAdd={() => setOpen(true)}>
      {stock.offcuts.length === 0 && !open && <p className="mb-0">None: the next cork comes from a new sheet.</p>}
      <ul className="list-plain mb-0">
        {stock.offcuts.map((offcut) => (
          <ShopRow
            key={offcut.id}
            name={words(offcut)}
            acts={[['Used up', () => put('offcut', { ...offcut, gone: true })]]}
          >
            {words(offcut)}
          </ShopRow>
        ))}
      </ul>
      {open && <OffcutForm stock={stock} write={write} done={() => setOpen(false)} />}
    </ShopSection>
  );
}
