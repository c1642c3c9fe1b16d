import { boreAt, placeOfPart, type InstrumentType } from '@holotonos/core';
import type { StripMark } from './StripControl';
import type { Frame, StripLayout } from './stripLayout';

/** What is left bare between the hinge tubes of neighbours, so that each key can be told, mm. */
const tubeGap = 0.7;
/** Where light and shade lie on an unrolled tube, in shares of its half height: its front is lit, its right side turns away. */
const lit = [-0.7, -0.38] as const;
const shaded = [0.55, 1] as const;

/** One section, unrolled, with as much light and shade as says that it is round. */
export function Tube({ frame: { section, x, y, reach } }: { frame: Frame }) {
  const half = (at: number) => Math.min(reach, (Math.PI * (boreAt(section, at) + 2 * section.wall)) / 2);
  const places = [0, ...section.bore.map(({ at }) => at), section.length];
  const line = (share: number, order: number[]) => order.map((at) => `${x + at} ${y + share * half(at)}`).join(' L');
  const between = ([from, to]: readonly [number, number]) =>
    `M${line(from, places)} L${line(to, [...places].reverse())} Z`;
  const assumed = section.assumed?.includes('length') ? ' assumed' : '';
  return (
    <>
      <path className={`tube${assumed}`} strokeWidth={0.6} d={between([-1, 1])} />
      <path className="shade" d={between(shaded)} />
      <path className="light" d={between(lit)} />
    </>
  );
}

/** Rods and the posts that carry them. */
export function Posts({ type, layout }: { type: InstrumentType; layout: StripLayout }) {
  return (
    <g>
      {type.rods.map(({ id, section, from, to, clock, diameter }) => {
        const a = layout.place({ section, at: from, clock });
        const b = layout.place({ section, at: to, clock });
        return <line key={id} className="rod" strokeWidth={diameter * 0.6} x1={a.x} y1={a.y} x2={b.x} y2={b.y} />;
      })}
      {type.posts.map((post) => {
        const { x, y } = layout.place(post);
        return <rect key={post.id} className="post" x={x - 1.5} y={y - 1.5} width={3} height={3} />;
      })}
    </g>
  );
}

/** Keys as they lie: the hinge tube on its rod and an arm to each pad. */
export function Keys({ type, layout }: { type: InstrumentType; layout: StripLayout }) {
  const rods = new Map(type.rods.map((rod) => [rod.id, rod]));
  const holes = new Map(type.holes.map((hole) => [hole.id, hole]));
  return (
    <g>
      {type.keys.map(({ id, rod: rodId, from, to }) => {
        const rod = rods.get(rodId ?? '');
        if (!rod) return null;
        const a = layout.place({ section: rod.section, at: from ?? rod.from, clock: rod.clock });
        const b = layout.place({ section: rod.section, at: to ?? rod.to, clock: rod.clock });
        const pads = type.pads.filter(({ key }) => key === id);
        return (
          <g key={id} className="key">
            {pads.map(({ hole: holeId }) => {
              const hole = holes.get(holeId);
              if (!hole) return null;
              const { x, y } = layout.place(hole);
              const root = Math.max(Math.min(x, Math.max(a.x, b.x)), Math.min(a.x, b.x));
              return <line key={holeId} className="arm" strokeWidth={1.2} x1={root} y1={a.y} x2={x} y2={y} />;
            })}
            <rect
              className="tube-of-key"
              x={Math.min(a.x, b.x) + tubeGap}
              y={(a.y + b.y) / 2 - rod.diameter * 0.8}
              width={Math.max(1, Math.abs(b.x - a.x) - 2 * tubeGap)}
              height={rod.diameter * 1.6}
              strokeWidth={0.4}
            />
          </g>
        );
      })}
    </g>
  );
}

