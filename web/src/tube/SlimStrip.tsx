'use client';

import { measureStateWords, wholeState, type InstrumentType, type MeasureState } from '@holotonos/core';
import { useMemo } from 'react';
import { StateShape } from '@/ui/StateMark';
import type { StripControl } from './StripControl';
import { stripLayout } from './stripLayout';

/** Half the height of the folded tube, and how large a state is drawn on it, mm. */
const half = 9;
const mark = 5;

/** How the holes stand, counted, in words: what the folded map says to those who do not see it. */
export function slimWords(states: readonly MeasureState[]): string {
  const counts = new Map<MeasureState, number>();
  for (const state of states) counts.set(state, (counts.get(state) ?? 0) + 1);
  const said = (Object.keys(measureStateWords) as MeasureState[]).flatMap((state) => {
    const count = counts.get(state);
    return count ? [`${count} ${measureStateWords[state]}`] : [];
  });
  return said.length > 0 ? said.join(', ') : 'nothing measured yet';
}

/** The strip folded to a slim map: the tube as a bar, the state of each hole in its place, and a way to unfold it. */
export function SlimStrip({
  type,
  stateOfPart,
  onUnfold,
  takesFocus,
}: {
  type: InstrumentType;
  stateOfPart: StripControl['stateOfPart'];
  onUnfold: () => void;
  takesFocus: boolean;
}) {
  const layout = useMemo(() => stripLayout(type, false), [type]);
  const frames = new Map(layout.frames.map((frame) => [frame.section.id, frame]));
  const holes = type.holes.flatMap((hole) => {
    const frame = frames.get(hole.section);
    if (!frame) return [];
    const { x, y } = layout.place(hole);
    const states = stateOfPart?.(hole.id) ?? [];
    return [
      { id: hole.id, x, y: ((y - frame.y) / frame.reach) * half, state: states.length > 0 ? wholeState(states) : null },
    ];
  });
  const words = slimWords(holes.flatMap(({ state }) => state ?? []));
  return (
    <div className="strip-slim">
      <svg
        viewBox={`-2 ${-half - mark} ${layout.width + 4} ${2 * (half + mark)}`}
        role="img"
        aria-label={`${type.name}, folded: ${words}`}
      >
        {layout.frames.map(({ section, x }) => (
          <rect key={section.id} className="tube" x={x} y={-half} width={section.length} height={2 * half} rx={2} />
        ))}
        {holes.map(({ id, x, y, state }) => (
          <g key={id} transform={`translate(${x} ${y})`}>
            {state ? <StateShape state={state} size={mark} /> : <circle className="hole" r={mark / 2} />}
          </g>
        ))}
      </svg>
      <button type="button" className="label" aria-expanded={false} autoFocus={takesFocus} onClick={onUnfold}>
        Unfold
      </button>
    </div>
  );
}
