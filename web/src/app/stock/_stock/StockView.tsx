'use client';

import { stockKinds, stockTable, type StockItem, type StockKind } from '@holotonos/core';
import { useMemo, useRef, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { useWhen } from '@/frame/BenchContext';
import { usePageKeys } from '@/frame/keysHere';
import { pageKeys } from '@/frame/pageKeys';
import { UnreadOwn } from '@/shop/UnreadOwn';
import { useStock, type StockNow } from '@/shop/useStock';
import { DrawerTable } from './DrawerTable';
import { ItemForm } from './ItemForm';
import { OffcutsSection } from './OffcutsSection';
import { OrdersSection } from './OrdersSection';
import { StockFile } from './StockFile';
import { stockLines } from './stockLines';

/** What the shop has in its drawers, what the open jobs will take, and what is to be ordered. */
export function StockView({ first, currency, now }: { first: StockNow; currency: string; now: string }) {
  const { stock, needs, write, put } = useStock(first);
  const [search, setSearch] = useState('');
  const [kind, setKind] = useState<StockKind | null>(null);
  const [form, setForm] = useState<StockItem | 'new' | null>(null);
  const field = useRef<HTMLInputElement>(null);
  usePageKeys(pageKeys.stock.keys);
  const today = useWhen().dayOf(now);
  const lines = useMemo(() => stockLines(stock, needs, { search, kind, today }), [stock, needs, search, kind, today]);
  const here = useMemo(() => new Set(stock.items.filter(({ retired }) => !retired).map((item) => item.kind)), [stock]);
  const low = lines.filter(({ alarm }) => alarm !== null).length;
  return (
    <main id="main" className="page page-wide">
      <div className="stock-head">
        <h1>Stock</h1>
        <span className="soft" role="status">
          {lines.length === 1 ? 'one thing' : `${lines.length} things`}
          {low > 0 ? `, ${low} to see to` : ''}
        </span>
        <Form.Control
          type="search"
          aria-label="Find in the drawers"
          placeholder="Find: 16 pierced, cork, wire …"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
        <Form.Select
          aria-label="Kind"
          value={kind ?? ''}
          onChange={(event) => setKind((event.target.value || null) as StockKind | null)}
        >
          <option value="">Everything</option>
          {stockKinds
            .filter((each) => here.has(each))
            .map((each) => (
              <option key={each} value={each}>
                {stockTable[each].many}
              </option>
            ))}
        </Form.Select>
        <Button variant="quiet" onClick={() => setForm('new')}>
          Something new
        </Button>
        <StockFile />
      </div>
      <UnreadOwn of="the drawers" unread={stock.unread} strike={(body) => put('strike', body)} />
      <div className="stock">
        <DrawerTable lines={lines} currency={currency} write={write} field={field} onChange={(item) => setForm(item)} />
        <div className="stock-side">
          {form !== null && (
            <ItemForm
              key={form === 'new' ? 'new' : form.id}
              item={form === 'new' ? null : form}
              stock={stock}
              currency={currency}
              write={write}
              done={() => {
                setForm(null);
                field.current?.focus();
              }}
            />
          )}
          <OrdersSection stock={stock} needs={needs} currency={currency} write={write} />
          <OffcutsSection stock={stock} write={write} put={put} />
        </div>
      </div>
    </main>
  );
}
