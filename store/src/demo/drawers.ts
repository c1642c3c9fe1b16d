import {
  chanceFrom,
  instrumentType,
  padPlaces,
  emptyJobState,
  stockId,
  stockTable,
  usualPadSet,
  wantedPad,
  type NewStockEntry,
  type StockEntryBody,
  type StockEntryKind,
  type StockItemBody,
  type StockKind,
} from '@holotonos/core';

const seed = 5100;

type Plain = Partial<Omit<StockItemBody, 'id' | 'kind'>>;

/** Thickness that lands level in the cups of a type, by the diameter of the pad: what a shop that works on it has. */
function padsOf(typeId: string, dry: boolean): [diameter: number, thickness: number][] {
  const type = instrumentType(typeId);
  if (!type) return [];
  const bySize = new Map<number, number>();
  for (const place of padPlaces(emptyJobState, type, usualPadSet)) {
    if ((place.hold !== 'adhesive') !== dry) continue;
    const { diameter = 0, thickness = 0 } = wantedPad(place, usualPadSet, { items: [] });
    bySize.set(diameter, thickness);
  }
  return [...bySize].sort(([a], [b]) => a - b);
}

/** What lies in the drawers of the workshop of the demo: made up, of no maker, and enough for the tickets of the flood. */
export function drawers(): NewStockEntry[] {
  const chance = chanceFrom(seed);
  const entries: NewStockEntry[] = [];
  const ids: string[] = [];
  const write = <K extends StockEntryKind>(
    kind: K,
    body: StockEntryBody<K>,
    benchTime = '2026-11-02T09:15:00.000Z',
  ) => {
    const entry = { id: chance.uuid(), kind, author: 'Juno Tam', benchTime, body } as NewStockEntry;
    entries.push(entry);
    return entry.id;
  };
  const put = (kind: StockKind, plain: Plain, count: number): string => {
    const item = { kind, soldIn: 'mm' as const, counted: stockTable[kind].counted, ...plain };
    const id = stockId(item, ids);
    ids.push(id);
    write('item', { id, ...item } as StockItemBody);
    write('move', { item: id, why: 'counted', count });
    return id;
  };
  const some = (low: number, high: number) => low + Math.floor(chance.uniform() * (high - low + 1));
  const pad = (diameter: number, thickness: number, count: number, more: Plain = {}) =>
    put('pad', { diameter, thickness, material: 'pale skin', price: Math.round(90 + diameter * 5), ...more }, count);

  for (const [diameter, thickness] of padsOf('alto-saxophone', false))
    pad(diameter, thickness, some(2, 9), { material: 'tan leather', low: 2, price: Math.round(140 + diameter * 6) });
  for (const [diameter, thickness] of padsOf('b-flat-clarinet', false))
    pad(diameter, thickness, some(6, 24), { lot: 6, low: 6 });
  for (const [diameter, thickness] of padsOf('concert-flute', false)) pad(diameter, thickness, some(4, 12), { low: 4 });
  for (const [diameter, thickness] of padsOf('concert-flute', true)) pad(diameter, thickness, some(4, 10), { low: 4 });
  // Of pierced pads few lie there: those of one size have run out, and of another there is one.
  pad(17, 3.3, 1, { hole: 6 });
  pad(17.5, 3.4, 4, { hole: 6 });
  put('punch', { hole: 6 }, 1);
  put('resonator', { diameter: 14, material: 'brass', form: 'riveted disc', price: 90 }, 12);
  put('resonator', { diameter: 20, material: 'brass', form: 'riveted disc', price: 110 }, 9);
  put('resonator', { diameter: 26, material: 'brass', form: 'riveted disc', price: 130 }, 3);
  put('grommet', { diameter: 8.2, hole: 6, length: 2.6, material: 'metal', price: 240, lot: 5 }, 0);
  put('grommet', { diameter: 8.2, hole: 6, length: 2.6, material: 'acetal', price: 120 }, 10);
  for (const thickness of [0.03, 0.05, 0.08, 0.12])
    put('shim', { thickness, material: 'film', price: 15, low: 10 }, some(8, 40));
  for (const thickness of [0.4, 0.8, 1.2, 1.6, 2])
    put('cork', { thickness, length: 150, width: 100, price: 620, low: 1 }, some(0, 3));
  for (const thickness of [0.8, 1.5])
    put('felt', { thickness, length: 200, width: 100, price: 480, low: 2 }, thickness < 1 ? 1 : 2);
  for (const thickness of [0.05, 0.1, 0.15, 0.2])
    put('washer', { thickness, hole: 2.2, material: 'PTFE', price: 20 }, some(10, 60));
  for (const diameter of [0.6, 0.7, 0.8, 0.9, 1.0])
    put('spring-wire', { diameter, length: 60, material: 'blued steel', price: 35 }, some(6, 30));
  for (const thickness of [0.3, 0.4, 0.5])
    put('flat-spring', { thickness, width: 2.4, length: 40, material: 'bronze', price: 55 }, 14);
  for (const inch of [0.086, 0.093])
    put(
      'rod',
      { diameter: inch * 25.4, length: 300, soldIn: 'in', material: 'drill rod', counted: 'piece' },
      some(1, 4),
    );
  for (const diameter of [3.8, 4.3, 4.8, 5.3, 5.8, 6.3])
    put('bush', { diameter, hole: 1.5, length: 100, material: 'boxwood' }, 2);
  for (const diameter of [4, 4.5, 5, 5.5, 6, 6.5, 7]) put('cutter', { diameter }, 1);
  for (const diameter of [14, 16, 18, 20, 22, 24, 27, 30, 34, 38, 44, 52]) put('ball', { diameter, form: 'round' }, 1);
  put('ball', { diameter: 24, length: 40, form: 'barrel' }, 1);
  put('mandrel', { diameter: 20, length: 600 }, 1);
  put('adhesive', { name: 'Shellac, amber flake', counted: 'gram', low: 100, price: 9 }, 260);
  put('adhesive', { name: 'Cyanoacrylate, thin', counted: 'gram', useBy: '2026-11-18', price: 60 }, 14);
  put('adhesive', { name: 'Water-soluble glue for shims', counted: 'millilitre', useBy: '2027-06-30' }, 40);

  write('offcut', { id: 'cork-a', kind: 'cork', thickness: 1.6, length: 30, width: 6 });
  write('offcut', {
    id: 'cork-b',
    kind: 'cork',
    thickness: 1.6,
    length: 14,
    width: 6,
    note: 'a little crumbly at one end',
  });
  write('offcut', { id: 'felt-a', kind: 'felt', thickness: 1.5, length: 40, width: 22 });
  write('spares', { percent: 10, least: 1 });
  const rings = ids.find((id) => id.startsWith('resonator-26')) ?? '';
  const sheet = ids.find((id) => id.startsWith('cork-0-8')) ?? '';
  write(
    'order',
    {
      lines: [
        { item: rings, count: 10 },
        { item: sheet, count: 2 },
      ],
      note: 'by telephone',
    },
    '2026-11-19T10:05:00.000Z',
  );
  return entries;
}
