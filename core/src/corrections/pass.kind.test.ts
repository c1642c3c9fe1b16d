import { expect, test } from '@jest/globals';
import { TestJob } from '../../tests/testJob';
import { phrase, printPhrase, type LengthUnit } from '../units';
import { pass } from './pass.kind';

const line = (part: string) => ({ group: 'body-line', part, measure: 'deviation', clock: 0, at: 40 }) as const;

test('a pass says how far it was set: degrees, clicks, or a length in the unit of the job', () => {
  const words = (kind: string, amount: number | undefined, unit: LengthUnit = 'mm') => {
    const entry = { pass: kind, group: 'hole', part: 'e', disturbs: [], ...(amount !== undefined && { amount }) };
    return printPhrase(phrase`${pass.words(entry as never, () => 'E')}`, unit);
  };
  expect(words('straighten', 2)).toBe('Straightening by 2°: E');
  expect([words('expand', 1), words('shrink', 3)]).toEqual(['Expanding by 1 click: E', 'Shrinking by 3 clicks: E']);
  expect([words('cut', 0.254), words('cut', 0.254, 'in')]).toEqual([
    'Opening the hole by 0.254 mm: E',
    'Opening the hole by 0.0100 in: E',
  ]);
  expect(words('lap', undefined)).toBe('Lapping: E');
});

test('passes are counted by their kind and part, and what they make stale says which it was', () => {
  const job = new TestJob();
  const does = (kind: string, part: string) =>
    job.write('pass', { pass: kind, group: 'body-line', part, amount: 2, disturbs: [`body-line:${part}`] });
  does('straighten', 'body');
  does('straighten', 'neck');
  does('turn-bell', 'body');
  job.read(line('body'), 0.1);
  job.read(line('neck'), 0.1);
  does('straighten', 'body');
  does('straighten', 'neck');
  const stale = [...job.state.points.values()].map(({ readings }) => readings[0]?.stale);
  expect(stale.map((each) => [each?.operation, each?.title])).toEqual([
    ['pass:straighten:body', 'Straightening, pass 2'],
    ['pass:straighten:neck', 'Straightening, pass 2'],
  ]);
  expect(job.state.passes.map(({ pass: kind, part }) => `${kind} ${part}`)).toEqual([
    'straighten body',
    'straighten neck',
    'turn-bell body',
    'straighten body',
    'straighten neck',
  ]);
});
