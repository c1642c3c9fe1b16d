import type { PhotoState } from '@holotonos/core';

export type Mark = PhotoState['marks'][number];

/** The marks over a picture: vectors in shares of its width and height, never burnt into it. */
export function PhotoMarks({
  width,
  height,
  marks,
  chosen = null,
}: {
  width: number;
  height: number;
  marks: readonly Mark[];
  chosen?: number | null;
}) {
  const stroke = Math.max(width, height) / 160;
  return (
    <>
      {marks.map(({ shape, x, y, toX, toY }, i) => {
        const [ax, ay, bx, by] = [x * width, y * height, toX * width, toY * height];
        const className = `photo-mark${i === chosen ? ' chosen' : ''}`;
        if (shape === 'circle')
          return (
            <circle
              key={i}
              className={className}
              cx={ax}
              cy={ay}
              r={Math.hypot(bx - ax, by - ay)}
              strokeWidth={stroke}
            />
          );
        const angle = Math.atan2(by - ay, bx - ax);
        const barb = (turn: number) =>
          `${bx - stroke * 5 * Math.cos(angle + turn)} ${by - stroke * 5 * Math.sin(angle + turn)}`;
        return (
          <path
            key={i}
            className={className}
            strokeWidth={stroke}
            d={`M${ax} ${ay} L${bx} ${by} M${barb(0.5)} L${bx} ${by} L${barb(-0.5)}`}
          />
        );
      })}
    </>
  );
}
