import { emptyJobState, type JobState } from '../job';
import { applyOptions, instrumentType, type InstrumentType } from '../instruments';
import { regulationOf, type JobMechanism, type Regulation } from '../regulation';
import { usualSizes } from '../stock';
import type { PieceFault, PracticePiece } from './piece.schema';

/** A setting of an adjuster, as a job has them. */
type Turn = Pick<JobState['adjustments'][number], 'link' | 'steps'>;

/** The instrument a piece is about, or null where no shipped type has this id. */
export const pieceType = ({
  instrument,
  options = [],
}: Pick<PracticePiece, 'instrument' | 'options'>): InstrumentType | null => {
  const type = instrumentType(instrument);
  return type && applyOptions(type, options);
};

/** The same instrument with nothing wrong at it, by the practice of the piece. */
export const soundRegulation = ({ practice }: Pick<PracticePiece, 'practice'>, type: InstrumentType): Regulation =>
  regulationOf({ ...emptyJobState, practice }, type, usualSizes.films);

/** A piece with its instrument, ready to be looked at. */
export interface LaidOut {
  piece: PracticePiece;
  type: InstrumentType;
  sound: Regulation;
}

/** Lays out a piece; null where no shipped type has the id it names. */
export function layOut(piece: PracticePiece): LaidOut | null {
  const type = pieceType(piece);
  return type && { piece, type, sound: soundRegulation(piece, type) };
}

/** What a turn of this adjuster by one step changes at its follower, mm; 0 where nothing can be turned. */
export const stepOf = ({ links }: Pick<JobMechanism, 'links'>, link: string): number =>
  links.find(({ id }) => id === link)?.adjusts?.step ?? 0;

/** By how much each link is turned in all, in steps. */
export function turnedBy(turns: readonly Turn[]): Map<string, number> {
  const by = new Map<string, number>();
  for (const { link, steps } of turns) by.set(link, (by.get(link) ?? 0) + steps);
  return by;
}

/**
 * What the mechanism of a piece is really like, after some turns. Faults of pads and hinges are in it or left out: what
 * is left when they are healed is what regulation has to answer for. A loose hinge shows in what is seen, not here: its
 * pad lands elsewhere each time.
 */
export function hiddenMechanism(
  sound: JobMechanism,
  faults: readonly PieceFault[],
  turns: readonly Turn[],
  healed = false,
): JobMechanism {
  const away = turnedBy([...faults.filter((fault) => fault.kind === 'adjuster'), ...turns]);
  const pads = new Map(
    faults.flatMap((fault) =>
      fault.kind === 'pad' && !healed ? [[sound.keyOfPad.get(fault.hole), fault] as const] : [],
    ),
  );
  const twisted = new Map(
    faults.flatMap((fault) => (fault.kind === 'twist' ? [[fault.key, fault.times] as const] : [])),
  );
  return {
    ...sound,
    keys: sound.keys.map((key) => {
      const fault = pads.get(key.id);
      return fault ? { ...key, unevenness: (key.unevenness ?? 0) + fault.unevenness } : key;
    }),
    links: sound.links.map((link) => ({
      ...link,
      gap: link.gap + (link.adjusts?.step ?? 0) * (away.get(link.id) ?? 0),
    })),
    flex: [
      ...sound.flex.filter(({ key }) => !twisted.has(key)),
      ...sound.twist.flatMap((row) => {
        const times = twisted.get(row.key);
        return times === undefined ? [] : [{ ...row, perNewton: row.perNewton * times }];
      }),
    ],
  };
}
