import { partNames, type InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { jobRecord, measureHistory, type RecordFigure } from '../record';
import type { KeptUnit } from '../units';
import type { MeasureGroup } from '../vocabulary';

/** A job with the instrument it is about. */
export interface Visit {
  state: JobState;
  type: InstrumentType;
}

/** One figure as it went home then, and as it came back. */
export interface SinceThen {
  group: MeasureGroup;
  part: string;
  place: string;
  what: string;
  unit: KeptUnit;
  then: RecordFigure;
  now: RecordFigure;
  /** now less then */
  moved: number;
  /** is that more than both doubts together explain? */
  certain: boolean;
}

/** An earlier ticket of the same instrument: what was left, what was marked for the next, what has moved since. */
export interface EarlierVisit {
  ticket: string;
  openedAt: string;
  /** null where it went home unsigned */
  signedAt: string | null;
  by: string;
  summary: string;
  left: { what: string; why: string }[];
  /** its newest pictures, by which it is known again; 6 at most */
  photos: { photo: string; width: number; height: number; caption: string }[];
  /** orientation marks of pads and what sets them, where they were */
  marks: string[];
  /** what is certain to have moved first, the most first */
  since: SinceThen[];
}

/** Letters and figures of a text, in small letters: a serial is written with and without blanks and strokes. */
export const bareName = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');

/**
 * Are two intakes about the same instrument? They are where their serials are alike and no maker speaks against it.
 * Without a serial nobody can say.
 */
export function sameInstrument(
  a: { maker?: string; serial?: string },
  b: { maker?: string; serial?: string },
): boolean {
  const [serialA, serialB] = [bareName(a.serial ?? ''), bareName(b.serial ?? '')];
  if (serialA === '' || serialA !== serialB) return false;
  const [makerA, makerB] = [bareName(a.maker ?? ''), bareName(b.maker ?? '')];
  return makerA === '' || makerB === '' || makerA === makerB;
}

/**
 * What has moved between two visits: figures as they stood last then against the first that were read now, of what was
 * read both times. A shift counts as certain where it is more than the root of the sum of both doubts squared.
 */
export function sinceThen(earlier: Visit, today: Visit): SinceThen[] {
  const names = partNames(today.type);
  const key = ({ group, part, id }: { group: string; part: string; id: string }) => `${group} ${part} ${id}`;
  const then = new Map(
    measureHistory(earlier.state, earlier.type)
      .rows.filter(({ stale }) => !stale)
      .map((row) => [key(row), row.after] as const),
  );
  return measureHistory(today.state, today.type)
    .rows.flatMap((row): SinceThen[] => {
      const was = then.get(key(row));
      if (!was) return [];
      const now = row.before ?? row.after;
      const moved = now.value - was.value;
      return [
        {
          group: row.group,
          part: row.part,
          place: names.get(row.part) ?? row.part,
          what: row.what,
          unit: row.unit,
          then: was,
          now,
          moved,
          certain: Math.abs(moved) > Math.hypot(was.uncertainty, now.uncertainty),
        },
      ];
    })
    .sort((a, b) => Number(b.certain) - Number(a.certain) || Math.abs(b.moved) - Math.abs(a.moved));
}

const mostPhotos = 6;

/** What an earlier ticket has to say to today’s. Null where nothing was taken in there. @param now ISO 8601 */
export function earlierVisit(earlier: Visit, today: Visit, now: string): EarlierVisit | null {
  const record = jobRecord(earlier.state, earlier.type, now);
  if (!record) return null;
  const names = partNames(earlier.type);
  const { signOff } = record;
  return {
    ticket: record.ticket,
    openedAt: record.openedAt,
    signedAt: signOff?.at ?? null,
    by: signOff?.by ?? '',
    summary: signOff?.summary ?? '',
    left: record.left,
    photos: [...earlier.state.photos.values()]
      .slice(-mostPhotos)
      .reverse()
      .map(({ photo, width, height, caption }) => ({ photo, width, height, caption })),
    marks: [...earlier.state.observations.values()].flatMap(({ about, part, mark, setterMark }) => {
      if (about !== 'fit' || (mark === undefined && setterMark === undefined)) return [];
      const at = [
        mark === undefined ? [] : [`pad at ${mark}°`],
        setterMark === undefined ? [] : [`what holds it at ${setterMark}°`],
      ].flat();
      return [`${names.get(part) ?? part}: ${at.join(', ')}`];
    }),
    since: sinceThen(earlier, today),
  };
}
