'use client';

import {
  boreAt,
  downTheTube,
  measureStateWords,
  placeOfPart,
  removableNames,
  wholeState,
  type InstrumentType,
} from '@holotonos/core';
import {
  useCallback,
  useEffect,
  useMemo,
  useState,
  type KeyboardEvent,
  type MouseEvent,
  type PointerEvent,
} from 'react';
import { StateShape } from '@/ui/StateMark';
import { InstrumentPicture } from './InstrumentPicture';
import type { StripControl, StripTarget } from './StripControl';
import { Holes, Keys, Links, Marks, Posts, Tube } from './StripDrawing';
import { stripLayout, type StripLayout } from './stripLayout';
import { StripTools, type Folds, type StripLayer } from './StripTools';
import { useZoom } from './useZoom';

/** Space round the drawing, mm. */
const edge = 6;
/** How far one press of the zoom keys goes. */
const zoomStep = 1.5;
/** What is seen of the tube round a part that is gone closer to, mm; never closer than so many times. */
const seenRound = 280;
const closest = 1.8;

const listsOf: Record<StripTarget, (type: InstrumentType) => readonly { id: string }[]> = {
  holes: (type) => type.holes,
  keys: (type) => type.keys,
  posts: (type) => type.posts,
  rods: (type) => type.rods,
  sections: (type) => type.sections,
  joints: (type) => type.joints,
  fittings: (type) => type.fittings,
};
/** The layer a target is drawn on. */
const layerOf: Partial<Record<StripTarget, StripLayer>> = { keys: 'keys', posts: 'posts', rods: 'posts' };

const firstLayers: readonly StripLayer[] = ['holes', 'posts', 'keys', 'states', 'photos'];
interface View {
  stacked: boolean;
  /** the instrument as the eye knows it, instead of its tube unrolled */
  pictured: boolean;
  layers: readonly StripLayer[];
}
const firstView: View = { stacked: false, pictured: false, layers: firstLayers };
function rememberedView(): View {
  try {
    const kept = JSON.parse(localStorage.getItem('holotonos-strip') ?? '{}') as {
      stacked?: boolean;
      pictured?: boolean;
      layers?: string[];
    };
    const known: StripLayer[] = ['holes', 'posts', 'keys', 'links', 'states', 'photos'];
    return {
      stacked: kept.stacked === true,
      pictured: kept.pictured === true,
      layers: Array.isArray(kept.layers) ? known.filter((layer) => kept.layers?.includes(layer)) : [...firstLayers],
    };
  } catch {
    return firstView;
  }
}

const photoWords = (count: number) => (count === 0 ? null : count === 1 ? '1 photo' : `${count} photos`);

/** Where a part is grasped: a spot to focus, to press and to drag. */
interface Grip {
  part: string;
  x: number;
  y: number;
  width: number;
  height: number;
  round: boolean;
}

/** The grip of a part on its target's layer; null where nobody has placed it yet. */
function gripOf(type: InstrumentType, layout: StripLayout, part: string): Grip | null {
  const centred = (x: number, y: number, width: number, height: number, round: boolean): Grip => ({
    part,
    x: x - width / 2,
    y: y - height / 2,
    width,
    height,
    round,
  });
  const section = layout.frames.find((frame) => frame.section.id === part);
  if (section) {
    const tall = Math.min(section.reach, boreAt(section.section, section.section.length / 2) + 6) * 2;
    return centred(section.x + section.section.length / 2, section.y, section.section.length, tall, false);
  }
  const place = placeOfPart(type, part);
  if (!place) return null;
  const { x, y } = layout.place(place);
  const hole = type.holes.find(({ id }) => id === part);
  if (hole) {
    const pad = type.pads.find((each) => each.hole === part);
    const size = Math.max(hole.diameter, pad?.diameter ?? 0) + 3;
    return centred(x, y, size, size, true);
  }
  const rod = type.rods.find(({ id }) => id === part);
  if (rod) return centred(x, y, rod.to - rod.from, 5, false);
  const key = type.keys.find(({ id }) => id === part);
  if (key?.from !== undefined && key.to !== undefined) return centred(x, y, key.to - key.from, 6, false);
  return centred(x, y, layout.labelSize * 0.7, layout.labelSize * 0.7, true);
}

/**
 * The instrument unrolled along its length in true millimetres, its layers, its states: the map of a job and the way to
 * move about. Arrow keys travel down the tube, Enter goes to a part; + − 0 zoom; parts can be dragged where a page lets
 * them.
 */
