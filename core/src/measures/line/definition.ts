import type { InstrumentType } from '../../instruments';
import { look } from '../look';
import { at, quarters, type GroupDefinition } from '../definition';

/** Stations down a section for its line: about every 60 mm, five at least so that a bend can be told from a bow. */
const stationsOf = (length: number): number[] => {
  const steps = Math.max(4, Math.round(length / 60));
  return Array.from({ length: steps + 1 }, (_, i) => Math.round((length * i) / steps));
};

/** Three of them, both ends and the middle, are the usual set: four lines at each are enough for a first number. */
export const usualStations = (length: number): number[] => {
  const stations = stationsOf(length);
  return [0, Math.floor((stations.length - 1) / 2), stations.length - 1].map((i) => stations[i] ?? 0);
};

/** Is this a station of a line that is only read where the amount matters? */
export function isFurtherStation(
  type: InstrumentType,
  { group, part, measure, at: station }: { group: string; part: string; measure: string; at?: number },
): boolean {
  if (group !== 'body-line' || measure !== 'deviation' || station === undefined) return false;
  const length = type.sections.find(({ id }) => id === part)?.length;
  return length !== undefined && !usualStations(length).includes(station);
}

/** The name a bell goes by in the types of saxophones: it alone is turned against the body. */
const bellSection = 'bell';
const isTurnable = (type: InstrumentType, section: string) => type.family === 'saxophone' && section === bellSection;

/** Where guard feet and brace leave their old marks on a bell: the gap there tells how far it was turned. */
export const witnessMarks = (type: InstrumentType, section: string) =>
  isTurnable(type, section)
    ? type.fittings.filter((fit) => fit.section === section && (fit.kind === 'guard' || fit.kind === 'brace'))
    : [];

/** The holes of a bell that keys of the body close: each of them can be the gauge of how the bell stands, largest first. */
export function referenceKeys(type: InstrumentType, section: string): InstrumentType['holes'] {
  if (!isTurnable(type, section)) return [];
  const padded = new Set(type.pads.map(({ hole }) => hole));
  return type.holes
    .filter((hole) => hole.section === section && padded.has(hole.id))
    .sort((a, b) => b.diameter - a.diameter);
}

/**
 * The key a bell is gauged by: the largest, or the one whose hole lies at a place that was chosen.
 *
 * @param station mm from the upper end of the bell, as the point of the reading has it
 */
export const referenceKey = (
  type: InstrumentType,
  section: string,
  station?: number,
): InstrumentType['holes'][number] | null => {
  const keys = referenceKeys(type, section);
  return (station === undefined ? keys[0] : keys.find((hole) => hole.at === station)) ?? null;
};

export const line = {
  heading: 'Body line',
  lies: ['sections'],
  places: (type) =>
    type.sections.flatMap(({ id, length }) => {
      const usual = usualStations(length);
      const further = stationsOf(length).filter((station) => !usual.includes(station));
      return [
        // One line is sighted down the tube before the hand turns to the next; more stations only where the amount matters.
        ...[usual, further].flatMap((stations) => quarters.flatMap((clock) => at(id, 'deviation', stations, [clock]))),
        ...at(
          id,
          'run-out',
          [1, 2, 3].map((quarter) => Math.round((quarter * length) / 4)),
        ),
        ...witnessMarks(type, id).flatMap((mark) => at(id, 'mark-gap', [mark.at], [mark.clock])),
        ...(referenceKey(type, id) ? at(id, 'key-gap', undefined, quarters) : []),
      ];
    }),
  stations: { measure: 'deviation', clocks: quarters },
  looks: [
    look('straight', 's', 'straight', 'good', 'eye'),
    look('bowed-slightly', 'h', 'bowed a hair', 'hair', 'eye', { finds: 'body-bent', directed: true }),
    look('bowed-plainly', 'b', 'bowed plainly', 'bad', 'eye', { finds: 'body-bent', directed: true }),
  ],
  everyPart: ({ sections }) => sections.map(({ id }) => id),
  station: 'body',
} as const satisfies GroupDefinition;
