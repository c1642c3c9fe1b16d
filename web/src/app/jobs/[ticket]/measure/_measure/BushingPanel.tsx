'use client';

import {
  bushLines,
  parseLength,
  printFigure,
  printPhrase,
  printQuantity,
  stock,
  type BushingOutput,
  type PostBushBody,
} from '@holotonos/core';
import { useId, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { FigureForm, sizeIn } from '@/ui/FigureForm';
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

/** The bush a post has been given so far: its sizes for the card, and what the trial cut came to. */
function KeptBush({ part }: { part: string }) {
  const { state, write } = useJob();
  const bush = state.bushes.get(part);
  if (!bush) return null;
  const { entry: _, seq: __, ...body } = bush;
  return (
    <div className="mt-3">
      <h3>Written down for this post</h3>
      <ul>
        {bushLines(bush).map((line, i) => (
          <li key={i}>{printPhrase(line, state.unit)}</li>
        ))}
      </ul>
      <FigureForm
        name="The bush as it is written down"
        label={`Trial cut, ${state.unit}`}
        action="Write the trial down"
        read={sizeIn(state.unit)}
        onTaken={(trial) => write('post-bush', { ...body, trial })}
      >
        <Button variant="quiet" onClick={() => write('post-bush', { ...body, removed: true })}>
          No bush after all
        </Button>
      </FigureForm>
    </div>
  );
}

/** Works out a bush for a stripped post hole: cutter, bush, depth, adhesive. Refuses what would reach the bore. */
export function BushingPanel({ part }: { part: string }) {
  const { type, names, state, shop, write } = useJob();
  const { unit } = state;
  const id = useId();
  const [text, setText] = useState<Record<Field, string>>(
    () =>
      Object.fromEntries(
        fields.map(({ name, start }) => {
          const kept = state.bushes.get(part);
          const known = name === 'hole' ? kept?.hole : name === 'wall' ? kept?.wall : undefined;
          return [name, printFigure(known ?? start, unit, unit === 'in' ? 3 : 1)];
        }),
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
  const keep = ({ cutter, bush, gap, depth, left }: BushingOutput) =>
    write('post-bush', {
      post: part,
      hole: of('hole'),
      wall: of('wall'),
      cutter,
      depth,
      outer: bush.outer,
      ...(bush.cutTo !== null && { cutTo: bush.cutTo }),
      gap,
      left,
    } satisfies PostBushBody);
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
      {answer && (
        <Button variant="quiet" className="mb-2" onClick={() => keep(answer)}>
          Write it down for this post
        </Button>
      )}
      <KeptBush part={part} />
      <p className="soft mb-0">
        Rotary cutters and dust of dense woods: eye protection, extraction and a mask; follow your local rules, and a
        qualified person where one is required. Wax what must come out again before gluing.
      </p>
    </section>
  );
}
