'use client';

import { length, placeOfPart, printQuantity } from '@holotonos/core';
import { useEffect, useMemo, useRef } from 'react';
import { stripLayout } from '@/tube/stripLayout';
import { Tube } from '@/tube/StripDrawing';
import type { RegulationDesk } from './useRegulation';

/** Bare tube that is shown beside the outermost pads, mm. */
const beside = 16;
/** The picture is at most this much of its width high. */
const highest = 0.7;
/** A gap of this and more glows fully, mm: what a leak light shows plainly. */
const plain = 0.1;
/** No light and no film tells less than this from shut, mm. */
const unseen = 0.003;

/** The half of a cup that stays open longest, 0° up: as a path about its middle. */
function openHalf(x: number, y: number, r: number, toward: number): string {
  const at = (clock: number) => {
    const radians = (clock * Math.PI) / 180;
    return `${x + r * Math.sin(radians)} ${y - r * Math.cos(radians)}`;
  };
  return `M${at(toward - 90)} A${r} ${r} 0 0 1 ${at(toward + 90)} Z`;
}

/** While a cup is held down the finger presses harder with every beat, ms, after so many of them. */
const beatMs = 100;
const longAfter = 4;

/**
 * The linkage over the tube: cups as they lie, dark where they seal, light where a gap is left, with the gap in figures;
 * links as arcs that grow with the force they carry. A pad that has touched and is not level lets light through on its side
 * only. A cup is pressed with a click, and harder the longer it is held; the keys below do the same.
 */
