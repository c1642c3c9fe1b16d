import { describe, expect, test } from '@jest/globals';
import { newPiece } from '@holotonos/core';
import { dropPiece, keepPiece, keptPieces, mostKept, readPiece, type KeptPiece, type Shelf } from './keptPieces';

const piece = newPiece({ instrument: 'concert-flute', practice: 'stage', grade: 1, seed: 4 });
function shelf(start: string | null = null, room = Infinity): Shelf & { text: string | null } {
  return {
    text: start,
    getItem() {
      return this.text;
    },
    setItem(_key: string, text: string) {
      if (text.length > room) throw new Error('full');
      this.text = text;
    },
  };
}
const kept = (id: string, more: Partial<KeptPiece> = {}): KeptPiece => ({
  id,
  piece,
  entries: [],
  at: '2026-11-29T08:00:00.000Z',
  done: false,
  ...more,
});

describe('pieces kept in a browser', () => {
  test('what lies on the shelf in another shape is passed over, and the rest stands', () => {
    const { id: _, ...nameless } = kept('x');
    const { entries: __, ...empty } = kept('y');
    const { at: ___, ...undated } = kept('z');
    const { piece: ____, ...bare } = kept('w');
    const all = [null, 7, 'text', {}, nameless, empty, undated, bare, { ...kept('v'), id: 5 }, kept('a')];
    expect(keptPieces(shelf(JSON.stringify(all))).map(({ id }) => id)).toEqual(['a']);
    expect(
      keptPieces(
        shelf(
          JSON.stringify([
            { ...kept('u'), entries: {} },
            { ...kept('t'), at: 3 },
          ]),
        ),
      ),
    ).toEqual([]);
    expect([keptPieces(shelf('{}')), keptPieces(shelf('nonsense')), keptPieces(shelf())]).toEqual([[], [], []]);
  });
  test('the newest stands first; kept again it stands in its own place', () => {
    const own = shelf();
    keepPiece(own, kept('a'));
    keepPiece(own, kept('b'));
    expect(keepPiece(own, kept('a', { done: true }))).toBe(true);
    expect(keptPieces(own).map(({ id, done }) => [id, done])).toEqual([
      ['a', true],
      ['b', false],
    ]);
    dropPiece(own, 'a');
    expect(keptPieces(own).map(({ id }) => id)).toEqual(['b']);
  });
  test('are few', () => {
    const own = shelf();
    for (let i = 0; i < mostKept + 3; i += 1) keepPiece(own, kept(String(i)));
    expect(keptPieces(own)).toHaveLength(mostKept);
    expect(keptPieces(own)[0]?.id).toBe(String(mostKept + 2));
  });
  test.each([['nonsense'], ['{}'], ['[1, null, {"id":"x"}]'], [JSON.stringify([{ ...kept('a'), piece: {} }])]])(
    'what cannot be read is passed over: %s',
    (text) => expect(keptPieces(shelf(text))).toEqual([]),
  );
  test('what cannot be read is not lost when another is kept', () => {
    const own = shelf(JSON.stringify([{ ...kept('later'), piece: { version: 2 } }]));
    keepPiece(own, kept('a'));
    expect(keptPieces(own).map(({ id }) => id)).toEqual(['a']);
    expect(JSON.parse(own.text ?? '[]')).toMatchObject([{ id: 'a' }, { id: 'later', piece: { version: 2 } }]);
  });
  test('a browser without room says so, and keeps what it had', () => {
    const own = shelf(JSON.stringify([kept('a')]), 10);
    expect(keepPiece(own, kept('b'))).toBe(false);
    expect(keptPieces(own).map(({ id }) => id)).toEqual(['a']);
  });
});

describe('a piece from a file', () => {
  test('as it was saved', () => expect(readPiece(JSON.stringify(piece))).toEqual({ piece }));
  test.each([
    ['{', /not JSON/],
    ['{}', /\/format is required/],
    [JSON.stringify({ ...piece, instrument: 'serpent' }), /serpent/],
  ])('%s is refused, and it is said why', (text, words) => {
    const read = readPiece(text);
    expect('problem' in read && read.problem).toMatch(words);
  });
});
