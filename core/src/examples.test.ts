import { describe, expect, test } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as units from './units';

/** Every `@example call // => answer` in the doc blocks, run as written. */
const examples = readdirSync(import.meta.dirname, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
  .flatMap((file) =>
    [...readFileSync(join(import.meta.dirname, file), 'utf8').matchAll(/@example (.+?) \/\/ => (.+)$/gm)].map(
      ([, call = '', answer = '']) => [file, call, answer] as const,
    ),
  );

describe('examples in the documentation', () => {
  test('there are many', () => expect(examples.length).toBeGreaterThan(15));
  test.each(examples)('%s: %s', async (file, call, answer) => {
    const own = (await import(join(import.meta.dirname, file))) as Record<string, unknown>;
    const scope: Record<string, unknown> = { ...units, ...own };
    const run = new Function(...Object.keys(scope), `return (${call});`) as (...values: unknown[]) => unknown;
    const got = run(...Object.values(scope));
    const wanted = JSON.parse(answer) as unknown;
    if (typeof wanted === 'number') expect(got).toBeCloseTo(wanted, 9);
    else expect(JSON.parse(JSON.stringify(got))).toEqual(wanted);
  });
});
