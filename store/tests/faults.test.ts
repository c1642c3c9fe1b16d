import { expect, test } from '@jest/globals';
import { faultLine } from '../src/faults';

const withStack = (error: Error, ...where: string[]) =>
  Object.assign(error, { stack: [`${error.name}: ${error.message}`, ...where].join('\n') });

test('the innermost cause speaks: its name, its code, the first line of its words, and where', () => {
  const inner = withStack(
    Object.assign(new RangeError('too far\nand what was written'), { code: '22008' }),
    '    at first (a.ts:1:1)',
    '    at second (b.ts:2:2)',
  );
  const outer = new Error('insert into entries values (secret)', { cause: new Error('between', { cause: inner }) });
  expect(faultLine(outer)).toBe('RangeError 22008: too far\n    at first (a.ts:1:1)\n    at second (b.ts:2:2)');
});
test('neither words nor ways are told without end', () => {
  const long = withStack(
    new Error('x'.repeat(400)),
    ...Array.from({ length: 20 }, (_, i) => `    at f${i} (c.ts:1:1)`),
  );
  const [words, ...where] = faultLine(long).split('\n');
  expect(words).toBe(`Error: ${'x'.repeat(300)}`);
  expect(where).toHaveLength(12);
  expect(where.at(-1)).toContain('f11');
});
test('what is thrown and is no error is told by its kind only', () => {
  expect([faultLine('secret'), faultLine(null), faultLine(7)]).toEqual([
    'thrown: string',
    'thrown: object',
    'thrown: number',
  ]);
});
