import { describe, expect, test } from '@jest/globals';
import {
  blankType,
  changeType,
  changeableLists,
  lengthUnits,
  instrumentTypeProblems,
  typeFormProblems,
  type ChangeableList,
  type InstrumentType,
  type LengthUnit,
} from '@holotonos/core';
import { assumedFigures, assumedWords, filledFrom, labelOf, rowForms, rowFrom, type Filled } from './rowForms';

const blank = blankType('clarinet', 'Very large clarinet');
/** What a form comes to: the row, or what is wrong with it. */
const read = (list: ChangeableList, filled: Filled, unit: LengthUnit = 'mm', before?: object) => {
  const found = rowFrom(blank, list, 'x', 'X', filled, unit, before);
  return found.ok ? found.row : [found.wrong.field, found.wrong.words];
};
const hole = {
  id: 'x',
  name: 'X',
  section: 'tube',
  at: 123.4567,
  clock: 10,
  diameter: 8.1234,
  chimney: 5,
  rim: 'cut',
  use: 'tone',
  assumed: ['chimney'],
};

describe('rows from a form', () => {
  test('a name is enough: what is left open is assumed, and says so', () => {
    const vent = read('holes', { at: '123,5' }) as Record<string, unknown>;
    expect(vent).toMatchObject({ id: 'x', name: 'X', at: 123.5, section: 'tube', rim: 'cut' });
    expect(vent.assumed).toEqual(['clock', 'diameter', 'chimney']);
    expect([vent.clock, vent.diameter, vent.chimney]).toEqual([0, 8, 5]);
    expect(read('sections', {})).toMatchObject({ length: 200, wall: 5 });
    expect(read('links', { driver: 'a', follower: 'b' })).toMatchObject({ acts: 'carries', adjuster: 'cork' });
    expect(assumedWords('pads', ['diameter', 'axisDistance'])).toBe('diameter, hinge to its middle');
    const grown = changeType(blank, { put: { holes: [vent as InstrumentType['holes'][number]] } });
    expect(typeFormProblems(grown)).toEqual([]);
    expect(instrumentTypeProblems(grown)).toEqual([]);
  });
  test('asks for what nobody can assume, and for nothing else', () => {
    const needed = Object.fromEntries(
      changeableLists.flatMap((list) => {
        const names = (rowForms[list]?.fields ?? []).filter((field) => field.needed).map(({ name }) => name);
        return names.length > 0 ? [[list, names]] : [];
      }),
    );
    expect(needed).toEqual({ pads: ['hole', 'key'], links: ['driver', 'follower'] });
    expect(read('pads', { hole: 'h' })).toEqual(['key', 'On key: choose one.']);
    expect(rowFrom(blank, 'keys', 'x', '', {}, 'mm')).toEqual({
      ok: false,
      wrong: { field: 'name', words: 'Give it a name: your own words will do.' },
    });
  });
  test('parts that were left unchosen are not named', () => {
    expect(read('keys', { over: [] })).not.toHaveProperty('over');
    expect(read('keys', { over: ['x'] })).toHaveProperty('over', ['x']);
  });
  test.each(changeableLists.filter((list) => rowForms[list]))(
    '%s: a form filled from a row gives the row again, in every unit',
    (list) => {
      const part = { keys: 'k', rods: 'r', holes: 'h', sections: 'tube' };
      const filled = Object.fromEntries(
        (rowForms[list]?.fields ?? []).map(({ name, kind, from, lists }) => [
          name,
          kind === 'choice'
            ? (from?.at(-1) ?? '')
            : kind === 'parts'
              ? ['k']
              : kind === 'part'
                ? part[(lists?.[0] ?? 'keys') as keyof typeof part]
                : '12.3456789',
        ]),
      );
      const row = read(list, filled) as Record<string, unknown>;
      expect(row.assumed).toBeUndefined();
      for (const unit of lengthUnits) expect(read(list, filledFrom(list, row, unit), unit, row)).toEqual(row);
    },
  );
});

