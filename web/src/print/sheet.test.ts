import { expect, test } from '@jest/globals';
import { inPrint } from './sheet';

test.each([
  ['B♭3 up to D4', 'B flat 3 up to D4'],
  ['F♯4: as usual', 'F sharp 4: as usual'],
  ['the G♯ lever', 'the G sharp lever'],
  ['E♭/C♯', 'E flat/C sharp'],
  ['no sign at all', 'no sign at all'],
])('%s is printed as %s, for the shipped face has no signs', (text, words) => expect(inPrint(text)).toBe(words));
