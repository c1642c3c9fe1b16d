'use client';

import { wholeState, type InstrumentType, type MeasureState } from '@holotonos/core';
import { useMemo } from 'react';
import { StateShape } from '@/ui/StateMark';
import { pictureOf } from './picture';

/** An instrument as the eye knows it, with the states of its holes if they are given. */
export function InstrumentPicture({
  type,
  label,
  stateOfPart,
  here = null,
}: {
  type: InstrumentType;
  /** what it shows, for those who do not see it */
  label: string;
  stateOfPart?: ((part: string) => MeasureState[]) | undefined;
  here?: string | null;
}) {
  const { box, strokes, holes } = useMemo(() => pictureOf(type), [type]);
  return (
    <svg className="picture" viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`} role="img" aria-label={label}>
      {strokes.map(({ role, d }, i) => (
        <path key={i} className={role} d={d} />
      ))}
      {holes.map(({ id, x, y, radius }) => {
        const states = stateOfPart?.(id) ?? [];
        return (
          <g key={id} transform={`translate(${x} ${y})`}>
            {here === id && <circle className="here" r={radius + 3} />}
            {states.length > 0 && (
              <StateShape state={wholeState(states)} size={Math.max(5, Math.min(9, radius * 0.6))} />
            )}
          </g>
        );
      })}
    </svg>
  );
}
