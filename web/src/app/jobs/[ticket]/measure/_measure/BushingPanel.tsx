'use client';

import { parseLength, printFigure, printPhrase, printQuantity, stock, type BushingOutput } from '@holotonos/core';
import { useId, useState } from 'react';
import { Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { useSolved } from '@/job/useSolved';

/** Bush stock is longer than any hole is deep, and cut to length, mm. */
const stockLength = 8;
const fields = [
  { name: 'hole', label: 'Stripped hole', start: 4 },
  { name: 'wall', label: 'Wood to the bore', start: 7 },
  { name: 'leave', label: 'To be left above the bore', start: 1.5 },
  { name: 'below', label: 'Bush below the surface', start: 0.1 },
] as const;
type Field = (typeof fields)[number]['name'];

/** Works out a bush for a stripped post hole: cutter, bush, depth, adhesive. Refuses what would reach the bore. */
export function BushingPanel({ part }: { part: string }) {
  const { type, names, state, shop } = useJob();
  const { unit } = state;
  const id = useId();
  const [text, setText] = useState<Record<Field, string>>(
    () =>
      Object.fromEntries(
        fields.map(({ name, start }) => [name, printFigure(start, unit, unit === 'in' ? 3 : 1)]),
      ) as Record<Field, string>,
  );
  const of = (name: Field) => {
    const typed = parseLength(text[name], unit);
    return typed.ok ? typed.mm : NaN;
  };
  const hasStock = shop.sizes.cutters.length > 0 && shop.sizes.bushes.length > 0;
  const told = (mm: number) => printQuantity(stock(mm), unit);
  const result = useSolved(
    'bushing',
    type.body === 'wood' && hasStock
      ? {
          hole: { diameter: of('hole') },
          wall: of('wall'),
          leave: of('leave'),
          below: of('below'),
          cutters: shop.sizes.cutters,
          bushes: shop.sizes.bushes.map((outer) => ({ outer, length: stockLength })),
          gap: [0.05, 0.15],
        }
      : null,
  );
  if (type.body !== 'wood') return null;
  const answer = result?.status === 'solved' ? (result.output as BushingOutput) : null;
  return (
    <section className="mt-3" aria-label="Bush for a stripped post">
      <h3>A bush for {names.get(part) ?? part}</h3>
      <div className="bushing-fields mb-2">
        {fields.map(({ name, label }) => (
          <div key={name}>
            <Form.Label htmlFor={`${id}-${name}`}>
              {label}, {unit}
            </Form.Label>
            <Form.Control
              id={`${id}-${name}`}
              inputMode="decimal"
              value={text[name]}
              onChange={(event) => setText((now) => ({ ...now, [name]: event.target.value }))}
            />
          </div>
        ))}
      </div>
      <p className={answer || !result ? 'mb-1' : 'say attention mb-1'} aria-live="polite">
        {answer
          ? `Cutter ${told(answer.cutter)}, ${told(answer.depth)} deep; bush ${told(answer.bush.outer)}${answer.bush.cutTo === null ? '' : `, cut to ${told(answer.bush.cutTo)}`}; ${told(answer.gap)} of adhesive all round; ${told(answer.left)} of wood are left above the bore.`
          : result?.status === 'unsolvable'
            ? printPhrase(result.said, unit)
            : !hasStock
              ? 'The shop has no cutters or no bush stock: write down their sizes on the page of the shop.'
              : result && 'Every field takes a figure of 0 or more; hole and wood more than 0.'}
      </p>
      <p className="soft mb-0">
        Rotary cutters and dust of dense woods: eye protection, extraction and a mask; follow your local rules, and a
        qualified person where one is required. Wax what must come out again before gluing.
      </p>
    </section>
  );
}
