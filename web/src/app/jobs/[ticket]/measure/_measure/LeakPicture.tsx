import { toRadians, type JudgedPad } from '@holotonos/core';

/** A gap this many times the limit glows as brightly as it gets. */
const brightest = 3;
const half = 22.5;

/**
 * A pad as it is seen with a light inside the tube: dark, and glowing where it does not touch. Front (away from the
 * hinge) at the top; the hinge is drawn at the bottom. Positions without a fresh reading stay blank.
 */
export function LeakPicture({ pad, here }: { pad: JudgedPad; here: number | null }) {
  const point = (clock: number, r: number) => `${r * Math.sin(toRadians(clock))} ${-r * Math.cos(toRadians(clock))}`;
  const open = pad.points
    .filter(({ mean }) => mean !== null && mean > pad.limit + 1e-9)
    .map(({ point: { clock } }) => `${clock}°`);
  const missing = pad.points.filter(({ mean }) => mean === null).length;
  const label = `Leak picture: ${open.length > 0 ? `light at ${open.join(', ')}` : 'no light'}${missing > 0 ? `; ${missing} positions not read` : ''}. Front at the top, hinge below.`;
  return (
    <svg className="leak-picture" viewBox="-128 -128 256 276" role="img" aria-label={label}>
      <defs>
        <filter id="glow" filterUnits="userSpaceOnUse" x={-128} y={-128} width={256} height={256}>
          <feGaussianBlur stdDeviation="5" />
        </filter>
      </defs>
      <rect x={-62} y={130} width={124} height={10} rx={4} fill="var(--line-strong)" />
      <path d="M-30 80 L-22 132 L-14 132 L-22 86 Z M30 80 L22 132 L14 132 L22 86 Z" fill="var(--line-strong)" />
      <circle r={96} fill="var(--pad-dark)" />
      <g fill="none">
        {pad.points.map(({ point: { clock }, mean }) => {
          if (mean === null) return null;
          const share = Math.min(1, mean / (pad.limit * brightest));
          if (share <= 0.02) return null;
          const leaks = mean > pad.limit + 1e-9;
          const arc = `M${point(clock - half, 90)} A90 90 0 0 1 ${point(clock + half, 90)}`;
          return (
            <g key={clock} stroke="var(--glow)">
              {leaks && (
                <path d={arc} strokeWidth={10 + 22 * share} opacity={0.35 + 0.65 * share} filter="url(#glow)" />
              )}
              <path d={arc} strokeWidth={2 + 9 * share} opacity={leaks ? 1 : 0.35} />
            </g>
          );
        })}
      </g>
      <circle r={58} fill="none" stroke="#6d625c" strokeWidth={1} />
      <circle r={9} fill="#6d625c" />
      {pad.points.map(({ point: { clock }, mean }) => (
        <g key={clock} transform={`translate(${point(clock, 110)})`}>
          {here === clock && <circle r={12} fill="none" stroke="var(--action)" strokeWidth={2.5} />}
          <text
            className="label"
            fontSize={14}
            textAnchor="middle"
            dominantBaseline="central"
            fill="var(--ink)"
            stroke="var(--sheet)"
            strokeWidth={4}
            paintOrder="stroke"
          >
            {mean === null ? '·' : clock}
          </text>
        </g>
      ))}
    </svg>
  );
}
