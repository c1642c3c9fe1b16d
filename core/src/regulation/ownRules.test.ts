import { describe, expect, test } from '@jest/globals';
import { TestJob, told } from '../../tests/testJob';
import { applyOptions, instrumentType, type InstrumentType } from '../instruments';
import { misfits, type NewEntry } from '../job';
import { jobRecord } from '../record';
import { foldShop, shopRules, type ShopEntry } from '../shop';
import { regulationOf, rulesSeen, type RuleChange } from '.';
import { regulationQuestions } from './regulationOf';
import { entryProblems } from '../jobForms';
import { shopEntryProblems } from '../shopForms';

const flute = applyOptions(instrumentType('concert-flute') as InstrumentType, []);
const films = [0.01, 0.02, 0.05];
const late = { group: 'link', part: 'f-to-f-sharp', measure: 'lateness', clock: 0 } as const;

function bench(kept: readonly RuleChange[] = []) {
  const job = new TestJob({ instrumentType: flute.id, family: flute.family, practice: 'stage' });
  job.read(late, 0.08);
  return {
    job,
    now: () => regulationOf(job.state, flute, films, kept),
    rule: (id: string) => regulationOf(job.state, flute, films, kept).rules.find(({ rule }) => rule.id === id),
    want: (change: object) => job.write('rule', { reason: 'a player with strong fingers', ...change }),
  };
}
const pair = 'f-with-f-sharp';

describe('a rule of the job', () => {
  test('asked over another range, it holds; at another rank, it gives way earlier or later', () => {
    const { rule, want, now } = bench();
    expect(rule(pair)).toMatchObject({ holds: false, rule: { rank: 2 } });
    want({ rule: pair, range: [0, 0.1], rank: 5 });
    expect(rule(pair)).toMatchObject({ holds: true, rule: { rank: 5, range: [0, 0.1] } });
    expect(regulationQuestions(now())).toEqual([]);
    const ranks = now().rules.map((each) => each.rule.rank);
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
  });
  test('what is not asked is told, and in no question', () => {
    const { want, now } = bench();
    want({ rule: pair, asked: false });
    expect(now().rules.some(({ rule }) => rule.id === pair)).toBe(false);
    expect(now().unasked.map(({ rule }) => rule.id)).toEqual([pair]);
    expect(regulationQuestions(now()).flatMap(({ rules }) => rules.map(({ id }) => id))).not.toContain(pair);
  });
  test('stands again as it was when that is said, or when the word is struck', () => {
    const { rule, want, job } = bench();
    const word = want({ rule: pair, words: 'F may be late.' });
    expect(rule(pair)?.words).toBe('F may be late.');
    job.write('strike', { entry: word, reason: 'no' });
    expect(rule(pair)?.words).toMatch(/^F closes/);
    want({ rule: pair, rank: 7 });
    want({ rule: pair, withdrawn: true });
    expect(rule(pair)?.rule.rank).toBe(2);
  });
  test('a range means nothing to a rule that only has to seal', () => {
    const { rule, want } = bench();
    want({ rule: 'all-down-f-key', range: [0, 1], rank: 3 });
    expect(rule('all-down-f-key')?.rule).toMatchObject({ kind: 'seal', rank: 3 });
    expect(rule('all-down-f-key')?.rule).not.toHaveProperty('range');
  });
  test('of a shop counts in every job, until the job says otherwise', () => {
    const { rule, want } = bench([{ rule: pair, rank: 8, reason: 'ours' }]);
    expect(rule(pair)?.rule.rank).toBe(8);
    want({ rule: pair, rank: 4 });
    expect(rule(pair)?.rule.rank).toBe(4);
  });
  const entry = (change: object) =>
    ({
      id: '00000000-0000-4000-8000-000000000009',
      kind: 'rule',
      author: 'x',
      benchTime: '2026-11-23T09:00:00.000Z',
      body: { rule: pair, reason: 'why', ...change },
    }) as unknown as NewEntry;
  test.each([
    [{ rank: 0 }, '/body/rank'],
    [{ reason: ' ' }, '/body/reason'],
  ])('%j is refused', (change, path) =>
    expect(entryProblems(entry(change)).map((problem) => problem.path)).toEqual([path]),
  );
  test('a range that runs backwards is refused', () =>
    expect(misfits(bench().job.state, entry({ range: [0.1, 0] })).map(({ path }) => path)).toEqual(['/body/range']));
  test.each([
    [pair, true],
    [`${pair}-2`, true],
    ['all-down-f-key', true],
    ['all-down-nobody', false],
    [`${pair}-x`, false],
    ['no-such', false],
  ])('%s is one of this instrument: %s', (rule, known) =>
    expect(misfits(bench().job.state, entry({ rule })).length === 0).toBe(known),
  );
});

describe('the shop', () => {
  const entry = (seq: number, body: object) =>
    ({
      id: `00000000-0000-4000-8000-00000000000${seq}`,
      seq,
      kind: 'rule',
      author: 'x',
      benchTime: '2026-11-23T09:00:00.000Z',
      body: { instrument: 'concert-flute', rule: pair, reason: 'ours', ...body },
    }) as unknown as ShopEntry;
  test('keeps the last word on each rule of each type', () => {
    const shop = foldShop([entry(1, { rank: 5 }), entry(2, { rank: 6 }), entry(3, { instrument: 'piccolo', rank: 4 })]);
    expect(shopRules(shop, 'concert-flute').map(({ rank }) => rank)).toEqual([6]);
    expect(foldShop([entry(1, { rank: 5 }), entry(2, { withdrawn: true })]).rules).toEqual([]);
  });
  test('cannot leave a compromise: that is said of one instrument', () => {
    const { seq: _, ...plain } = entry(1, { accepted: true });
    expect(shopEntryProblems(plain).map(({ path }) => path)).toEqual(['/body/accepted']);
  });
});

describe('the record', () => {
  const rulesTold = (of: ReturnType<typeof bench>) => jobRecord(of.job.state, flute, of.job.now)?.rules;
  test('vouches for nothing that nobody has looked at', () => {
    const of = bench();
    const seen = rulesSeen(of.now()).map(({ rule }) => rule.id);
    expect(seen).toContain(pair);
    expect(seen).not.toContain('c-with-c-sharp');
    expect(jobRecord(new TestJob().state, flute, of.job.now)?.rules).toBeNull();
  });
  test('says what holds, what does not, and why a compromise was left', () => {
    const of = bench();
    expect(rulesTold(of)?.yield).toMatchObject([{ words: expect.stringMatching(/^F closes F♯/), why: '' }]);
    of.want({ rule: pair, accepted: true, reason: 'The rod twists; a new one was not wanted.' });
    const [left] = rulesTold(of)?.yield ?? [];
    expect(left?.why).toBe('The rod twists; a new one was not wanted.');
    expect(told(left?.off)).toMatch(/mm off$/);
  });
  test('by the rules of the shop', () => {
    const of = bench();
    const rules = [{ instrument: flute.id, rule: pair, range: [0, 0.1], reason: 'ours' }];
    const record = jobRecord(of.job.state, flute, of.job.now, { rules });
    expect(record?.rules).toMatchObject({
      yield: [],
      hold: expect.arrayContaining([expect.stringMatching(/^F closes F♯/)]),
    });
  });
});
