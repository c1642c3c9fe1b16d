'use client';

import {
  measureStateWords,
  sectionStarts,
  silhouetteOf,
  wholeState,
  type InstrumentType,
  type MeasureState,
  type Outline,
} from '@holotonos/core';
import { useMemo } from 'react';
import { StateShape } from '@/ui/StateMark';
import { closed } from './picture';
import type { StripControl, StripMark } from './StripControl';
import { stripLayout } from './stripLayout';

/** Half the height of the slim map against its length: what is left of a band that is as wide as the screen. */
const slimness = 0.0225;
/** How large a state is drawn, and how far the widest tube reaches, in shares of that half height. */
const markShare = 0.3;
const tubeShare = 0.94;

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

/** The strip folded to a slim map: the tube in its taper, the state of each hole in its place, and a way to open it. */
export function SlimStrip({
  type,
  stateOfPart,
  here = null,
  marks = [],
  onOpen,
}: {
  type: InstrumentType;
  stateOfPart: StripControl['stateOfPart'];
  /** the part in work */
  here?: string | null;
  /** what was found along the tube: on the open map it has its words */
  marks?: readonly StripMark[];
  onOpen: () => void;
}) {
  const { outlines, holes, starts, width, half } = useMemo(() => slimDrawing(type), [type]);
  const marked = holes.map((hole) => {
    const states = stateOfPart?.(hole.id) ?? [];
    return { ...hole, state: states.length > 0 ? wholeState(states) : null };
  });
  const words = slimWords(marked.flatMap(({ state }) => state ?? []));
  const mark = half * markShare;
  return (
    <div className="strip-slim">
      <svg
        viewBox={`${-mark} ${-half} ${width + 2 * mark} ${2 * half}`}
        role="img"
        aria-label={`${type.name}, folded: ${words}`}
        onClick={onOpen}
      >
        {outlines.map(({ id, d, shade }) => (
          <g key={id}>
            <path className="tube" d={d} strokeWidth={half * 0.03} />
            <path className="shade" d={shade} />
          </g>
        ))}
        {marks.map(({ kind, section, at, to }) => {
          const x = (starts.get(section) ?? 0) + at;
          const size = mark * 0.8;
          return (
            <g key={`${kind}${section}${at}`} className={`found ${kind}`}>
              {to === undefined ? (
                <path d={`M${x} ${half - size * 2} l${-size} ${size * 2} h${size * 2} Z`} />
              ) : (
                <rect x={x} y={-half} width={Math.max(size / 2, to - at)} height={2 * half} />
              )}
            </g>
          );
        })}
        {marked.map(({ id, x, y, state }) => (
          <g key={id} transform={`translate(${x} ${y})`}>
            {here === id && <circle className="here" r={mark * 1.8} strokeWidth={mark * 0.4} />}
            {state ? (
              <StateShape state={state} size={mark} />
            ) : (
              <circle className="hole" r={mark / 2} strokeWidth={mark * 0.15} />
            )}
          </g>
        ))}
      </svg>
      <button
        type="button"
        className="label"
        aria-expanded={false}
        aria-keyshortcuts="Alt+M"
        onFocus={(event) => event.currentTarget.matches(':focus-visible') && onOpen()}
        onClick={onOpen}
      >
        Map
      </button>
    </div>
  );
}

/** Tube and holes of the slim map: true along the tube, pressed flat across it so that bell and all fit a band. */
function slimDrawing(type: InstrumentType) {
  const { sections, box } = silhouetteOf(type, { straight: true });
  const half = box.width * slimness;
  const flat = Math.min(1, (half * tubeShare) / (box.height / 2));
  const flattened = (outline: Outline) => closed(outline.map(({ x, y }) => ({ x, y: y * flat })));
  const layout = stripLayout(type, false);
  const frames = new Map(layout.frames.map((frame) => [frame.section.id, frame]));
  const starts = sectionStarts(type, 0);
  return {
    half,
    starts,
    width: box.width,
    outlines: sections.map(({ id, between }) => ({
      id,
      d: flattened(between(-1, 1)),
      shade: flattened(between(0.45, 1)),
    })),
    // Unrolled across, as on the open strip: what lies side by side there does so here.
    holes: type.holes.flatMap((hole) => {
      const frame = frames.get(hole.section);
      if (!frame) return [];
      const { y } = layout.place(hole);
      const across = ((y - frame.y) / frame.reach) * half * (1 - markShare);
      return [{ id: hole.id, x: (starts.get(hole.section) ?? 0) + hole.at, y: across }];
    }),
  };
}
