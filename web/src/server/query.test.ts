import { expect, test } from '@jest/globals';
import { valueOf, wordsOf } from './query';

test('a value is the first that was said, and empty where none was', () => {
  expect(valueOf({ show: 'over' }, 'show')).toBe('over');
  expect(valueOf({ show: ['ready', 'over'] }, 'show')).toBe('ready');
  expect(valueOf({ show: [] }, 'show')).toBe('');
  expect(valueOf({}, 'show')).toBe('');
});
test('words lose blanks, what no text holds, and whatever is too long', () => {
  expect(wordsOf({ q: '  low\u0000 c \u0000 ' }, 'q', 80)).toBe('low c');
  expect(wordsOf({ q: 'x'.repeat(200) }, 'q', 80)).toHaveLength(80);
  expect(wordsOf({ q: ['one', 'two'] }, 'q', 2)).toBe('on');
});
