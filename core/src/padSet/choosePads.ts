import type { InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { limitsOf } from '../measures';
import { chosenKey, lineFor, type Chosen, type ChosenLine } from '../materials';
import { Unsolvable } from '../metrology';
import { padChoiceOrNone, solvePadChoice, type PadChoiceInput, type PadChoiceOutput } from '../pads';
import { padGapLimit } from '../practice';
import type { StockItem, StockState, Thing } from '../stock';
import { length, phrase, type Phrase } from '../units';
import { padPlaces, type PadPlace, type PadSetSettings } from './padPlaces';

/** A pad of the stock in a cup: what it would do there. */
export interface PadAnswer {
  item: StockItem;
  /** punched here out of a closed pad, mm */
  pierce: number | null;
  fit: PadChoiceOutput;
}

/** A cup with every pad of the stock that goes in, the best first. */
export interface PadRow extends PadPlace {
  answers: readonly PadAnswer[];
  /** the best of those that are still there once the cups above have theirs; the best of all where none is */
  suggested: PadAnswer | null;
  /** why none goes in; null where one does */
  problem: Phrase | null;
  /** what was chosen and written down */
  chosen: Chosen | null;
}

/** Holes are alike within this, mm: a punch and what it cut. */
const sameHole = 0.05;
const alike = (a: number, b: number) => Math.abs(a - b) <= sameHole;

/** The holes that pads of this stock can have: those that lie there pierced, and those a punch can cut; smallest first. */
export function pierceSizes({ items }: Pick<StockState, 'items'>): number[] {
  const found: number[] = [];
  for (const { kind, hole, retired } of items)
    if (
      !retired &&
      hole !== undefined &&
      (kind === 'pad' || kind === 'punch') &&
      !found.some((each) => alike(each, hole))
    )
      found.push(hole);
  return found.sort((a, b) => a - b);
}

interface Candidate {
  item: StockItem;
  pierce: number | null;
}

/** What can go into a cup by its middle: closed pads into closed cups; into open ones pierced pads, and closed ones where there is a punch. */
function candidates({ items }: Pick<StockState, 'items'>, open: boolean, hole: number | null): Candidate[] {
  const pads = items.filter(({ kind, retired }) => kind === 'pad' && !retired);
  const closed = pads.filter((each) => each.hole === undefined);
  if (!open) return closed.map((item) => ({ item, pierce: null }));
  const pierced = pads.filter((each) => each.hole !== undefined && (hole === null || alike(each.hole, hole)));
  const punch = items.find(
    (each) =>
      each.kind === 'punch' && !each.retired && each.hole !== undefined && (hole === null || alike(each.hole, hole)),
  );
  return [
    ...pierced.map((item) => ({ item, pierce: null })),
    ...(punch?.hole === undefined ? [] : closed.map((item) => ({ item, pierce: punch.hole ?? null }))),
  ];
}

/**
 * A set of pads for a whole instrument at once: for each cup every pad of the stock that goes in, by `pad-choice`, the one
 * that solver takes first and the others by how near they come.
 *
 * Of two alike pads the solver takes the first: pierced ones stand before closed ones that would have to be punched, and
 * what lies there before what would have to be ordered.
 */
export function choosePads(
  state: JobState,
  type: InstrumentType,
  stock: Pick<StockState, 'items'>,
  settings: PadSetSettings,
): PadRow[] {
  const limit = padGapLimit(limitsOf(state, type));
  const left = new Map(stock.items.map(({ id, count }) => [id, count]));
  for (const { item, taken } of state.chosen.values()) if (taken === null) left.set(item, (left.get(item) ?? 0) - 1);
  return padPlaces(state, type, settings).map((place): PadRow => {
    const { open, cup, stand, bed, axisDistance, hole } = place;
    const known = candidates(stock, open, settings.pierce).sort(
      (a, b) => Number(b.item.count > 0) - Number(a.item.count > 0),
    );
    const chosen = state.chosen.get(chosenKey({ use: 'pad', part: hole })) ?? null;
    const question = (of: readonly Candidate[]): PadChoiceInput => ({
      cup,
      stand,
      bed,
      axisDistance,
      limits: { gap: limit },
      clearance: [...settings.clearance],
      stock: of.map(({ item: { id, diameter = 0, thickness = 0 } }) => ({ id, diameter, thickness })),
    });
    if (known.length === 0)
      return {
        ...place,
        chosen,
        answers: [],
        suggested: null,
        problem: open
          ? ['No pierced pad lies in the drawers, and no punch to make one.']
          : ['No closed pad lies in the drawers.'],
      };
    try {
      const best = solvePadChoice(question(known)).pad.id;
      const answers = known.flatMap((candidate): PadAnswer[] => {
        const fit = padChoiceOrNone(question([candidate]));
        return fit ? [{ ...candidate, fit }] : [];
      });
      const rank = ({ item, fit }: PadAnswer) => (item.id === best ? -1 : Math.abs(fit.error));
      answers.sort((a, b) => rank(a) - rank(b));
      const suggested = stillThere(answers, left);
      if (suggested && !chosen && !place.reuse) left.set(suggested.item.id, (left.get(suggested.item.id) ?? 0) - 1);
      return { ...place, chosen, answers, suggested, problem: null };
    } catch (error) {
      if (!(error instanceof Unsolvable)) throw error;
      return { ...place, chosen, answers: [], suggested: null, problem: error.said };
    }
  });
}

/** Pads whose thickness differs by no more than this do the same, mm: a workshop default. */
const sameThickness = 0.05;

/** The first answer, unless its drawer is empty and one that does as well lies in another. */
function stillThere(answers: readonly PadAnswer[], left: ReadonlyMap<string, number>): PadAnswer | null {
  const [best] = answers;
  if (!best) return null;
  const alike = answers.find(
    ({ item, fit }) =>
      (left.get(item.id) ?? 0) > 0 &&
      fit.remedy === best.fit.remedy &&
      Math.abs(fit.error) - Math.abs(best.fit.error) <= sameThickness,
  );
  return alike ?? best;
}

/** Pads are sold by these steps, mm: a workshop default. */
const soldBy = { diameter: 0.5, thickness: 0.1 } as const;

/**
 * The pad a cup wants where none of the drawers goes in: the widest that is sold and leaves the room asked for, as thick as
 * lands level; in an open cup pierced as the others are.
 */
export function wantedPad(
  { cup, stand, bed, open }: PadPlace,
  { clearance: [least, most], pierce }: PadSetSettings,
  { items }: Pick<StockState, 'items'>,
): Thing {
  const widest = Math.floor((cup.diameter - least) / soldBy.diameter + 1e-9) * soldBy.diameter;
  // Where no size that is sold leaves the room, the middle of it is asked for.
  const fits = cup.diameter - widest <= most + 1e-9;
  const diameter = fits ? widest : Math.round((cup.diameter - (least + most) / 2) * 100) / 100;
  const thickness = Math.max(
    soldBy.thickness,
    Math.round((stand + cup.depth - bed) / soldBy.thickness) * soldBy.thickness,
  );
  const hole = open ? (pierce ?? pierceSizes({ items })[0]) : undefined;
  return {
    kind: 'pad',
    diameter: Math.round(diameter * 100) / 100,
    thickness: Math.round(thickness * 100) / 100,
    ...(hole !== undefined && hole < diameter && { hole }),
  };
}

/** What the pad of an answer would do as it is, in words. */
export const openingWords = ({ fit: { predicted } }: PadAnswer): Phrase =>
  predicted.side === null ? ['lands level'] : phrase`opens at the ${predicted.side} by ${length(predicted.gap)}`;

/** What makes the pad of an answer right, in words; a dry pad is never glued and never heated. */
export function remedyWords({ fit }: PadAnswer, { hold }: Pick<PadPlace, 'hold'>): Phrase {
  const dry = hold !== 'adhesive';
  const off = Math.abs(fit.error);
  switch (fit.remedy) {
    case 'as-is':
      return dry ? ['goes in as it is'] : phrase`goes in as it is, over a bed of ${length(fit.bedNeeded)}`;
    case 'bed':
      return dry
        ? phrase`shims of ${length(fit.bedNeeded)} behind it, all round`
        : phrase`a bed of ${length(fit.bedNeeded)} makes it level`;
    case 'shim-or-bend':
      return fit.error > 0
        ? phrase`${length(off)} too thick: ease the cup back by the card`
        : phrase`${length(off)} too thin: shims, or the cup by the card`;
    case 'other-stock':
      return phrase`${length(off)} too ${fit.error > 0 ? 'thick' : 'thin'}: another pad`;
  }
}

/** A pad for a cup, as it is written down. */
export const padLine = ({ hole, stand, bed }: PadPlace, { item, pierce }: PadAnswer): ChosenLine => ({
  ...lineFor('pad', hole, item),
  ...(pierce !== null && { pierce }),
  stand,
  bed,
});

/** What a set takes of one thing in the drawers. */
export interface SetLine {
  item: StockItem;
  count: number;
  /** how many of them are punched here */
  punched: number;
  /** more than lie there */
  short: number;
}

/** A set added up, thing by thing, smallest first. */
export function setLines(lines: readonly ChosenLine[], { items }: Pick<StockState, 'items'>): SetLine[] {
  return items
    .flatMap((item): SetLine[] => {
      const own = lines.filter((line) => line.item === item.id && line.count > 0);
      const count = own.reduce((sum, line) => sum + line.count, 0);
      if (count === 0) return [];
      const punched = own.filter(({ pierce }) => pierce !== undefined).length;
      return [{ item, count, punched, short: Math.max(0, count - Math.max(0, item.count)) }];
    })
    .sort(
      (a, b) => (a.item.diameter ?? 0) - (b.item.diameter ?? 0) || (a.item.thickness ?? 0) - (b.item.thickness ?? 0),
    );
}
