import { describe, expect, test } from '@jest/globals';
import { capital, minutesText } from './words';

describe('words', () => {
  test.each([
    [0, '0 min'],
    [59.6, '1 h'],
    [80, '1 h 20 min'],
    [120, '2 h'],
  ])('%p minutes', (minutes, text) => expect(minutesText(minutes)).toBe(text));
  test('capital', () => expect(capital('flute')).toBe('Flute'));
});
