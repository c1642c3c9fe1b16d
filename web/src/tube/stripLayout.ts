import { boreAt, downTheTube, type InstrumentType, type PartPlace } from '@holotonos/core';

const sectionGap = 14;
/** Width the strip is drawn for; labels keep their size on the screen at it, px. */
const drawnWidth = 1200;
const labelPixels = 12.5;
/** Width of a letter of the condensed face against its height. */
const letterWidth = 0.45;
const mostRows = 5;
const margin = 4;

export interface Frame {
  section: InstrumentType['sections'][number];
  x: number;
  /** the front line of the tube */
  y: number;
  /** half the height that is drawn of the unrolled tube, mm */
  reach: number;
}

export interface Label {
  above: boolean;
  row: number;
}

/** Everything needed to draw a type unrolled, in true millimetres: one scale along and round. */
export interface StripLayout {
  frames: Frame[];
  width: number;
  height: number;
  top: number;
  labelSize: number;
  labels: ReadonlyMap<string, Label>;
  /** where a spot of the tube is drawn */
  place: (spot: PartPlace) => { x: number; y: number };
  /** the spot of the tube that is drawn there; null outside every section */
  spotAt: (x: number, y: number) => PartPlace | null;
  labelY: (section: string, label: Label) => number;
}

/** Distance round the tube from its front line, mm: 0° in the middle, to the right of the player downward. */
const around = (clock: number, diameter: number) =>
  (((clock > 180 ? clock - 360 : clock) * Math.PI) / 180) * (diameter / 2);

interface Named {
  id: string;
  name: string;
  section: string;
  x: number;
  y: number;
}

/** Gives each label the nearest row on which it overlaps no other, on its own side of the tube if it can. */
function placeLabels(holes: readonly Named[], size: number, together: (section: string) => string): Map<string, Label> {
  const ends = new Map<string, number>();
  const placed = new Map<string, Label>();
  holes.forEach(({ id, name, section, x, y }, i) => {
    const half = (name.length * letterWidth * size) / 2 + size * 0.35;
    const own = Math.abs(y) < size ? i % 2 === 0 : y < 0;
    const rows = Array.from({ length: mostRows }, (_, row) => [
      { above: own, row },
      { above: !own, row },
    ]).flat();
    const lane = ({ above, row }: Label) => `${together(section)} ${above} ${row}`;
    const free = rows.find((label) => (ends.get(lane(label)) ?? -Infinity) < x - half) ?? { above: own, row: 0 };
    ends.set(lane(free), x + half);
    placed.set(id, free);
  });
  return placed;
}

/**
 * Lays a type out for drawing.
 *
 * @param stacked each section on a line of its own, at one scale, instead of all on one line
 */
export function stripLayout(type: InstrumentType, stacked: boolean): StripLayout {
  const outer = (section: Frame['section'], at: number) => boreAt(section, at) + 2 * section.wall;
  const pads = new Map(type.pads.map(({ hole, diameter }) => [hole, diameter]));
  const reachOf = (section: Frame['section']) => {
    const on = type.holes.filter((hole) => hole.section === section.id);
    const farthest = on.map(
      ({ id, at, clock, diameter }) =>
        Math.abs(around(clock, outer(section, at))) + Math.max(diameter, pads.get(id) ?? 0) / 2,
    );
    return Math.max(8, outer(section, 0) / 2, ...farthest) + margin;
  };
  const lengths = type.sections.map(({ length }) => length);
  const width = stacked
    ? Math.max(...lengths)
    : lengths.reduce((sum, length) => sum + length, 0) + sectionGap * (lengths.length - 1);
  const labelSize = (width * labelPixels) / drawnWidth;
  const wide = Math.max(...type.sections.map(reachOf));

  let x = 0;
  const frames: Frame[] = type.sections.map((section) => {
    const frame = { section, x, y: 0, reach: stacked ? reachOf(section) : wide };
    x += stacked ? 0 : section.length + sectionGap;
    return frame;
  });
  const byId = new Map(frames.map((frame) => [frame.section.id, frame]));
  const place = ({ section, at, clock }: PartPlace) => {
    const frame = byId.get(section) ?? frames[0];
    return frame ? { x: frame.x + at, y: frame.y + around(clock, outer(frame.section, at)) } : { x: 0, y: 0 };
  };
  const order = new Map(
    downTheTube(
      type,
      type.holes.map(({ id }) => id),
    ).map((id, i) => [id, i]),
  );
  const named = type.holes
    .map((hole) => ({ id: hole.id, name: hole.name, section: hole.section, ...place(hole) }))
    .sort((a, b) => (order.get(a.id) ?? 0) - (order.get(b.id) ?? 0));
  const labels = placeLabels(named, labelSize, (section) => (stacked ? section : ''));

  /** Rows of labels above and below the tube of one line. */
  const rows = (above: boolean, section: string | null) =>
    1 +
    Math.max(
      0,
      ...named
        .filter((hole) => section === null || hole.section === section)
        .map(({ id }) => labels.get(id))
        .map((label) => (label && label.above === above ? label.row : -1)),
    );
  const lane = labelSize * 1.1;
  let y = 0;
  for (const frame of frames) {
    const section = stacked ? frame.section.id : null;
    const above = frame.reach + (rows(true, section) + 1) * lane;
    const below = frame.reach + rows(false, section) * lane + labelSize * 0.6;
    frame.y = stacked ? y + above : above;
    if (stacked) y += above + below;
    else y = Math.max(y, above + below);
  }
  const labelY = (section: string, { above, row }: Label) => {
    const frame = byId.get(section);
    if (!frame) return 0;
    return above
      ? frame.y - frame.reach - labelSize * 0.35 - lane * row
      : frame.y + frame.reach + labelSize + lane * row;
  };
  const spotAt = (px: number, py: number): PartPlace | null => {
    const frame = frames.find(
      (each) => px >= each.x && px <= each.x + each.section.length && Math.abs(py - each.y) <= each.reach + lane,
    );
    if (!frame) return null;
    const at = px - frame.x;
    const degrees = ((py - frame.y) / (outer(frame.section, at) / 2)) * (180 / Math.PI);
    const clock = (Math.round(Math.max(-179, Math.min(179, degrees))) + 360) % 360;
    return { section: frame.section.id, at: Math.round(at * 10) / 10, clock };
  };
  return { frames, width, height: y, top: 0, labelSize, labels, place, spotAt, labelY };
}