export function Strip({
  type,
  control,
  folds,
  zoomsTo = null,
}: {
  type: InstrumentType;
  control: StripControl;
  folds?: Folds;
  /** the part it is closer to from the start */
  zoomsTo?: string | null;
}) {
  const { targets, here, onPick, stateOfPart, flagOf, isOff, photosOf, onPlace, marks = [] } = control;
  const [view, setView] = useState<View>(firstView);
  const { stacked, pictured, layers } = view;
  useEffect(() => {
    // What this browser remembers is only known once it runs here.
    // oxlint-disable-next-line react/set-state-in-effect
    setView(rememberedView());
  }, []);
  const changeView = useCallback((next: View) => {
    setView(next);
    localStorage.setItem('holotonos-strip', JSON.stringify(next));
  }, []);

  const layout = useMemo(() => stripLayout(type, stacked), [type, stacked]);
  const { svg, transform, by, fit, show } = useZoom(layout.width + 2 * edge, layout.height);
  const names = useMemo(() => removableNames(type), [type]);
  // What can be gone to is always drawn, whatever layers are off.
  const drawn = useMemo(
    () => new Set<StripLayer>([...layers, ...targets.flatMap((target) => layerOf[target] ?? [])]),
    [layers, targets],
  );
  const grips = useMemo(() => {
    const parts = targets.flatMap((target) => listsOf[target](type).map(({ id }) => id));
    return downTheTube(type, parts).flatMap((part) => gripOf(type, layout, part) ?? []);
  }, [targets, type, layout]);

  // Small parts lie over large ones, so that each can be pressed; travel still goes down the tube.
  const drawnGrips = useMemo(() => [...grips].sort((a, b) => b.width * b.height - a.width * a.height), [grips]);

  // Closer to one part: a stretch of tube round it, as wide as the screen, so that its names are still beside it.
  const [seen, setSeen] = useState(() => {
    const grip = grips.find(({ part }) => part === zoomsTo);
    return grip ? grip.x + grip.width / 2 : null;
  });
  const whole = layout.width + 2 * edge;
  const span = seen === null ? whole : Math.min(whole, Math.max(seenRound, whole / closest));
  const from = seen === null ? 0 : Math.max(0, Math.min(whole - span, seen + edge - span / 2));

  const [focused, setFocused] = useState<string | null>(null);
  const [dragged, setDragged] = useState<{ part: string; x: number; y: number } | null>(null);
  const current = [focused, here].find((part) => grips.some((grip) => grip.part === part)) ?? grips[0]?.part ?? null;

  const focusOn = (part: string) => {
    svg.current?.querySelector<SVGGElement>(`[data-part="${part}"]`)?.focus({ preventScroll: true });
    const grip = grips.find((each) => each.part === part);
    if (grip && seen !== null) setSeen(grip.x + grip.width / 2);
    if (grip && transform.k > 1) show(grip.x + grip.width / 2, grip.y + grip.height / 2);
  };
  const travel = (steps: number) => {
    const at = grips.findIndex(({ part }) => part === current);
    const to = grips[Math.max(0, Math.min(grips.length - 1, at + steps))];
    if (to) focusOn(to.part);
  };
  const fitAll = () => {
    setSeen(null);
    fit();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const acts: Record<string, () => void> = {
      'ArrowRight': () => travel(1),
      'ArrowLeft': () => travel(-1),
      'Home': () => travel(-grips.length),
      'End': () => travel(grips.length),
      'Enter': () => current && onPick(current),
      ' ': () => current && onPick(current),
      '+': () => by(zoomStep),
      '=': () => by(zoomStep),
      '-': () => by(1 / zoomStep),
      '0': fitAll,
    };
    const act = acts[event.key];
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };

  /** The place of a pointer on the unscaled drawing, mm. */
  const pointAt = (event: MouseEvent): [number, number] => {
    const matrix = svg.current?.getScreenCTM()?.inverse();
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix ?? undefined);
    return transform.invert([point.x, point.y]);
  };
  const drop = (event: PointerEvent) => {
    if (!dragged) return;
    const [x, y] = pointAt(event);
    const spot = layout.spotAt(x - edge, y);
    setDragged(null);
    if (spot && onPlace) onPlace(dragged.part, spot);
  };

  const caption =
    focused === null ? null : [names.get(focused) ?? focused, flagOf?.(focused)].filter(Boolean).join(': ');
  return (
    <div className={`strip-frame${pictured ? ' pictured' : ''}`}>
      {pictured && (
        <InstrumentPicture
          type={type}
          label={`${type.name}, as it stands`}
          stateOfPart={drawn.has('states') ? stateOfPart : undefined}
          here={here}
        />
      )}
      <svg
        ref={svg}
        className="strip"
        viewBox={`${from} 0 ${span} ${layout.height}`}
        style={{ maxHeight: stacked || seen !== null ? '24rem' : '12.5rem' }}
        role="group"
        aria-label={`${type.name}, unrolled, to scale. Arrow keys travel down the tube.`}
        onKeyDown={onKeyDown}
      >
        <defs>
          <marker id="link-end" viewBox="0 0 6 6" refX={5} refY={3} markerWidth={5} markerHeight={5} orient="auto">
            <path className="link-head" d="M0 0 L6 3 L0 6 Z" />
          </marker>
        </defs>
        <g transform={transform.toString()}>
          <g transform={`translate(${edge} 0)`}>
            {layout.frames.map((frame) => (
              <Tube key={frame.section.id} frame={frame} />
            ))}
            {drawn.has('posts') && <Posts type={type} layout={layout} />}
            {drawn.has('keys') && <Keys type={type} layout={layout} />}
            {drawn.has('holes') && <Holes type={type} layout={layout} />}
            {drawn.has('links') && <Links type={type} layout={layout} />}
            {marks.length > 0 && <Marks marks={marks} layout={layout} />}
            {layout.frames.map(({ section, x, y, reach }) => (
              <text
                key={section.id}
                className="section-name"
                x={x + 2}
                y={stacked ? y - reach + layout.labelSize * 0.2 : layout.labelSize}
                fontSize={layout.labelSize}
              >
                {section.name}
              </text>
            ))}
            {drawnGrips.map(({ part, x, y, width, height, round }) => {
              const states = stateOfPart?.(part) ?? [];
              const flag = flagOf?.(part) ?? null;
              const off = isOff?.(part) ?? false;
              const photos = photosOf?.(part) ?? 0;
              const words = [
                states.map((state) => measureStateWords[state]).join(', '),
                flag,
                off && 'off',
                photoWords(photos),
              ]
                .filter(Boolean)
                .join('; ');
              const name = names.get(part) ?? part;
              const moving = dragged?.part === part ? `translate(${dragged.x} ${dragged.y})` : undefined;
              const [cx, cy] = [x + width / 2, y + height / 2];
              const mark = Math.max(4.2, Math.min(6.5, width / 4));
              return (
                <g
                  key={part}
                  data-part={part}
                  className={`part${here === part ? ' here' : ''}${onPlace ? ' movable' : ''}${off ? ' off' : ''}`}
                  transform={moving}
                  role="button"
                  tabIndex={part === current ? 0 : -1}
                  aria-label={`${name}: ${words || 'nothing noted'}`}
                  aria-current={here === part ? 'true' : undefined}
                  onClick={(event) => {
                    const [px, py] = pointAt(event);
                    const spot = layout.spotAt(px - edge, py);
                    if (spot?.section === part) onPick(part, spot);
                    else onPick(part);
                  }}
                  onFocus={() => setFocused(part)}
                  onBlur={() => setFocused(null)}
                  onPointerEnter={() => setFocused(part)}
                  onPointerLeave={() => setFocused((now) => (now === part ? null : now))}
                  onPointerDown={(event) => {
                    if (!onPlace || event.button !== 0) return;
                    event.currentTarget.setPointerCapture(event.pointerId);
                    setDragged({ part, x: 0, y: 0 });
                  }}
                  onPointerMove={(event) => {
                    if (dragged?.part !== part) return;
                    const [px, py] = pointAt(event);
                    setDragged({ part, x: px - edge - cx, y: py - cy });
                  }}
                  onPointerUp={drop}
                >
                  <rect className="ring" x={x} y={y} width={width} height={height} rx={round ? width / 2 : 1.5} />
                  {drawn.has('states') && states.length > 0 && (
                    <g transform={`translate(${cx} ${cy})`}>
                      <StateShape state={wholeState(states)} size={mark} />
                    </g>
                  )}
                  {drawn.has('photos') && photos > 0 && (
                    <path
                      className="photo-pin"
                      d={`M${cx - mark} ${cy + mark * 0.5} h${mark * 0.5} l${mark * 0.25} ${-mark * 0.35} h${mark * 0.5} l${mark * 0.25} ${mark * 0.35} h${mark * 0.5} v${mark * 1.2} h${-mark * 2} Z`}
                    />
                  )}
                  {flag && (
                    <path
                      className="flag"
                      d={`M${cx} ${cy} v${-mark * 1.7} l${mark * 1.3} ${mark * 0.55} l${-mark * 1.3} ${mark * 0.55}`}
                    />
                  )}
                </g>
              );
            })}
          </g>
        </g>
      </svg>
      <StripTools
        stacked={stacked}
        layers={layers}
        several={type.sections.length > 1}
        pictured={pictured}
        onPicture={() => changeView({ ...view, pictured: !pictured })}
        onStack={() => changeView({ ...view, stacked: !stacked })}
        onLayer={(layer) =>
          changeView({
            ...view,
            layers: layers.includes(layer) ? layers.filter((each) => each !== layer) : [...layers, layer],
          })
        }
        onZoom={(inward) => by(inward ? zoomStep : 1 / zoomStep)}
        onFit={fitAll}
        {...(folds && { folds })}
      />
      <div className="strip-caption" aria-hidden="true">
        {caption}
      </div>
    </div>
  );
}
