'use client';

import {
  boreAt,
  measureStateWords,
  sectionStarts,
  wholeState,
  type InstrumentType,
  type MeasureState,
} from '@holotonos/core';
import { useMemo } from 'react';
import { StateShape } from './StateMark';

const sectionGap = 14;
/** Height of a label as a share of the drawn length: 12 px where the strip is 1260 px wide. */
const labelShare = 12 / 1260;
/** Width of a letter of the condensed face against its height. */
const letterWidth = 0.45;
const mostRows = 4;

/** Distance round the tube from its front line, mm: 0° in the middle, to the right of the player downward. */
const around = (clock: number, diameter: number) =>
  (((clock > 180 ? clock - 360 : clock) * Math.PI) / 180) * (diameter / 2);

interface Label {
  above: boolean;
  row: number;
}

/** Gives each label the nearest row on which it overlaps no other, on its own side of the tube if it can. */
function placeLabels(
  holes: readonly { id: string; name: string; x: number; y: number }[],
  size: number,
): Map<string, Label> {
  const ends = new Map<string, number>();
  const placed = new Map<string, Label>();
  holes.forEach(({ id, name, x, y }, i) => {
    const half = (name.length * letterWidth * size) / 2 + size * 0.35;
    const own = Math.abs(y) < size ? i % 2 === 0 : y < 0;
    const rows = Array.from({ length: mostRows }, (_, row) => [
      { above: own, row },
      { above: !own, row },
    ]).flat();
    const free = rows.find(({ above, row }) => (ends.get(`${above} ${row}`) ?? -Infinity) < x - half) ?? {
      above: own,
      row: 0,
    };
    ends.set(`${free.above} ${free.row}`, x + half);
    placed.set(id, free);
  });
  return placed;
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
    const reach =
      Math.max(...holes.map(({ y, diameter, pad }) => Math.abs(y) + Math.max(diameter, pad?.diameter ?? 0) / 2)) + 4;
    const length = Math.max(...type.sections.map((section) => (starts.get(section.id) ?? 0) + section.length));
    const size = length * labelShare;
    const labels = placeLabels(holes, size);
    const rows = 1 + Math.max(...[...labels.values()].map(({ row }) => row));
    return { starts, place, holes, reach, length, size, labels, rows };
  }, [type]);

  const { starts, place, holes, reach, length, size: labelSize, labels, rows } = drawing;
  const height = 2 * (reach + rows * labelSize * 1.1 + labelSize * 0.6);
  return (
    <svg
      className="strip"
      viewBox={`-6 ${-height / 2} ${length + 12} ${height}`}
      style={{ maxHeight: '13.5rem' }}
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
            <text className="section-name" x={x + 2} y={-height / 2 + labelSize} fontSize={labelSize}>
              {section.name}
            </text>
          </g>
        );
      })}
      {type.rods.map((rod) => {
        const from = place(rod.section, rod.from, rod.clock);
        const to = place(rod.section, rod.to, rod.clock);
        return (
          <line
            key={rod.id}
            className="rod"
            strokeWidth={rod.diameter * 0.6}
            x1={from.x}
            y1={from.y}
            x2={to.x}
            y2={to.y}
          />
        );
      })}
      {type.posts.map((post) => {
        const { x, y } = place(post.section, post.at, post.clock);
        return <rect key={post.id} className="post" x={x - 1.5} y={y - 1.5} width={3} height={3} />;
      })}
      {holes.map(({ id, name, x, y, diameter, pad }) => {
        const states = stateOfPart(id);
        const { above, row } = labels.get(id) ?? { above: true, row: 0 };
        const labelY = above ? -reach - labelSize * (0.35 + 1.1 * row) : reach + labelSize * (1 + 1.1 * row);
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
            <line
              x1={x}
              y1={y}
              x2={x}
              y2={above ? labelY + labelSize * 0.2 : labelY - labelSize * 0.8}
              stroke="var(--tube-edge)"
              strokeWidth={0.3}
            />
            {pad && <circle className="cup" cx={x} cy={y} r={pad.diameter / 2} strokeWidth={0.5} />}
            <circle className="hole" cx={x} cy={y} r={diameter / 2} strokeWidth={0.7} />
            <circle className="ring" cx={x} cy={y} r={Math.max(diameter, pad?.diameter ?? 0) / 2 + 2} />
            {states.length > 0 && (
              <g transform={`translate(${x} ${y})`}>
                <StateShape state={wholeState(states)} size={size} />
              </g>
            )}
            <text x={x} y={labelY} fontSize={labelSize} textAnchor="middle">
              {name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
