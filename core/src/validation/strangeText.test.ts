import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { isPlainText, strangeTexts } from '.';

describe('texts that could not be kept as they are', () => {
  test.each(['', 'Cork & felt', 'Штангенциркуль', '音叉 🎷', '\t\n', '\ufffd', '\ud83c\udfb7'])('%j is kept', (text) =>
    expect(isPlainText(text)).toBe(true),
  );
  test.each(['\0', 'a\0b', '\ud83c', '\udfb7\ud83c', 'x\ud800'])('%j is not', (text) =>
    expect(isPlainText(text)).toBe(false),
  );
  test('are named by their place, also among the names of properties', () => {
    const data = { 'a': ['x', 'y\0'], 'b/c~d': { e: '\ud800' }, 'f\0': 1, 'g': 'good' };
    expect(strangeTexts(data).map(({ path }) => path)).toEqual(['/a/1', '/b~1c~0d/e', '']);
  });
  test('a document that is too deep is refused before it fills the stack; a list of faults ends', () => {
    const deep = JSON.parse('{"a":'.repeat(5000) + '1' + '}'.repeat(5000)) as object;
    expect(strangeTexts(deep)[0]?.message).toMatch(/deeper than 60/);
    expect(strangeTexts(Array.from({ length: 500 }, () => '\0'))).toHaveLength(20);
  });
  test('whatever JSON holds, it is strange just when its text is', () => {
    fc.assert(
      fc.property(fc.json({ maxDepth: 4 }), (json) => {
        const data: unknown = JSON.parse(json);
        // An escape of half a character or of NUL, in well-formed JSON, is all it takes.
        const escapes = JSON.stringify(data).replace(/\\\\/g, '');
        const bad = /\\u0000|\\ud[89a-f]/.test(escapes);
        expect(strangeTexts(data).length > 0).toBe(bad);
      }),
    );
  });
});