/** Links as arcs from the key that drives to the key that follows. */
export function Links({ type, layout }: { type: InstrumentType; layout: StripLayout }) {
  const spot = (part: string) => {
    const pad = type.pads.find(({ key }) => key === part);
    const place = placeOfPart(type, pad?.hole ?? part);
    return place && layout.place(place);
  };
  return (
    <g>
      {type.links.map(({ id, driver, follower, acts }) => {
        const a = spot(driver);
        const b = spot(follower);
        if (!a || !b) return null;
        const bow = Math.hypot(b.x - a.x, b.y - a.y) * 0.28 + 3;
        return (
          <path
            key={id}
            className={`link ${acts}`}
            strokeWidth={0.9}
            markerEnd="url(#link-end)"
            d={`M${a.x} ${a.y} Q${(a.x + b.x) / 2} ${(a.y + b.y) / 2 - bow} ${b.x} ${b.y}`}
          />
        );
      })}
    </g>
  );
}

/** Holes with their cups, labels to one side; open finger holes without a cup. */
export function Holes({ type, layout }: { type: InstrumentType; layout: StripLayout }) {
  const pads = new Map(type.pads.map((pad) => [pad.hole, pad]));
  return (
    <g>
      {type.holes.map((hole) => {
        const { id, name, section, diameter, assumed } = hole;
        const { x, y } = layout.place(hole);
        const label = layout.labels.get(id) ?? { above: true, row: 0 };
        const labelY = layout.labelY(section, label);
        const pad = pads.get(id);
        return (
          <g key={id}>
            <line
              className="lead"
              strokeWidth={0.3}
              x1={x}
              y1={y}
              x2={x}
              y2={label.above ? labelY + layout.labelSize * 0.2 : labelY - layout.labelSize * 0.8}
            />
            {pad && <circle className="cup" cx={x} cy={y} r={pad.diameter / 2} strokeWidth={0.5} />}
            <circle
              className={`hole${assumed?.some((field) => field !== 'chimney') ? ' assumed' : ''}`}
              cx={x}
              cy={y}
              r={diameter / 2}
              strokeWidth={0.7}
            />
            <text x={x} y={labelY} fontSize={layout.labelSize} textAnchor="middle">
              {name}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** What was found along the tube: stretches of bore as bands with their names, a support as a wedge, a push as an arrow. */
export function Marks({ marks, layout }: { marks: readonly StripMark[]; layout: StripLayout }) {
  const size = layout.labelSize;
  return (
    <g>
      {marks.map(({ kind, section, at, to, clock, words }) => {
        const frame = layout.frames.find((each) => each.section.id === section);
        if (!frame) return null;
        if (to !== undefined) {
          const [x, width] = [frame.x + at, Math.max(1.5, to - at)];
          return (
            <g key={`${kind}${at}`} className={`found ${kind}`}>
              <rect x={x} y={frame.y - frame.reach} width={width} height={2 * frame.reach} />
              <text x={x + width / 2} y={frame.y + frame.reach - size * 0.3} fontSize={size} textAnchor="middle">
                {words}
              </text>
            </g>
          );
        }
        const spot = layout.place({ section, at, clock: clock ?? 0 });
        const tip = size * 0.9;
        return (
          <g key={`${kind}${at}`} className={`found ${kind}`}>
            <path
              d={
                kind === 'support'
                  ? `M${spot.x} ${spot.y} l${-tip * 0.7} ${tip * 1.2} h${tip * 1.4} Z`
                  : `M${spot.x - tip * 2.4} ${spot.y} h${tip * 1.5} v${-tip * 0.5} L${spot.x} ${spot.y} l${-tip * 0.9} ${tip * 0.5} v${-tip * 0.5} Z`
              }
            />
            <text
              x={spot.x}
              y={spot.y < frame.y ? spot.y + tip * 1.7 : spot.y - tip * (kind === 'support' ? 0.5 : 0.9)}
              fontSize={size}
              textAnchor="middle"
            >
              {words}
            </text>
          </g>
        );
      })}
    </g>
  );
}
