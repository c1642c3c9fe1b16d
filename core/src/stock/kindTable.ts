import type { CountedIn, StockKind } from '../vocabulary';

/** What says how large something is. */
export const stockSizes = ['diameter', 'thickness', 'width', 'length', 'hole'] as const;
export type StockSize = (typeof stockSizes)[number];

export interface StockKindRow {
  /** one of them, and many */
  one: string;
  many: string;
  needs: readonly StockSize[];
  may: readonly StockSize[];
  counted: CountedIn;
  /** lies there to be worked with, and is not used up */
  tool?: true;
}

const row = (
  one: string,
  many: string,
  needs: readonly StockSize[],
  may: readonly StockSize[] = [],
  more: Partial<Pick<StockKindRow, 'counted' | 'tool'>> = {},
): StockKindRow => ({ one, many, needs, may, counted: 'piece', ...more });
const tool = { tool: true } as const;

/** Every kind of thing in the drawers: what it is called, by which sizes it is known, and how it is counted. */
export const stockTable: Readonly<Record<StockKind, StockKindRow>> = {
  'pad': row('Pad', 'Pads', ['diameter', 'thickness'], ['hole']),
  'resonator': row('Resonator', 'Resonators and snaps', ['diameter'], ['thickness', 'hole']),
  'grommet': row('Grommet', 'Grommets', ['diameter'], ['hole', 'length']),
  'shim': row('Shim', 'Shims', ['thickness'], ['diameter', 'width', 'length']),
  'cork': row('Sheet cork', 'Sheet cork', ['thickness'], ['length', 'width'], { counted: 'sheet' }),
  'felt': row('Felt', 'Felt', ['thickness'], ['length', 'width', 'diameter'], { counted: 'sheet' }),
  'washer': row('Washer', 'Washers', ['thickness'], ['diameter', 'hole']),
  'spring-wire': row('Needle spring', 'Needle springs', ['diameter'], ['length']),
  'flat-spring': row('Flat spring', 'Flat springs', ['thickness', 'width'], ['length']),
  'rod': row('Rod stock', 'Rod stock', ['diameter'], ['length']),
  'bush': row('Bush stock', 'Bush stock', ['diameter'], ['hole', 'length']),
  'cutter': row('Cutter', 'Cutters and drills', ['diameter'], ['length'], tool),
  'punch': row('Punch', 'Punches', ['hole'], [], tool),
  'film': row('Feeler film', 'Feeler films', ['thickness'], [], tool),
  'ball': row('Dent ball', 'Dent balls', ['diameter'], ['length'], tool),
  'mandrel': row('Mandrel', 'Mandrels', ['diameter'], ['length'], tool),
  'adhesive': row('Adhesive', 'Adhesives', [], [], { counted: 'gram' }),
  'other': row('Other', 'Other things', [], stockSizes),
};

/** How many of something, in the words of how it is counted: one sheet, 40 g. */
export function countWords(count: number, counted: CountedIn): string {
  const short = { piece: '', sheet: count === 1 ? 'sheet' : 'sheets', metre: 'm', gram: 'g', millilitre: 'ml' }[
    counted
  ];
  return short ? `${count} ${short}` : String(count);
}
