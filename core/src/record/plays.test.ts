import { expect, test } from '@jest/globals';
import { plays } from './plays';
import { TestJob } from '../../tests/testJob';

test('says nothing where nobody played it', () => expect(plays(new TestJob().state)).toEqual([]));

test('counts what is clear, names what is not from the lowest up, and what is far from its name', () => {
  const job = new TestJob();
  const note = (fingering: string, heard: string, cents?: number) => {
    job.write('played', { fingering, heard });
    if (cents !== undefined)
      job.read({ group: 'pitch', part: fingering, measure: 'cents', clock: 0 }, cents, 'pitch-meter');
  };
  note('c4-1', 'late', -4);
  note('b-flat-3-1', 'silent');
  note('b3-1', 'late', -22);
  note('d4-1', 'clear', 11);
  note('e4-1', 'fuzzy');
  // Played again after something was put right: the newest counts.
  note('e4-1', 'clear', 3);
  expect(plays(job.state)).toEqual([
    '5 of 36 notes were played',
    'clear: 2 of 5',
    'late: B3; C4',
    'does not speak: B♭3',
    'cents from their names: B3 −22; D4 +11',
  ]);
});

test('a long list ends', () => {
  const job = new TestJob();
  const low = [
    'b-flat-3-1',
    'b3-1',
    'c4-1',
    'c-sharp-4-1',
    'd4-1',
    'e-flat-4-1',
    'e4-1',
    'f4-1',
    'f-sharp-4-1',
    'g4-1',
  ];
  for (const fingering of [...low, 'g-sharp-4-1', 'a4-1', 'b4-1', 'c5-1'])
    job.write('played', { fingering, heard: 'late' });
  expect(plays(job.state)[1]).toMatch(/^late: B♭3; .*; and 2 more$/);
});

test('the lines of the play test: how many, and what failed in the words of the sheet; not what work came after', () => {
  const job = new TestJob();
  job.write('tested', { line: 'long-low', result: 'late' });
  job.write('tested', { line: 'chromatic', result: 'clear' });
  job.write('tested', { line: 'no-air', result: 'quiet' });
  const [first, ...more] = plays(job.state);
  expect(first).toMatch(/^play test: 3 of \d+ lines gone through$/);
  expect(more).toEqual([expect.stringMatching(/^B♭3 up to .*lightest fingers: late$/)]);
  job.write('tested', { line: 'long-low', result: 'clear' });
  expect(plays(job.state)).toEqual([expect.stringMatching(/lines gone through, all good$/)]);
  job.done('reseat-pad:e', { disturbs: ['pad:e'] });
  expect(plays(job.state)).toEqual(['it was played before the last work on it, and not since']);
});
