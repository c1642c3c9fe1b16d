'use client';

import { lightClocks, lightPicture, pictureWords, toRadians } from '@holotonos/core';

const half = 20;
const point = (clock: number, r: number) => `${r * Math.sin(toRadians(clock))} ${-r * Math.cos(toRadians(clock))}`;

/**
 * The pad as the leak light shows it, to be pressed where light shows. Front at the top, hinge below; each sector
 * carries the number of its key.
 */
export function LightPicker({
  sectors,
  known,
  onToggle,
}: {
  sectors: readonly number[];
  /** somebody has looked, now or before */
  known: boolean;
  onToggle: (clock: (typeof lightClocks)[number]) => void;
}) {
  return (
    <div className="light-picker">
      <svg viewBox="-118 -118 236 250" role="group" aria-label="Sectors of the pad, from the front clockwise">
        <rect x={-54} y={112} width={108} height={10} rx={4} fill="var(--line-strong)" />
        <circle r={94} fill="var(--pad-dark)" />
        {lightClocks.map((clock, i) => {
          const open = sectors.includes(clock);
          return (
            <g
              key={clock}
              className={`sector${open ? ' open' : ''}`}
              role="checkbox"
              aria-checked={open}
              aria-label={`${clock}°, key ${i + 1}`}
              tabIndex={-1}
              onClick={() => onToggle(clock)}
            >
              <path
                d={`M${point(clock - half, 112)} A112 112 0 0 1 ${point(clock + half, 112)} L${point(clock + half, 58)} A58 58 0 0 0 ${point(clock - half, 58)} Z`}
              />
              <text className="label" transform={`translate(${point(clock, 76)})`} fontSize={19}>
                {i + 1}
              </text>
            </g>
          );
        })}
        <circle r={9} fill="#6d625c" />
      </svg>
      <p className="mb-0" aria-live="polite">
        {known ? (
          <>
            <strong>{pictureWords[lightPicture(sectors)].title}.</strong> {pictureWords[lightPicture(sectors)].causes}
          </>
        ) : (
          <span className="soft">Not looked at yet.</span>
        )}
      </p>
    </div>
  );
}