describe('figures of a row', () => {
  test('are asked for and read in the unit of the job; places as on a ruler', () => {
    const labels = (unit: LengthUnit) => rowForms.holes?.fields.slice(1, 4).map((field) => labelOf(field, unit));
    expect(labels('mm')).toEqual(['From its upper end, mm', 'Clock, °', 'Diameter, mm']);
    expect(labels('thou')).toEqual(['From its upper end, in', 'Clock, °', 'Diameter, thou']);
    const typed = { at: '2', clock: '45°', diameter: '500', chimney: '5mm' };
    expect(read('holes', typed, 'thou')).toMatchObject({ at: 50.8, clock: 45, diameter: 12.7, chimney: 5 });
    expect(read('holes', { ...typed, diameter: '1/2' }, 'in')).toMatchObject({ at: 50.8, diameter: 12.7 });
    expect(filledFrom('holes', hole, 'thou')).toMatchObject({ at: '4.8605', clock: '10', diameter: '319.8' });
  });
  test.each([
    ['diameter', 'wide', /^Diameter: “wide” is not a length/],
    ['diameter', '0', /^Diameter: It must be more than 0/],
    ['diameter', '5001', /^Diameter: No part is longer than 5000 mm/],
    ['at', '-1', /^From its upper end: .*0 or more/],
    ['clock', '360', /^Clock: .*less than 360°/],
    ['clock', 'up', /^Clock: Type a figure/],
  ])('%s %s is refused with its reason', (field, text, words) => {
    expect(read('holes', { [field]: text })).toEqual([field, expect.stringMatching(words)]);
  });
  test('what is at its limit is taken', () => {
    expect(read('holes', { at: '0', clock: '359.9', diameter: '5000' })).toMatchObject({ at: 0, diameter: 5000 });
  });
});

describe('a row that is there already', () => {
  test('keeps to the last digit what was not typed otherwise, and what the form does not ask for', () => {
    const { use: _, ...plain } = hole;
    const before = { ...plain, undercut: 0.4, with: 'f-sharp' };
    const filled = { ...filledFrom('holes', before, 'in'), diameter: '0.32' };
    expect(read('holes', filled, 'in', before)).toEqual({ ...before, diameter: expect.closeTo(8.128, 9) });
  });
  test('a figure nobody measured is not filled in, and stays assumed until somebody types one', () => {
    expect(filledFrom('holes', hole, 'mm')).not.toHaveProperty('chimney');
    expect(assumedFigures('holes', { ...hole, chimney: 6.35 }, 'in')).toEqual({ chimney: '0.25' });
    const other = { ...hole, chimney: 6.35 };
    expect(read('holes', filledFrom('holes', other, 'mm'), 'mm', other)).toEqual(other);
    const measured = read('holes', { ...filledFrom('holes', other, 'mm'), chimney: '6,4' }, 'mm', other);
    expect([measured, 'assumed' in measured]).toEqual([expect.objectContaining({ chimney: 6.4 }), false]);
    // Of a bore it counts for both its ends.
    const [tube] = blank.sections;
    expect(tube?.assumed).toContain('bore');
    expect(filledFrom('sections', tube ?? {}, 'mm')).toEqual({});
    expect(Object.keys(assumedFigures('sections', tube ?? {}, 'mm'))).toEqual(['length', 'wall', 'boreTop', 'boreEnd']);
  });
  test('what is emptied is gone, or assumed again', () => {
    const pad = { hole: 'h', key: 'k', diameter: 12, axisDistance: 9, hold: 'adhesive', cupDepth: 3, stack: 'upper' };
    const emptied = { ...filledFrom('pads', pad, 'mm'), cupDepth: '', axisDistance: '' };
    const { cupDepth: _, ...left } = pad;
    expect(read('pads', emptied, 'mm', pad)).toEqual({ ...left, axisDistance: 12, assumed: ['axisDistance'] });
    const key = { id: 'x', name: 'X', rest: 'open', rod: 'r', over: ['a'], springs: [{ kind: 'flat' }] };
    expect(read('keys', { ...filledFrom('keys', key, 'mm'), rod: '', over: [] }, 'mm', key)).toEqual({
      id: 'x',
      name: 'X',
      rest: 'open',
      springs: [{ kind: 'flat' }],
    });
  });
});
