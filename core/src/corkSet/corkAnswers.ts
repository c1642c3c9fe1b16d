import { solveCork, type CorkOutput } from '../corks';
import type { InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { meanOf } from '../metrology';
import { readPoint } from '../measures';
import type { Offcut, StockItem, StockState } from '../stock';
import type { CorkKind } from '../vocabulary';
import type { CorkPointBody } from './corkPoint.kind';

/** How much of its thickness a kind is pressed together where nobody says otherwise: workshop defaults. */
export const usualSqueeze: Readonly<Record<CorkKind, number>> = { cork: 0.15, felt: 0.1, bumper: 0.05, tenon: 0.2 };

/** Which sheets a kind is cut from. */
const sheetOf = (kind: CorkKind): 'cork' | 'felt' => (kind === 'felt' || kind === 'bumper' ? 'felt' : 'cork');

/** What a place is answered: how thick, from which sheet or offcut. */
export interface CorkAnswer extends CorkOutput {
  sheet: StockItem | null;
  piece: Offcut | null;
}

/** Sheets of a kind that lie in the drawers. */
const sheetsFor = (kind: CorkKind, { items }: Pick<StockState, 'items'>): StockItem[] =>
  items.filter((item) => item.kind === sheetOf(kind) && !item.retired && item.thickness !== undefined);

/**
 * How thick the cork of a place has to be, and what it is cut from: an offcut it fits into before a new sheet.
 *
 * @returns null until its gap is known, or where no sheet of its kind lies in the drawers
 */
export function corkAnswer(
  point: Pick<CorkPointBody, 'kind' | 'gap' | 'squeeze' | 'length' | 'width'>,
  stock: Pick<StockState, 'items' | 'offcuts'>,
): CorkAnswer | null {
  const { kind, gap, squeeze = usualSqueeze[kind], length, width } = point;
  const sheets = sheetsFor(kind, stock);
  if (gap === undefined || sheets.length === 0) return null;
  const offcuts = stock.offcuts.filter((each) => each.kind === sheetOf(kind));
  const answer = solveCork({
    gap,
    squeeze,
    stock: sheets.map(({ thickness = 0 }) => thickness),
    offcuts: offcuts.map(({ id, thickness, length: long, width: wide }) => ({
      id,
      thickness,
      length: long,
      width: wide,
    })),
    ...(length !== undefined && width !== undefined && { piece: { length, width } }),
  });
  return {
    ...answer,
    sheet: sheets.find(({ thickness }) => thickness === answer.stock) ?? null,
    piece: offcuts.find(({ id }) => id === answer.offcut) ?? null,
  };
}

/** What the figures at a corked joint leave for its cork, mm; null until tenon and receiver have both been read. */
export function tenonGap(state: JobState, type: InstrumentType, joint: string): number | null {
  const known = type.joints.find(({ id }) => id === joint);
  if (!known) return null;
  const mean = (measure: 'tenon' | 'receiver') => {
    const means = [0, known.length / 2, known.length].flatMap((at) =>
      [0, 90].flatMap((clock) => readPoint(state, { group: 'joint', part: joint, measure, at, clock }).mean ?? []),
    );
    return means.length > 0 ? meanOf(means) : null;
  };
  const [tenon, receiver] = [mean('tenon'), mean('receiver')];
  return tenon === null || receiver === null || receiver <= tenon ? null : (receiver - tenon) / 2;
}
