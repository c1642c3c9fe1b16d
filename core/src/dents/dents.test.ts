import { describe, expect, test } from '@jest/globals';
import { sax, TestJob, told } from '../../tests/testJob';
import type { FindingState } from '../findings';
import { boreAt } from '../instruments';
import { judgeJob } from '../judgement';
import { jobPlan } from '../plan';
import { usualSizes } from '../stock';
import { ballsFor, dentLines, dentOrder, dentReach } from '.';

const body = sax.sections.find(({ id }) => id === 'body');
if (!body) throw new Error('no body');
/** A place of the body far from every hole. */
const place = { section: 'body', at: 300, clock: 180 };
const dent = (more: object = {}) => ({ length: 20, width: 12, edge: 'soft', ridge: false, finish: 'bare', ...more });
const finding = (more: Partial<FindingState> = {}): FindingState =>
  ({ finding: 'x', kind: 'dent', part: 'body', severity: 2, place, dent: dent(), ...more }) as FindingState;
const lines = (of: FindingState[], balls: number[] = []) => dentLines(of, sax, balls).map((line) => told(line));

describe('a dent', () => {
  test('reaches as far as it is written down; else as its severity lets one guess', () => {
    expect(dentReach(finding())).toBe(20);
    expect(dentReach(finding({ dent: null }))).toBe(15);
    expect(dentReach(finding({ dent: null, severity: 3 }))).toBe(25);
  });
  test('is worked with the largest ball that gets there and turns there', () => {
    const bore = boreAt(body, 300);
    const sizes = [bore + 1, bore, bore - 0.5, bore - 3, bore - 6, bore - 9];
    expect(ballsFor(sax, place, sizes)).toEqual({ bore, balls: [bore - 0.5, bore - 3, bore - 6] });
    expect(ballsFor(sax, place, [bore + 5])).toEqual({ bore, balls: [] });
    expect(ballsFor(sax, { ...place, section: 'nowhere' }, sizes)).toBeNull();
  });
  test('a ball comes in by the wide end, never through what is narrower than itself', () => {
    const waisted = {
      ...sax,
      sections: [
        {
          ...body,
          bore: [
            { at: 0, diameter: 20 },
            { at: 250, diameter: 12 },
            { at: 300, diameter: 30 },
            { at: 500, diameter: 15 },
          ],
        },
      ],
    };
    expect(ballsFor(waisted, { ...place, at: 300 }, [29, 14.5, 11])?.balls).toEqual([14.5, 11]);
  });
  test('several of one part: ridges first, then creases, then by depth', () => {
    const order = dentOrder([
      finding({ finding: 'deep', dent: dent({ depth: 2 }) as FindingState['dent'] }),
      finding({ finding: 'shallow', dent: dent({ depth: 0.2 }) as FindingState['dent'] }),
      finding({ finding: 'crease', dent: dent({ edge: 'creased', looks: 'deep' }) as FindingState['dent'] }),
      finding({ finding: 'ridge', dent: dent({ ridge: true }) as FindingState['dent'] }),
    ]);
    expect(order.map(({ finding: id }) => id)).toEqual(['ridge', 'crease', 'shallow', 'deep']);
    expect(lines(order)[0]).toMatch(/^In this order: 20 mm × 12 mm, 180° at 300 mm/);
  });
  test('says what its edge, its finish and its neighbours ask for, each once', () => {
    const said = (more: object, at = place) =>
      lines([finding({ dent: dent(more) as FindingState['dent'], place: at })]).join('\n');
    expect(said({})).toBe('');
    expect(said({ ridge: true })).toMatch(/^The ridge first/);
    expect(said({ edge: 'creased' })).toMatch(/shallow end/);
    expect(said({ finish: 'lacquer-brittle' })).toMatch(/no heat, no polish/);
    expect(said({ finish: 'engraving' })).toMatch(/owner’s word/);
    const [hole] = sax.holes.filter(({ section }) => section === 'body');
    expect(said({}, { section: 'body', at: hole?.at ?? 0, clock: hole?.clock ?? 0 })).toMatch(
      /Stay short of the plane/,
    );
    const twice = [finding({ dent: dent({ ridge: true }) as FindingState['dent'] })];
    expect(lines([...twice, ...twice]).filter((line) => line.startsWith('The ridge'))).toHaveLength(1);
  });
  test('the step that raises it names the balls of the shop, and spoils no more than the dent is wide', () => {
    const job = new TestJob();
    const write = (size: object) =>
      job.write('finding', {
        finding: '00000000-0000-4000-8000-000000000777',
        kind: 'dent',
        part: 'body',
        severity: 2,
        status: 'confirmed',
        place,
        dent: dent(size),
      });
    const step = () =>
      jobPlan(job.state, sax, judgeJob(job.state, sax), job.now, {
        sizes: { ...usualSizes, balls: [14, 16, 18, 60] },
      }).steps.find(({ kind }) => kind === 'raise-dent');
    write({ length: 4, width: 3 });
    const small = step();
    expect(small?.how.some((line) => line.startsWith('Begin with the ball of 18 mm'))).toBe(true);
    write({ length: 60, width: 40 });
    expect(step()?.spoils.length).toBeGreaterThan(small?.spoils.length ?? 0);
  });
});
