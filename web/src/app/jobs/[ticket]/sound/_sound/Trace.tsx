/** Cents that the height of the picture spans, either way of where the note began. */
const span = 25;
const width = 480;
const height = 90;
/** Looks the width holds; a shorter note fills a part of it. */
const looks = 240;

/** A held note as it wavers, from where it began: a key that lifts is a step in the line. */
export function Trace({ cents }: { cents: readonly number[] }) {
  const y = (value: number) => height / 2 - (Math.max(-span, Math.min(span, value)) / span) * (height / 2 - 4);
  const points = cents.map((value, i) => `${((i * width) / looks).toFixed(1)},${y(value).toFixed(1)}`).join(' ');
  const last = cents.at(-1) ?? 0;
  return (
    <svg
      className="trace"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={cents.length === 0 ? 'Nothing held' : `Held note, now ${last.toFixed(0)} cents from where it began`}
    >
      {[-10, 0, 10].map((value) => (
        <line key={value} x1={0} x2={width} y1={y(value)} y2={y(value)} className={value === 0 ? 'zero' : undefined} />
      ))}
      <polyline points={points} />
    </svg>
  );
}
