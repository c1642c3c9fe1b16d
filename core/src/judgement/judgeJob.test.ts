import { describe, expect, test } from '@jest/globals';
import { flat, gapsOverSaddle, saddle, sax, TestJob, thick, told } from '../../tests/testJob';
import { groupsAnsweredHere, measureStates, padPoint, wholeState } from '../measures';
import { judgeJob, stateOf } from '.';

const judged = (job: TestJob) => judgeJob(job.state, sax);
const keys = (job: TestJob) => judged(job).suggestions.map(({ key }) => key);

describe('states', () => {
  test('a fault shows before what is stale, missing or in doubt', () => {
    expect(wholeState(['within', 'stale', 'outside'])).toBe('outside');
    expect(wholeState(['within', 'unmeasured', 'stale'])).toBe('stale');
    expect(wholeState(['within', 'undecided'])).toBe('undecided');
    expect(wholeState(['within'])).toBe('within');
    expect(wholeState([])).toBe('unmeasured');
    for (const state of measureStates) expect(wholeState([state])).toBe(state);
  });

  test('a pad goes from unmeasured to within, and stale when it is disturbed', () => {
    const job = new TestJob();
    const state = () => stateOf(judged(job), 'pad', 'g');
    expect(state()).toBe('unmeasured');
    job.read(padPoint('g', 0), 0);
    expect(state()).toBe('unmeasured');
    job.pad('g', flat);
    expect(state()).toBe('within');
    job.done('strip:instrument', { disturbs: ['pad:*'] });
    expect(state()).toBe('stale');
    job.pad('g', flat);
    expect(state()).toBe('within');
    expect(stateOf(judged(job), 'pad', 'nowhere')).toBeNull();
    expect(stateOf(judged(job), 'hinge', 'g')).toBeNull();
  });

  test('a gap at the limit is undecided with a coarse gauge; a repeat with a finer one counts', () => {
    const job = new TestJob();
    job.pad('g', [0.03, 0, 0, 0, 0, 0, 0, 0], 'feeler-film');
    expect(stateOf(judged(job), 'pad', 'g')).toBe('undecided');
    expect(keys(job)).toEqual([]);
    const point = judged(job).pads.get('g')?.points[0];
    expect(point?.conformity?.readingsNeeded).toBeNull();
  });

  test('the practice sets the limit', () => {
    const open = [0.04, 0, 0, 0, 0, 0, 0, 0];
    const byPractice = (practice: string) => {
      const job = new TestJob({ practice });
      job.pad('g', open);
      return stateOf(judged(job), 'pad', 'g');
    };
    expect([byPractice('stage'), byPractice('steady'), byPractice('keeper')]).toEqual(['outside', 'within', 'within']);
  });

  test('six heights make a rim; an oval hole makes it outside though it is flat', () => {
    const job = new TestJob();
    job.rim('e', flat);
    expect(stateOf(judged(job), 'rim', 'e')).toBe('within');
    job.diameters('e', [31.3, 31, 30.7, 31]);
    expect(judged(job).rims.get('e')?.rim?.ellipse?.ovality).toBeCloseTo(0.6, 9);
    expect(stateOf(judged(job), 'rim', 'e')).toBe('outside');
    expect(keys(job)).toEqual(['hole-oval:e']);
  });
});

describe('suggestions', () => {
  test('a pad over a crooked rim puts the finding on the rim', () => {
    const job = new TestJob();
    job.pad('e', gapsOverSaddle);
    expect(keys(job)).toEqual(['rim-warped:e']);
    job.rim('e', saddle);
    const { suggestions, pads } = judged(job);
    expect(pads.get('e')?.seat).toMatchObject({ rimSuspected: true, advice: 'level-rim' });
    expect(suggestions.map(({ key }) => key)).toEqual(['rim-warped:e']);
    expect(told(suggestions[0]?.cause)).toMatch(/low at/);
    expect(told(suggestions[0]?.why)).toMatch(/0\.100 ± 0\.005 mm/);
  });

  test('a thick pad over a flat rim is the pad’s own fault, with the thickness error', () => {
    const job = new TestJob();
    job.rim('e', flat);
    job.pad('e', thick);
    const [suggestion] = judged(job).suggestions;
    expect(suggestion).toMatchObject({ key: 'pad-leaking:e', part: 'e' });
    expect(told(suggestion?.remedy)).toMatch(/too thick/);
    expect(suggestion?.evidence).toHaveLength(8);
  });

  test('a key held off is regulated, its pad left alone', () => {
    const job = new TestJob();
    job.pad('g', Array(8).fill(0.2));
    expect(keys(job)).toEqual(['adjuster-out:g']);
  });

  test('an answered suggestion does not come back, until newer readings speak for it again', () => {
    const job = new TestJob();
    job.pad('e', thick);
    const finding = job.finding('pad-leaking', 'e', 'declined');
    expect(keys(job)).toEqual([]);
    job.pad('e', thick);
    expect(keys(job)).toEqual(['pad-leaking:e']);
    job.finding('pad-leaking', 'e', 'confirmed', finding);
    job.pad('e', thick);
    expect(keys(job)).toEqual([]);
    job.done('reseat-pad:e', { disturbs: ['pad:e'], cures: [finding] });
    expect(keys(job)).toEqual([]);
    job.pad('e', thick);
    expect(keys(job)).toEqual(['pad-leaking:e']);
  });

  test('rims come before pads, along the tube', () => {
    const job = new TestJob();
    job.pad('d', thick);
    job.pad('b', thick);
    job.rim('f', saddle);
    expect(keys(job)).toEqual(['rim-warped:f', 'pad-leaking:b', 'pad-leaking:d']);
  });

  test('answers that are still on their way make no finding', () => {
    const job = new TestJob();
    job.rim('e', saddle);
    job.pad('e', thick);
    const nothing = judgeJob(job.state, sax, { ...groupsAnsweredHere, rim: () => null, seat: () => null });
    expect(nothing.suggestions).toEqual([]);
    expect(nothing.pads.get('e')?.seatInput).not.toBeNull();
  });
});
