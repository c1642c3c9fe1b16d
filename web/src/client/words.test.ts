import { describe, expect, test } from '@jest/globals';
import { capital, dayText, minutesText, momentText } from './words';

describe('words', () => {
  test('dates and times', () => {
    expect(dayText('2026-11-23T09:05:00.000Z')).toBe('23 Nov 2026');
    expect(dayText('')).toBe('');
    expect(momentText('2026-11-23T09:05:00.000Z')).toMatch(/^23 Nov,? (at )?09:05$/);
  });
  test.each([
    [0, '0 min'],
    [59.6, '1 h'],
    [80, '1 h 20 min'],
    [120, '2 h'],
  ])('%p minutes', (minutes, text) => expect(minutesText(minutes)).toBe(text));
  test('capital', () => expect(capital('flute')).toBe('Flute'));
});