export function LinkageDrawing({ desk }: { desk: RegulationDesk }) {
  const { type, now, pressed, name, unit, toggle, link, regulation } = desk;
  const holding = useRef<{ timer: ReturnType<typeof setInterval>; was: boolean; long: boolean } | null>(null);
  const letGo = () => {
    if (holding.current) clearInterval(holding.current.timer);
    holding.current = null;
  };
  useEffect(() => letGo, []);
  const hold = (key: string) => {
    letGo();
    const was = pressed.has(key);
    if (!was) toggle(key);
    let beats = 0;
    const timer = setInterval(() => {
      beats += 1;
      if (beats < longAfter || !holding.current) return;
      holding.current.long = true;
      desk.pressBy(1);
    }, beatMs);
    holding.current = { timer, was, long: false };
  };
  /** A short press on what was down already lets it up. */
  const release = (key: string) => {
    const { was = false, long = false } = holding.current ?? {};
    if (was && !long && desk.mayRelease(key)) toggle(key);
    letGo();
  };
  const layout = useMemo(() => stripLayout(type, false), [type]);
  const states = new Map(now.keys.map((key) => [key.id, { ...key, sealed: key.gap < unseen }]));
  const forces = new Map(now.links.map(({ id, force }) => [id, force]));
  const near = type.links.filter(({ driver, follower }) => pressed.has(driver) || pressed.has(follower));
  const shownKeys = new Set([...pressed, ...near.flatMap(({ driver, follower }) => [driver, follower])]);
  const spot = (key: string) => {
    const pad = type.pads.find((each) => each.key === key);
    const place = placeOfPart(type, pad?.hole ?? key);
    return place && layout.place(place);
  };
  const spots = [...shownKeys].flatMap((key) => spot(key) ?? []);
  const xs = spots.map(({ x }) => x);
  const [from, to] = xs.length > 0 ? [Math.min(...xs) - beside, Math.max(...xs) + beside] : [0, layout.width];
  const ys = spots.map(({ y }) => y);
  const [top, bottom] = ys.length > 0 ? [Math.min(...ys) - beside, Math.max(...ys) + beside] : [0, 0];
  const middle = (top + bottom) / 2;
  // Flat where all cups lie in a row; as high as it must be for one under a thumb.
  const width = Math.max(90, to - from, (bottom - top) / highest);
  const height = Math.max(width * 0.4, bottom - top);
  // Figures of neighbours stand on two lines, so that none covers the next.
  const open = type.pads
    .flatMap(({ hole, key }) => {
      const place = placeOfPart(type, hole);
      const state = states.get(regulation.mechanism.keyOfPad.get(hole) ?? key);
      return place && state && shownKeys.has(key) && !state.sealed ? [{ hole, x: layout.place(place).x }] : [];
    })
    .sort((a, b) => a.x - b.x)
    .map(({ hole }) => hole);
  const lineOf = (hole: string) => open.indexOf(hole) % 2;
  /** the side light shows at: of a pad that has touched already and is not level */
  const oneSided = (hole: string, gap: number): number | null => {
    const { openSides, keyOfPad, keys } = regulation.mechanism;
    const uneven = keys.find(({ id }) => id === keyOfPad.get(hole))?.unevenness ?? 0;
    return gap < uneven ? (openSides.get(hole) ?? null) : null;
  };
  const gapWords = (gap: number) => printQuantity(length(gap), unit);
  const sideWords = (key: string, { gap, sealed }: { gap: number; sealed: boolean }) => {
    const pad = type.pads.find((each) => each.key === key);
    const side = pad && !sealed ? oneSided(pad.hole, gap) : null;
    return side === null ? '' : ` toward ${Math.round(side)}°`;
  };
  const told = [...shownKeys]
    .flatMap((key) => {
      const state = states.get(key);
      if (!state || !type.pads.some((pad) => pad.key === key)) return [];
      return [`${name(key)} ${state.sealed ? 'seals' : `${gapWords(state.gap)} open`}${sideWords(key, state)}`];
    })
    .join('; ');
  return (
    <svg
      className="linkage"
      viewBox={`${(from + to - width) / 2} ${middle - height / 2} ${width} ${height}`}
      role="img"
      aria-label={`The linkage as it is pressed: ${told}`}
    >
      {layout.frames.map((frame) => (
        <Tube key={frame.section.id} frame={frame} />
      ))}
      {type.rods.map((rod) => {
        const a = layout.place({ section: rod.section, at: rod.from, clock: rod.clock });
        const b = layout.place({ section: rod.section, at: rod.to, clock: rod.clock });
        const roots = type.keys.filter((key) => key.rod === rod.id && shownKeys.has(key.id));
        if (roots.length === 0) return null;
        return (
          <g key={rod.id} className="lever">
            <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} />
            {roots.map(({ id }) => {
              const cup = spot(id);
              return cup && <line key={id} x1={cup.x} y1={a.y} x2={cup.x} y2={cup.y} />;
            })}
          </g>
        );
      })}
      {type.pads.map(({ hole, key, diameter }) => {
        const place = placeOfPart(type, hole);
        const state = states.get(regulation.mechanism.keyOfPad.get(hole) ?? key);
        if (!place || !state) return null;
        const { x, y } = layout.place(place);
        const inPlay = shownKeys.has(key);
        const glow = Math.max(0.2, Math.min(1, state.gap / plain));
        const classes = ['cup-now', pressed.has(key) && 'pressed', inPlay && (state.sealed ? 'shut' : 'open')];
        return (
          <g
            key={hole}
            className={classes.filter(Boolean).join(' ')}
            onPointerDown={() => hold(key)}
            onPointerUp={() => release(key)}
            onPointerLeave={letGo}
          >
            <circle cx={x} cy={y} r={diameter / 2} className="cup-ground" />
            {inPlay && (
              <text
                x={x}
                y={y - diameter / 2 - width / 60}
                textAnchor="middle"
                fontSize={width / 30}
                className="cup-name"
              >
                {name(hole)}
              </text>
            )}
            {inPlay && !state.sealed && (
              <>
                {oneSided(hole, state.gap) === null ? (
                  <circle cx={x} cy={y} r={diameter / 2} className="cup-light" opacity={glow} />
                ) : (
                  <>
                    <circle cx={x} cy={y} r={diameter / 2} className="cup-dark" />
                    <path
                      d={openHalf(x, y, diameter / 2, oneSided(hole, state.gap) ?? 0)}
                      className="cup-light"
                      opacity={glow}
                    />
                  </>
                )}
                <text
                  x={x}
                  y={y + diameter / 2 + (width / 26) * (1.1 + lineOf(hole))}
                  textAnchor="middle"
                  fontSize={width / 28}
                >
                  {gapWords(state.gap)}
                </text>
              </>
            )}
          </g>
        );
      })}
      {near.map(({ id, driver, follower }) => {
        const [a, b] = [spot(driver), spot(follower)];
        if (!a || !b) return null;
        const bow = Math.hypot(b.x - a.x, b.y - a.y) * 0.28 + 3;
        const force = forces.get(id) ?? 0;
        return (
          <path
            key={id}
            className={`link-now${id === link?.id ? ' here' : ''}${force > 0 ? ' carries' : ''}`}
            strokeWidth={0.6 + Math.min(2.4, force * 3)}
            d={`M${a.x} ${a.y} Q${(a.x + b.x) / 2} ${Math.min(a.y, b.y) - bow} ${b.x} ${b.y}`}
          />
        );
      })}
    </svg>
  );
}
