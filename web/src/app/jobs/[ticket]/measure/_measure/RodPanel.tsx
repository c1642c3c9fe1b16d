'use client';

import { printQuantity, rodStack, type Phrase, type RodKey, type RodSpan } from '@holotonos/core';
import { useMemo } from 'react';
import { useJob } from '@/job/JobContext';
import { StateMark } from '@/ui/StateMark';
import { Words } from '@/figure/Words';

const drawnWidth = 640;
const drawnHeight = 74;
const middle = 34;

function RodDrawing({ spans, here, name }: { spans: readonly RodSpan[]; here: string; name: string }) {
  const from = spans[0]?.from ?? 0;
  const to = spans.at(-1)?.to ?? 1;
  const x = (at: number) => 8 + ((at - from) / Math.max(1e-6, to - from)) * (drawnWidth - 16);
  const posts = [...new Set(spans.flatMap((span) => [span.from, span.to]))];
  // Drawn as they sit between their posts: each gap shared out by the lengths of its tubes.
  const keys = spans.flatMap((span) => {
    const lengths = span.keys.filter(({ nestsIn }) => nestsIn === null);
    const sum = lengths.reduce((total, key) => total + (key.to - key.from), 0);
    let at = span.from;
    const placed = lengths.map((key) => {
      const width = ((key.to - key.from) / Math.max(1e-6, sum)) * (span.to - span.from);
      at += width;
      return { ...key, from: at - width, to: at };
    });
    const inside = span.keys
      .filter(({ nestsIn }) => nestsIn !== null)
      .map((key) => ({ ...key, from: Math.max(span.from, key.from), to: Math.min(span.to, key.to) }));
    return [...placed, ...inside];
  });
  return (
    <svg
      className="rod-drawing"
      viewBox={`0 0 ${drawnWidth} ${drawnHeight}`}
      role="img"
      aria-label={`${name}: ${keys.map((key) => key.name).join(', ')} between ${posts.length} posts`}
    >
      <line className="rod" x1={x(from)} x2={x(to)} y1={middle} y2={middle} strokeWidth={4} />
      {keys.map((key) => (
        <g key={key.key}>
          <rect
            className={`tube ${key.state}${key.key === here ? ' here' : ''}`}
            x={x(key.from) + 4}
            width={Math.max(3, x(key.to) - x(key.from) - 8)}
            y={key.nestsIn === null ? middle - 11 : middle - 6}
            height={key.nestsIn === null ? 22 : 12}
          />
          <text x={(x(key.from) + x(key.to)) / 2} y={middle + 30} textAnchor="middle" fontSize={12}>
            {key.name}
          </text>
        </g>
      ))}
      {posts.map((at) => (
        <rect key={at} className="post" x={x(at) - 3} width={6} y={middle - 18} height={36} />
      ))}
    </svg>
  );
}

/** Nested tubes are fitted from the inside out. */
const order = (keys: readonly RodKey[]) =>
  [...keys].sort((a, b) => Number(b.nestsIn !== null) - Number(a.nestsIn !== null));

/** What to do at a key, or what is still to be read there. */
const toDo = ({ report }: RodKey): Phrase =>
  [report?.says, report?.missing].find((said) => said && said.length > 0) ?? ['Nothing read yet.'];

/** One rod with all its keys in a row as they sit between their posts, and whether their sum fits. */
export function RodPanel({ part, onKey }: { part: string; onKey: (key: string) => void }) {
  const { state, type, judgement } = useJob();
  const rodId = type.rods.find(({ id }) => id === part)?.id ?? type.keys.find(({ id }) => id === part)?.rod ?? '';
  const stack = useMemo(() => rodStack(state, type, rodId, judgement.parts), [state, type, rodId, judgement.parts]);
  if (!stack || stack.spans.length === 0) return null;
  const facts = [...stack.spans.map(({ play }) => play), stack.play].filter((fact) => fact !== null);
  return (
    <section className="mt-3" aria-label={`The rod: ${stack.name}`}>
      <h3>{stack.name}</h3>
      <RodDrawing spans={stack.spans} here={part} name={stack.name} />
      <table className="readings wraps mb-2">
        <caption className="visually-hidden">Keys of this rod in the order they are fitted</caption>
        <thead>
          <tr>
            <th scope="col">Key</th>
            <th scope="col">State</th>
            <th scope="col">What to do</th>
          </tr>
        </thead>
        <tbody>
          {stack.spans.flatMap((span) =>
            order(span.keys).map((key) => (
              <tr key={key.key}>
                <th scope="row">
                  <button type="button" className="plain-link" onClick={() => onKey(key.key)}>
                    {key.name}
                  </button>
                </th>
                <td>
                  <StateMark state={key.state} word={false} />
                </td>
                <td>
                  <Words of={toDo(key)} />
                </td>
              </tr>
            )),
          )}
        </tbody>
      </table>
      {stack.spans.map((span) => (
        <p key={span.lower} className="mb-1">
          {span.play && (
            <>
              Room left between the posts: {printQuantity(span.play, state.unit)}{' '}
              {span.play.verdict && <StateMark state={span.play.verdict} />}.{' '}
            </>
          )}
          <Words of={span.says} />
        </p>
      ))}
      {facts.length > 1 && stack.play && (
        <p className="mb-0">
          Along the whole rod: {printQuantity(stack.play, state.unit)}{' '}
          {stack.play.verdict && <StateMark state={stack.play.verdict} />}
        </p>
      )}
    </section>
  );
}
