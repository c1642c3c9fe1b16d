'use client';

import { along, printLength, printQuantity, type BodyLineOutput, type LengthUnit } from '@holotonos/core';

const size = 200;
const rim = 78;
const toward = (clock: number, r: number) => ({
  x: r * Math.sin((clock * Math.PI) / 180),
  y: -r * Math.cos((clock * Math.PI) / 180),
});

/** The tube seen from the mouthpiece end: where each station's centre lies, and which way to push. */
export function EndView({ line, unit }: { line: BodyLineOutput; unit: LengthUnit }) {
  const most = Math.max(1e-6, ...line.centres.map(({ x, y }) => Math.hypot(x, y)));
  const scale = (rim * 0.78) / most;
  const push = line.correction?.pushClock ?? null;
  const [from, to] = push === null ? [] : [toward(push + 180, rim + 15), toward(push + 180, rim - 9)];
  const words = line.centres
    .map(({ at, x, y }) => `${printQuantity(along(at), unit)}: ${printLength(Math.hypot(x, y), unit)}`)
    .join('; ');
  return (
    <figure className="end-view">
      <svg
        viewBox={`${-size / 2} ${-size / 2} ${size} ${size}`}
        role="img"
        aria-label={`End view from the mouthpiece: centres ${words}.${push === null ? '' : ` Push toward ${Math.round(push)}°.`}`}
      >
        <circle className="rim" r={rim} />
        {[0, 90, 180, 270].map((clock) => {
          const { x, y } = toward(clock, rim + 12);
          return (
            <text key={clock} x={x} y={y + 4} textAnchor="middle" fontSize={11}>
              {clock}°
            </text>
          );
        })}
        <path className="line" d={`M${line.centres.map(({ x, y }) => `${y * scale} ${-x * scale}`).join(' L')}`} />
        {line.centres.map(({ at, x, y }, i) => (
          <circle key={at} className="centre" cx={y * scale} cy={-x * scale} r={i === 0 ? 4.5 : 3} />
        ))}
        {from && to && <path className="push" markerEnd="url(#push-end)" d={`M${from.x} ${from.y} L${to.x} ${to.y}`} />}
        <defs>
          <marker id="push-end" viewBox="0 0 6 6" refX={4} refY={3} markerWidth={4} markerHeight={4} orient="auto">
            <path className="push-head" d="M0 0 L6 3 L0 6 Z" />
          </marker>
        </defs>
      </svg>
      <figcaption className="soft">
        From the mouthpiece end; the farthest centre is {printLength(most, unit)} out. Arrow: push.
      </figcaption>
    </figure>
  );
}
