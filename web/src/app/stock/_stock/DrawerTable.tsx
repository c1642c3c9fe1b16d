'use client';

import { countWords, moneyText, stockTable, type StockItem } from '@holotonos/core';
import { Fragment, useEffect, useId, useMemo, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { PickCell } from '@/ui/PickCell';
import type { WriteStock } from '@/shop/useStock';
import { readMove, type StockLine } from './stockLines';

/** More rows than this nobody reads: the search brings up the others. */
const mostRows = 400;

/** The drawers one under the other; one field counts, takes and puts back at the one in hand. */
export function DrawerTable({
  lines: all,
  currency,
  write,
  field,
  onChange,
}: {
  lines: readonly StockLine[];
  currency: string;
  write: WriteStock;
  field: RefObject<HTMLInputElement | null>;
  /** asks for what is said of something to be changed */
  onChange: (item: StockItem) => void;
}) {
  const id = useId();
  const lines = useMemo(() => all.slice(0, mostRows), [all]);
  const [picked, setPicked] = useState<string | null>(null);
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const rows = useRef(new Map<string, HTMLTableRowElement>());
  const at = Math.max(
    0,
    lines.findIndex(({ item }) => item.id === picked),
  );
  const line = lines[at];
  const pick = (next: string) => {
    setPicked(next);
    setProblem(null);
  };
  useEffect(() => {
    if (picked !== null) rows.current.get(picked)?.scrollIntoView({ block: 'nearest' });
  }, [picked]);
  const take = async () => {
    if (!line || typed.trim() === '') return;
    const move = readMove(typed);
    if ('problem' in move) return setProblem(move.problem);
    const wrong = await write('move', { item: line.item.id, ...move });
    setProblem(wrong);
    if (wrong !== null) return;
    setTyped('');
    const words = {
      'counted': 'counted',
      'taken': 'taken',
      'put-back': 'put back',
      'bought': 'bought',
      'spoilt': 'spoilt',
    };
    setSaid(`${line.title}: ${move.count} ${words[move.why]}.`);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 10, PageUp: -10 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const next = lines[Math.min(lines.length - 1, Math.max(0, at + by))];
    if (next) pick(next.item.id);
  };
  return (
    <section className="drawers" aria-label="Drawers">
      <form
        className="drawer-field"
        onSubmit={(event) => {
          event.preventDefault();
          void take();
        }}
      >
        <div className="drawer-here">
          <Form.Label htmlFor={id}>{line ? line.title : 'Nothing is found'}</Form.Label>
          <span className="soft">
            {line &&
              `There ${line.item.count === 1 ? 'is' : 'are'} ${countWords(line.item.count, line.item.counted)}${
                line.needed > 0 ? `, ${line.needed} needed by open jobs` : ''
              }${line.coming > 0 ? `, ${line.coming} on the way` : ''}`}
          </span>
        </div>
        <Form.Control
          id={id}
          ref={field}
          inputMode="decimal"
          autoComplete="off"
          placeholder="12, −3 or +6"
          aria-describedby={`${id}-said`}
          isInvalid={problem !== null}
          disabled={!line}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={onKeyDown}
        />
        <Button type="submit" disabled={!line || typed.trim() === ''}>
          Take it
        </Button>
        <Button
          variant="quiet"
          disabled={!line}
          aria-label={`Change: ${line?.title ?? ''}`}
          onClick={() => line && onChange(line.item)}
        >
          Change
        </Button>
        <span
          id={`${id}-said`}
          role={problem === null ? 'status' : 'alert'}
          className={problem === null ? 'soft' : 'text-danger'}
        >
          {problem ?? said}
        </span>
      </form>
      <div className="drawer-list">
        <table className="readings">
          <caption className="visually-hidden">What lies in the drawers</caption>
          <thead>
            <tr>
              <th scope="col">What</th>
              {['There', 'Low', 'Needed', 'Coming', 'Each'].map((head) => (
                <th key={head} scope="col" className="num">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {lines.map(({ item, title, needed, coming, alarm }, i) => (
              <Fragment key={item.id}>
                {lines[i - 1]?.item.kind !== item.kind && (
                  <tr className="group">
                    <th scope="rowgroup" colSpan={6}>
                      {stockTable[item.kind].many}
                    </th>
                  </tr>
                )}
                <tr
                  ref={(row) => {
                    if (row) rows.current.set(item.id, row);
                    else rows.current.delete(item.id);
                  }}
                  className={i === at ? 'here' : undefined}
                >
                  <PickCell
                    here={i === at}
                    onPick={() => {
                      pick(item.id);
                      field.current?.focus();
                    }}
                  >
                    {title}
                  </PickCell>
                  <td className="num">
                    {alarm !== null && <span className="drawer-alarm">{alarm}</span>}{' '}
                    {countWords(item.count, item.counted)}
                  </td>
                  <td className="num">{item.low ?? ''}</td>
                  <td className="num">{needed > 0 ? needed : ''}</td>
                  <td className="num">{coming > 0 ? coming : ''}</td>
                  <td className="num">{item.price === undefined ? '' : moneyText(item.price, currency)}</td>
                </tr>
              </Fragment>
            ))}
          </tbody>
        </table>
        {all.length > mostRows && (
          <p className="p-3 mb-0 soft">And {all.length - mostRows} more: find them by their size or their name.</p>
        )}
        {lines.length === 0 && (
          <p className="p-3 mb-0">
            Nothing in the drawers answers that. “Something new” gives it a place, a CSV file many.
          </p>
        )}
      </div>
    </section>
  );
}
