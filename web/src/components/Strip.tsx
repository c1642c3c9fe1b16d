'use client';

import { boreAt, measureStateWords, sectionStarts, wholeState, type InstrumentType, type MeasureState } from '@holotonos/core';
import { useMemo } from 'react';
import { StateShape } from './StateMark';

const sectionGap = 14;
const labelRows = 2;
const labelHeight = 9;

/** Distance round the tube from its front line, mm: 0° in the middle, to the right of the player downward. */
const around = (clock: number, diameter: number) => (((clock > 180 ? clock - 360 : clock) * Math.PI) / 180) * (diameter / 2);

export interface StripMark {
  part: string;
  states: MeasureState[];
}

/**
 * The instrument unrolled along its length in true millimetres: one scale along and round. Holes, rods, posts and pad
 * cups are drawn from the type's own geometry; each hole carries the state of its measures.
 */
export function Strip({
  type,
  stateOfPart,
  here,
  onPick,
}: {
  type: InstrumentType;
  stateOfPart: (part: string) => MeasureState[];
  here: string | null;
  onPick: (part: string) => void;
}) {
  const drawing = useMemo(() => {
    const starts = sectionStarts(type, sectionGap);
    const sections = new Map(type.sections.map((section) => [section.id, section]));
    const place = (section: string, at: number, clock: number) => {
      const found = sections.get(section);
      const outer = found ? boreAt(found, at) + 2 * found.wall : 0;
      return { x: (starts.get(section) ?? 0) + at, y: around(clock, outer) };
    };
    const pads = new Map(type.pads.map((pad) => [pad.hole, pad]));
    const holes = type.holes
      .map((hole) => ({ ...hole, ...place(hole.section, hole.at, hole.clock), pad: pads.get(hole.id) }))
      .sort((a, b) => a.x - b.x);
    const reach = Math.max(...holes.map(({ y, diameter, pad }) => Math.abs(y) + Math.max(diameter, pad?.diameter ?? 0) / 2)) + 4;
    const length = Math.max(...type.sections.map((section) => (starts.get(section.id) ?? 0) + section.length));
    return { starts, place, holes, reach, length };
  }, [type]);

  const { starts, place, holes, reach, length } = drawing;
  const padding = labelRows * labelHeight + 6;
  const height = 2 * (reach + padding);
  return (
    <svg
      className="strip"
      viewBox={`-6 ${-height / 2} ${length + 12} ${height}`}
      style={{ maxHeight: '15rem' }}
      role="group"
      aria-label={`${type.name}, unrolled, to scale`}
    >
      {type.sections.map((section) => {
        const x = starts.get(section.id) ?? 0;
        const edge = (at: number) => Math.min(reach, (Math.PI * (boreAt(section, at) + 2 * section.wall)) / 2);
        const places = [0, ...section.bore.map(({ at }) => at), section.length];
        const side = (sign: number, order: number[]) => order.map((at) => `${x + at} ${sign * edge(at)}`).join(' L');
        return (
          <g key={section.id}>
            <path className="tube" strokeWidth={0.6} d={`M${side(-1, places)} L${side(1, [...places].reverse())} Z`} />
            <text className="section-name" x={x + 2} y={height / 2 - 3} fontSize={8.5}>
              {section.name}
            </text>
          </g>
        );
      })}
      {type.rods.map((rod) => {
        const from = place(rod.section, rod.from, rod.clock);
        const to = place(rod.section, rod.to, rod.clock);
        return <line key={rod.id} className="rod" strokeWidth={rod.diameter * 0.6} x1={from.x} y1={from.y} x2={to.x} y2={to.y} />;
      })}
      {type.posts.map((post) => {
        const { x, y } = place(post.section, post.at, post.clock);
        return <rect key={post.id} className="post" x={x - 1.5} y={y - 1.5} width={3} height={3} />;
      })}
      {holes.map(({ id, name, x, y, diameter, pad }, i) => {
        const states = stateOfPart(id);
        const above = i % 2 === 0;
        const row = Math.floor(i / 2) % labelRows;
        const labelY = above ? -reach - 4 - row * labelHeight : reach + labelHeight + row * labelHeight - 2;
        const size = Math.max(4.2, Math.min(6.5, diameter / 4));
        const words = states.map((state) => measureStateWords[state]).join(', ');
        const pick = () => onPick(id);
        return (
          <g
            key={id}
            className={`part${here === id ? ' here' : ''}`}
            role="button"
            tabIndex={0}
            aria-label={`${name}: ${words || 'no measures'}`}
            aria-current={here === id ? 'true' : undefined}
            onClick={pick}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === ' ') {
                event.preventDefault();
                pick();
              }
            }}
          >
            <line x1={x} y1={y} x2={x} y2={above ? labelY + 2 : labelY - 7} stroke="var(--tube-edge)" strokeWidth={0.3} />
            {pad && <circle className="cup" cx={x} cy={y} r={pad.diameter / 2} strokeWidth={0.5} />}
            <circle className="hole" cx={x} cy={y} r={diameter / 2} strokeWidth={0.7} />
            <circle className="ring" cx={x} cy={y} r={Math.max(diameter, pad?.diameter ?? 0) / 2 + 2} />
            {states.length > 0 && (
              <g transform={`translate(${x} ${y})`}>
                <StateShape state={wholeState(states)} size={size} />
              </g>
            )}
            <text x={x} y={labelY} fontSize={9} textAnchor="middle">
              {name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
