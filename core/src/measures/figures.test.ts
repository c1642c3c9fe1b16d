import { describe, expect, test } from '@jest/globals';
import { sax, TestJob, told } from '../../tests/testJob';
import { runSolver } from '../solvers';
import { findingTitle } from '../findings';
import { springFaults } from '../vocabulary';
import { partReport } from '.';

const report = (group: 'spring' | 'link', part: string, value: number, practice = 'stage') => {
  const job = new TestJob({ practice });
  const measure = group === 'spring' ? 'force' : 'lost-motion';
  job.read({ group, part, measure, clock: 0 }, value, group === 'spring' ? 'force-gauge' : 'feeler-fine');
  const found = partReport(job.state, sax, group, part);
  if (!found) throw new Error(`${group} ${part} has no report`);
  return found;
};

describe('the force at a touch', () => {
  test.each([
    [1.2, 'outside', 'strong', /more than 0\.70 N: too strong\. Ease the spring/],
    [0.1, 'outside', 'weak', /only 0\.10 N to seal, less than 0\.35 N: too weak\. Put more tension/],
    [0.5, 'within', undefined, /^Within\.$/],
    [0.36, 'undecided', undefined, /Too near the limit/],
  ] as const)('%f N is %s', (value, state, spring, words) => {
    const { state: is, findings, says } = report('spring', 'e-key', value);
    expect([is, findings[0]?.spring]).toEqual([state, spring]);
    expect(told(says)).toMatch(words);
  });
  test('far too weak is severe, as far too strong is', () => {
    expect(report('spring', 'e-key', 0.05).findings).toMatchObject([{ severity: 3 }]);
    expect(report('spring', 'e-key', 0.2).findings).toMatchObject([{ severity: 1 }]);
    expect(report('spring', 'e-key', 3).findings).toMatchObject([{ severity: 3 }]);
  });
  test('name and cure follow what is wrong', () => {
    const cureOf = (spring?: string) => {
      const finding = { id: 'f', kind: 'spring-weak', part: 'e-key', severity: 2, ...(spring && { spring }) };
      const about = { family: 'saxophone', body: 'metal', practice: 'stage', scope: 'repair' };
      const plan = runSolver('plan', { ...about, findings: [finding], done: [] });
      if (plan.status !== 'solved') throw new Error(plan.status);
      return (plan.output as { operations: { kind: string; cures: string[] }[] }).operations.find(({ cures }) =>
        cures.includes('f'),
      )?.kind;
    };
    expect([undefined, ...springFaults].map(cureOf)).toEqual([
      'retension-spring',
      'retension-spring',
      'ease-spring',
      'renew-spring',
    ]);
    expect([undefined, ...springFaults].map((spring) => findingTitle({ kind: 'spring-weak', spring }))).toEqual([
      'Spring weak',
      'Spring too weak',
      'Spring too strong',
      'Spring spent',
    ]);
    expect(findingTitle({ kind: 'dent', spring: 'weak' })).toBe('Dent');
  });
});

test('a link with too little play is one that may hold its key off', () => {
  expect(report('link', 'f-to-f-sharp', 0.2, 'steady').findings).toMatchObject([{ kind: 'lost-motion', severity: 2 }]);
  expect(report('link', 'f-to-f-sharp', 0.04, 'steady')).toMatchObject({ state: 'within', findings: [] });
});
