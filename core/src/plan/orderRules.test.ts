import { describe, expect, test } from '@jest/globals';
import { stages } from '../vocabulary';
import { kindRules, stageRules } from './orderRules';
import { shippedOperations } from './operations';

describe('the rules of order', () => {
  test.each([...stageRules, ...kindRules].map((rule) => [JSON.stringify(rule), rule] as const))(
    '%s says why, in a sentence',
    (_, { reason }) => expect(reason).toMatch(/^[A-Z“].{10,}[.!]$/),
  );
  test('speak of stages and steps that there are, each pair once', () => {
    for (const { before, after } of stageRules) expect(stages).toEqual(expect.arrayContaining([before, after]));
    for (const { before, after } of kindRules)
      for (const kind of [before, after]) expect(shippedOperations.has(kind) || kind.endsWith('*')).toBe(true);
    const pairs = [...stageRules, ...kindRules].map(({ before, after }) => `${before} ${after}`);
    expect(new Set(pairs).size).toBe(pairs.length);
  });
});
