import { describe, expect, test } from '@jest/globals';
import {
  blankType,
  changeType,
  changeableLists,
  instrumentTypeProblems,
  typeFormProblems,
  type InstrumentType,
} from '@holotonos/core';
import { assumedWords, filledFrom, rowForms, rowFrom } from './rowForms';

const blank = blankType('clarinet', 'Very large clarinet');

describe('rows from a form', () => {
  test('a name is enough: what is left open is assumed, and says so', () => {
    const hole = rowFrom(blank, 'holes', 'vent', 'Vent', { at: '123,5' });
    expect(hole).toMatchObject({ id: 'vent', name: 'Vent', at: 123.5, section: 'tube', rim: 'cut' });
    expect(hole.assumed).toEqual(['clock', 'diameter', 'chimney']);
    expect([hole.clock, hole.diameter, hole.chimney]).toEqual([0, 8, 5]);
    expect(rowFrom(blank, 'sections', 'bell', 'Bell', {})).toMatchObject({ length: 200, wall: 5 });
    expect(rowFrom(blank, 'links', 'l', 'Link', {})).toMatchObject({ acts: 'carries', adjuster: 'cork' });
    expect(assumedWords('pads', ['diameter', 'axisDistance'])).toBe('diameter, hinge to its middle');
    const grown = changeType(blank, { put: { holes: [hole as InstrumentType['holes'][number]] } });
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
  });
  test('parts that were left unchosen are not named', () => {
    expect(rowFrom(blank, 'keys', 'k', 'Key', { over: [] })).not.toHaveProperty('over');
    expect(rowFrom(blank, 'keys', 'k', 'Key', { over: ['x'] })).toHaveProperty('over', ['x']);
  });
  test.each(changeableLists.filter((list) => rowForms[list]))(
    '%s: a form filled from a row gives the row again',
    (list) => {
      const part = { keys: 'k', rods: 'r', holes: 'h', sections: 'tube' };
      const filled = Object.fromEntries(
        (rowForms[list]?.fields ?? []).map(({ name, kind, from, lists }) => [
          name,
          kind === 'number'
            ? '12'
            : kind === 'choice'
              ? (from?.at(-1) ?? '')
              : kind === 'parts'
                ? ['k']
                : part[(lists?.[0] ?? 'keys') as keyof typeof part],
        ]),
      );
      const row = rowFrom(blank, list, 'x', 'X', filled);
      expect(row.assumed).toBeUndefined();
      expect(rowFrom(blank, list, 'x', 'X', filledFrom(list, row))).toEqual(row);
    },
  );
});
