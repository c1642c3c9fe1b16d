'use client';

import { bagTitle, setLines, stockTable, type StockState } from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useMemo } from 'react';
import { useJob } from '@/job/JobContext';

/** What the job takes out of the drawers that is not in yet, thing by thing, and what of it has to be ordered. */
export function SetSum({ stock }: { stock: StockState }) {
  const { state } = useJob();
  const lines = useMemo(
    () =>
      setLines(
        [...state.chosen.values()].filter(({ taken }) => taken === null),
        stock,
      ),
    [state.chosen, stock],
  );
  const taken = [...state.chosen.values()].filter((line) => line.taken !== null).length;
  const short = lines.filter((line) => line.short > 0).length;
  return (
    <section className="set-sum" aria-label="Out of the drawers">
      <p className="mb-1">
        <strong>
          {lines.length === 0
            ? taken > 0
              ? `All ${taken} that were chosen are in.`
              : 'Nothing is chosen yet.'
            : short === 0
              ? 'All of it lies in the drawers.'
              : `${short === 1 ? 'One thing is' : `${short} things are`} short.`}
        </strong>{' '}
        {short > 0 && <Link href="/stock">See the order</Link>}
      </p>
      <ul className="list-plain set-lines mb-0">
        {lines.map(({ item, count, punched, short: missing }) => (
          <li key={item.id} className={missing > 0 ? 'text-danger' : undefined}>
            {count} × {bagTitle(item)}
            {punched > 0 ? `, ${punched} to be punched` : ''}
            {stockTable[item.kind].tool ? '' : ` (${item.count} there${missing > 0 ? `, ${missing} short` : ''})`}
          </li>
        ))}
      </ul>
    </section>
  );
}
