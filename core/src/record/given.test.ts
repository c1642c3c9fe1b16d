import { expect, test } from '@jest/globals';
import { sax, TestJob, told, uuid } from '../../tests/testJob';
import { jobRecord } from '.';

test('the record says what an instrument was given, as it is in it now and in the unit of the job', () => {
  const job = new TestJob();
  const said = (unit: 'mm' | 'in' = 'mm') => jobRecord(job.state, sax, job.now)?.given.map((line) => told(line, unit));
  expect(said()).toEqual([]);
  const thing = { kind: 'pad', diameter: 31, thickness: 4, material: 'leather' };
  job.write('chosen', {
    lines: ['e', 'f', 'd'].map((part) => ({ part, use: 'pad', item: 'pad-31', thing, count: 1 })),
  });
  // What only was chosen is not in it.
  expect(said()).toEqual([]);
  job.write('operation-done', {
    operation: 'renew-pads:instrument',
    title: 'x',
    minutes: 1,
    disturbs: [],
    cures: [],
    takes: ['pad:e', 'pad:f'],
  });
  const cork = { id: 'a', part: 'e', place: 'foot', kind: 'cork', tried: 1.4 };
  job.write('cork-point', cork);
  job.write('cork-point', { ...cork, id: 'b', place: 'touch', final: 1.25 });
  job.write('shims', { part: 'e', shims: [{ clock: 90, thickness: 0.05 }] });
  job.write('shims', { part: 'f', shims: [] });
  expect(said()).toEqual([
    '2 × Pad 31 mm × 4 mm, leather',
    expect.stringMatching(/^cork of 1\.250 mm: .*, touch$/),
    expect.stringMatching(/^shims under .*: 90° 0\.050 mm$/),
  ]);
  const key = sax.keys[0]?.id ?? '';
  const spring = { key, which: 'main', section: { diameter: 0.8 }, material: 'blued-steel', length: 25, preset: 3 };
  const arms = { travel: 0.6, catchRadius: 4, touchRadius: 20, padRadius: 16 };
  job.write('spring-set', { ...spring, ...arms });
  job.write('spring-set', { ...spring, ...arms, which: 'helper', section: { width: 2, thickness: 0.3 }, preset: 1.5 });
  expect(said()?.slice(3)).toEqual([
    expect.stringMatching(/^spring of .*: 0\.8 mm, bent 3\.000 mm at the catch$/),
    expect.stringMatching(/^helper spring of .*, bent 1\.500 mm at the catch$/),
  ]);
  expect(said('in')?.join(' ')).not.toMatch(/\d mm/);
});

test('the record says where heat was used and whether what it left was washed off, and what lay over dents', () => {
  const job = new TestJob();
  const said = () => jobRecord(job.state, sax, job.now)?.finish;
  const post = sax.posts[0]?.id ?? '';
  job.done('swage-key:e-key');
  expect(said()).toEqual([]);
  const heat = job.done(`secure-post:${post}`);
  expect(said()).toEqual([expect.stringMatching(/^Heat was used at .*not been washed off yet/)]);
  job.done('wash-flux:e');
  expect(said()?.[0]).toContain('not been washed off');
  job.done(`wash-flux:${post}`);
  expect(said()).toEqual([expect.stringContaining('residue washed off')]);
  job.write('strike', { entry: heat });
  expect(said()).toEqual([]);
  const dent = { length: 9, width: 6, looks: 'plain', edge: 'soft', ridge: false, finish: 'lacquer-brittle' };
  job.write('finding', { finding: uuid(7003), kind: 'dent', part: 'body', severity: 2, status: 'confirmed', dent });
  expect(said()).toEqual([expect.stringMatching(/^Dent at .*: brittle lacquer over it\.$/)]);
});
