'use client';

import {
  countWords,
  moneyText,
  parseNumber,
  bagTitle,
  type ItemCount,
  type StockOrder,
  type StockState,
  type TicketNeed,
} from '@holotonos/core';
import { useMemo, useState } from 'react';
import { useWhen } from '@/frame/BenchContext';
import { Button, Form } from '@/ui/bootstrap';
import { Problem, ShopSection, TextField } from '@/ui/fields';
import { FormEnd } from '@/ui/FormEnd';
import type { WriteStock } from '@/shop/useStock';
import { toOrder } from './stockLines';

/** Lines one order holds; what is left over stands there for the next. */
const mostLines = 400;

/** How many of each line, as typed over what is there; null where one is no count. */
function typedCounts(lines: readonly ItemCount[], typed: Readonly<Record<string, string>>): ItemCount[] | null {
  const counts = lines.map(({ item, count }) => {
    const text = typed[item];
    return { item, count: text === undefined ? count : parseNumber(text) };
  });
  return counts.every((line): line is ItemCount => line.count !== null && line.count >= 0) ? counts : null;
}

function Proposal({
  stock,
  needs,
  currency,
  write,
}: {
  stock: StockState;
  needs: readonly TicketNeed[];
  currency: string;
  write: WriteStock;
}) {
  const lines = useMemo(() => toOrder(stock, needs).slice(0, mostLines), [stock, needs]);
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string | null>(null);
  if (lines.length === 0)
    return <p className="mb-0">Nothing: the open jobs find what they need, and no drawer is below its mark.</p>;
  const counts = typedCounts(
    lines.map(({ item, count }) => ({ item: item.id, count })),
    typed,
  );
  const prices = new Map(lines.map(({ item }) => [item.id, item.price ?? 0]));
  const sum = (counts ?? []).reduce((total, { item, count }) => total + count * (prices.get(item) ?? 0), 0);
  const order = async () => {
    if (!counts) return setProblem('Type how many of each, 0 for none.');
    const wanted = counts.filter(({ count }) => count > 0);
    if (wanted.length === 0) return setProblem('There is nothing in it.');
    const wrong = await write('order', { lines: wanted });
    setProblem(wrong);
    if (wrong === null) setTyped({});
  };
  return (
    <>
      <div className="scroll-x">
        <table className="readings wraps order">
          <caption className="visually-hidden">What would be ordered</caption>
          <thead>
            <tr>
              <th scope="col">How many</th>
              <th scope="col">What</th>
              <th scope="col">For</th>
            </tr>
          </thead>
          <tbody>
            {lines.map(({ item, title, count, tickets, spare }) => (
              <tr key={item.id}>
                <td>
                  <Form.Control
                    className="order-count"
                    inputMode="decimal"
                    aria-label={`How many: ${title}`}
                    value={typed[item.id] ?? String(count)}
                    onChange={(event) => setTyped((before) => ({ ...before, [item.id]: event.target.value }))}
                  />
                </td>
                <th scope="row">{title}</th>
                <td className="soft">
                  {tickets.length > 0
                    ? `${tickets.join(', ')}${spare > 0 ? `, ${spare} spare` : ''}`
                    : 'below its mark'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="d-flex flex-wrap gap-2 align-items-center mt-2">
        <Button onClick={() => void order()}>It is ordered</Button>
        <a href="/api/v1/stock/order.pdf">PDF</a>
        <a href="/api/v1/stock/order.csv">CSV</a>
        {sum > 0 && <span className="soft">{moneyText(Math.round(sum), currency)} without tax</span>}
      </div>
      <Problem problem={problem} />
    </>
  );
}

function Arrival({ order, stock, write }: { order: StockOrder; stock: StockState; write: WriteStock }) {
  const { dayText } = useWhen();
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [open, setOpen] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const titles = new Map(stock.items.map((item) => [item.id, bagTitle(item)]));
  const missing = order.lines
    .map(({ item, count, arrived }) => ({ item, count: Math.max(0, count - arrived) }))
    .filter(({ count }) => count > 0);
  const arrive = async (closed: boolean) => {
    const counts = closed ? [] : typedCounts(missing, typed);
    if (!counts) return setProblem('Type how many of each came, 0 for none.');
    const lines = counts.filter(({ count }) => count > 0);
    if (!closed && lines.length === 0) return setProblem('Nothing came: go back, or wait for no more.');
    const wrong = await write('arrival', { order: order.id, lines, ...(closed && { closed }) });
    setProblem(wrong);
    if (wrong === null) setOpen(false);
  };
  const words = `${dayText(order.at)}, ${order.by}: ${missing.length === 1 ? 'one thing' : `${missing.length} things`} on the way`;
  return (
    <li className="mb-2">
      {words}{' '}
      <Button variant="quiet" aria-expanded={open} aria-label={`Arrived: ${words}`} onClick={() => setOpen(!open)}>
        Arrived
      </Button>{' '}
      <a href={`/api/v1/stock/order.pdf?order=${order.id}`} aria-label={`PDF of the order of ${dayText(order.at)}`}>
        PDF
      </a>
      {open && (
        <div className="mt-2">
          {missing.map(({ item, count }) => (
            <div key={item} className="d-flex gap-2 align-items-center mb-1">
              <Form.Control
                className="order-count"
                inputMode="decimal"
                aria-label={`Came: ${titles.get(item) ?? item}`}
                value={typed[item] ?? String(count)}
                onChange={(event) => setTyped((before) => ({ ...before, [item]: event.target.value }))}
              />
              <span>{titles.get(item) ?? item}</span>
            </div>
          ))}
          <div className="d-flex flex-wrap gap-2 mt-2">
            <Button onClick={() => void arrive(false)}>Into the drawers</Button>
            <Button variant="quiet" onClick={() => void arrive(true)}>
              Nothing more comes
            </Button>
          </div>
          <Problem problem={problem} />
        </div>
      )}
    </li>
  );
}

function SparesForm({ stock, write, done }: { stock: StockState; write: WriteStock; done: () => void }) {
  const [percent, setPercent] = useState(String(stock.spares.percent));
  const [least, setLeast] = useState(String(stock.spares.least));
  const [problem, setProblem] = useState<string | null>(null);
  const submit = async () => {
    const [share, few] = [parseNumber(percent), parseNumber(least)];
    if (share === null) return setProblem('Of what is needed: type a share, such as 10.');
    if (few === null || !Number.isInteger(few)) return setProblem('At least: type how many, such as 1.');
    const wrong = await write('spares', { percent: share, least: few });
    setProblem(wrong);
    if (wrong === null) done();
  };
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <div className="shop-form">
        <TextField label="Of what is needed, %" inputMode="decimal" value={percent} set={setPercent} />
        <TextField label="At least, of each" inputMode="numeric" value={least} set={setLeast} />
      </div>
      <FormEnd action="Keep the rule" disabled={false} onBack={done} problem={problem} />
    </form>
  );
}

/** What is to be ordered for the open jobs and for drawers below their mark, and what is on its way. */
export function OrdersSection({
  stock,
  needs,
  currency,
  write,
}: {
  stock: StockState;
  needs: readonly TicketNeed[];
  currency: string;
  write: WriteStock;
}) {
  const [rule, setRule] = useState(false);
  const open = stock.orders.filter(({ closed }) => !closed);
  const { percent, least } = stock.spares;
  return (
    <>
      <ShopSection title="To order">
        <Proposal stock={stock} needs={needs} currency={currency} write={write} />
        <p className="soft mt-2 mb-0">
          Spares: {percent} % of what jobs need, {countWords(least, 'piece')} of each at least.{' '}
          <Button variant="quiet" aria-label="Change the rule for spares" onClick={() => setRule(!rule)}>
            Change
          </Button>
        </p>
        {rule && <SparesForm stock={stock} write={write} done={() => setRule(false)} />}
      </ShopSection>
      {open.length > 0 && (
        <ShopSection title="On the way">
          <ul className="list-plain mb-0">
            {open.map((order) => (
              <Arrival key={order.id} order={order} stock={stock} write={write} />
            ))}
          </ul>
        </ShopSection>
      )}
    </>
  );
}
