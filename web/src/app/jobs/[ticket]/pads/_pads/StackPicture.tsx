'use client';

import { printFigure, stackStands, type StackStands } from '@holotonos/core';
import { useMemo } from 'react';
import { useJob } from '@/job/JobContext';
import { capital } from '@/ui/words';

const width = 320;
const height = 120;
const edge = 26;

function Picture({ stack }: { stack: StackStands }) {
  const { state, names } = useJob();
  const known = stack.pads.flatMap(({ before, after }) => [before, after].filter((stand) => stand !== null));
  const [low, high] = [Math.min(...known), Math.max(...known)];
  const limit = stack.limit ?? 0;
  // The limit is always to be seen: a spread that fits looks small beside it.
  const room = Math.max(high - low, limit, 0.05) * 1.3;
  const middle = (low + high) / 2;
  const y = (stand: number) => edge / 2 + (height - edge) * (0.5 - (stand - middle) / room);
  const step = (width - 2 * edge) / Math.max(1, stack.pads.length);
  const newest = stack.pads.some(({ after }) => after !== null);
  const spread = newest ? stack.spreadAfter : stack.spreadBefore;
  const words = stack.pads
    .map(({ hole, before, after }) => {
      const told = [before, after].map((stand) => (stand === null ? '–' : printFigure(stand, state.unit)));
      return `${names.get(hole) ?? hole} ${told[0]}${after === null ? '' : `, now ${told[1]}`}`;
    })
    .join('; ');
  return (
    <figure className="stack-picture">
      <figcaption>
        <strong>{capital(stack.stack)} stack</strong>
        {spread !== null && (
          <span className={stack.limit !== null && spread > stack.limit ? 'text-danger' : 'soft'}>
            {' '}
            {newest ? 'now' : 'stood'} within {printFigure(spread, state.unit)} {state.unit}
            {stack.limit !== null && `, limit ${printFigure(stack.limit, state.unit)}`}
            {newest && stack.spreadBefore !== null && `; before ${printFigure(stack.spreadBefore, state.unit)}`}
          </span>
        )}
      </figcaption>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`Stand of the ${stack.stack} stack, ${state.unit}: ${words}`}
      >
        {stack.limit !== null && (
          <rect
            className="band"
            x={edge / 2}
            width={width - edge}
            y={y(middle + limit / 2)}
            height={Math.max(1, y(middle - limit / 2) - y(middle + limit / 2))}
          />
        )}
        {stack.pads.map(({ hole, before, after }, i) => {
          const x = edge + step * i;
          const pad = step * 0.7;
          return (
            <g key={hole}>
              {before !== null && (
                <rect className={after === null ? 'pad' : 'pad old'} x={x} width={pad} y={y(before)} height={5} />
              )}
              {after !== null && <rect className="pad" x={x} width={pad} y={y(after)} height={5} />}
              <text x={x + pad / 2} y={height - 4} textAnchor="middle">
                {(names.get(hole) ?? hole).slice(0, 6)}
              </text>
            </g>
          );
        })}
      </svg>
    </figure>
  );
}

/** The pads of each stack seen from the side: how they stand above their cups, and between what limits they should. */
export function StackPicture() {
  const { state, type } = useJob();
  const stacks = useMemo(() => stackStands(state, type), [state, type]);
  if (stacks.length === 0)
    return (
      <p className="soft mb-0">How the pads of a stack stand shows here from the side, once two of them are read.</p>
    );
  return (
    <div className="stack-pictures">
      {stacks.map((stack) => (
        <Picture key={stack.stack} stack={stack} />
      ))}
    </div>
  );
}
