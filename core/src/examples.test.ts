import { describe, expect, test } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as core from '.';
import * as circular from './metrology/circularRuns';
import * as shims from './pads/shimStack';
import * as plan from './plan';

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
  test.each(examples)('%s: %s', (_file, call, answer) => {
    const scope = { ...core, ...circular, ...shims, ...plan };
    const run = new Function(...Object.keys(scope), `return (${call});`) as (...values: unknown[]) => unknown;
    const got = run(...Object.values(scope));
    const wanted = JSON.parse(answer) as unknown;
    if (typeof wanted === 'number') expect(got).toBeCloseTo(wanted, 9);
    else expect(JSON.parse(JSON.stringify(got))).toEqual(wanted);
  });
});
