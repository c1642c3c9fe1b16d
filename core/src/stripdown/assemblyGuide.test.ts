import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { TestJob } from '../../tests/testJob';
import { overRelations, removableParts, instrumentType, applyOptions, type InstrumentType } from '../instruments';
import { assemblyGuide, jobAssembly } from '.';

const relation = (over: string, under: string) => ({ over, under, reason: `${over} passes over ${under}` });
const order = (off: string[], relations: ReturnType<typeof relation>[] = []) =>
  assemblyGuide(off, relations).steps.map(({ part }) => part);

/** Parts p0…pn taken off in a random order, and random relations that agree with some order. */
const partial = fc.integer({ min: 1, max: 14 }).chain((n) => {
  const parts = Array.from({ length: n }, (_, i) => `p${i}`);
  return fc.record({
    off: fc.shuffledSubarray(parts, { minLength: n, maxLength: n }),
    beneath: fc.shuffledSubarray(parts, { minLength: n, maxLength: n }),
    picks: fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1)), { maxLength: 30 }),
  });
});

describe('assembly guide', () => {
  test('is the strip-down read backwards', () => expect(order(['a', 'b', 'c'])).toEqual(['c', 'b', 'a']));

  test('is corrected by what passes over what, and says so', () => {
    // The bar was wriggled out from under the lever; on the way back it must go first.
    const { steps } = assemblyGuide(['bar', 'lever', 'rod'], [relation('lever', 'bar')]);
    expect(steps.map(({ part }) => part)).toEqual(['rod', 'bar', 'lever']);
    expect(steps.find(({ part }) => part === 'lever')?.reasons).toEqual(['lever passes over bar']);
    expect(steps.find(({ part }) => part === 'bar')?.reasons).toEqual([]);
  });

  test('any partial order is kept, every part stands once, and nothing moves without a reason', () => {
    fc.assert(
      fc.property(partial, ({ off, beneath, picks }) => {
        const relations = picks
          .map(([a, b]) => [Math.min(a, b), Math.max(a, b)] as const)
          .filter(([a, b]) => a !== b)
          .map(([a, b]) => relation(beneath[b] ?? '', beneath[a] ?? ''));
        const { steps, contradictions } = assemblyGuide(off, relations);
        const parts = steps.map(({ part }) => part);
        expect(contradictions).toEqual([]);
        expect([...parts].sort()).toEqual([...off].sort());
        for (const { over, under } of relations) expect(parts.indexOf(under)).toBeLessThan(parts.indexOf(over));
        if (steps.every(({ reasons }) => reasons.length === 0)) expect(parts).toEqual([...off].reverse());
      }),
      { numRuns: 400 },
    );
  });

  test('any set of relations gives a whole guide; every circle is named and is one', () => {
    fc.assert(
      fc.property(partial, ({ off, picks }) => {
        const relations = picks.filter(([a, b]) => a !== b).map(([a, b]) => relation(`p${a}`, `p${b}`));
        const { steps, contradictions } = assemblyGuide(off, relations);
        expect(steps.map(({ part }) => part).sort()).toEqual([...off].sort());
        const said = new Set(relations.map(({ over, under }) => `${over}>${under}`));
        for (const { circle, reasons, setAside } of contradictions) {
          expect(reasons).toHaveLength(circle.length);
          circle.forEach((part, i) => expect(said.has(`${part}>${circle[(i + 1) % circle.length] ?? ''}`)).toBe(true));
          expect(circle).toContain(setAside.over);
        }
        const aside = new Set(contradictions.map(({ setAside }) => `${setAside.over}>${setAside.under}`));
        const place = new Map(steps.map(({ part }, i) => [part, i]));
        for (const { over, under } of relations)
          if (!aside.has(`${over}>${under}`)) expect(place.get(under)).toBeLessThan(place.get(over) ?? -1);
      }),
      { numRuns: 400 },
    );
  });

  test('a circle is explained and the relation the strip-down speaks against gives way', () => {
    const { steps, contradictions } = assemblyGuide(
      ['a', 'b', 'c'],
      [relation('a', 'b'), relation('b', 'c'), relation('c', 'a')],
    );
    expect(contradictions).toHaveLength(1);
    expect(contradictions[0]?.setAside).toMatchObject({ over: 'c', under: 'a' });
    expect(contradictions[0]?.reasons).toContain('b passes over c');
    expect(steps.map(({ part }) => part)).toEqual(['c', 'b', 'a']);
  });
});

describe('parts of a type', () => {
  const sax = applyOptions(instrumentType('alto-saxophone') as InstrumentType, []);
  test('cylinder pivots are kept apart, and each end is a part of its own', () => {
    const simple = instrumentType('simple-clarinet') as InstrumentType;
    const pivots = removableParts(simple).filter(({ kind }) => kind === 'pivot');
    expect(pivots).toHaveLength(26);
    expect(pivots.every(({ keepApart }) => keepApart?.includes('not interchangeable'))).toBe(true);
    expect(new Set(pivots.map(({ end }) => end))).toEqual(new Set(['top', 'bottom']));
  });
  test('a whole saxophone taken apart in any order goes back together without contradiction', () => {
    const parts = removableParts(sax).map(({ id }) => id);
    expect(parts.length).toBeGreaterThan(50);
    expect(new Set(parts).size).toBe(parts.length);
    fc.assert(
      fc.property(fc.shuffledSubarray(parts, { minLength: parts.length }), (off) => {
        const guide = assemblyGuide(off, overRelations(sax));
        expect(guide.contradictions).toEqual([]);
        const place = new Map(guide.steps.map(({ part }, i) => [part, i]));
        expect(place.get('lower-stack-rod')).toBeGreaterThan(place.get('e-key') ?? 999);
      }),
      { numRuns: 20 },
    );
  });
});

describe('the assembly of a job', () => {
  test('follows what is off, where it lies, and what is missing; parts back on are ticked', () => {
    const job = new TestJob();
    job.write('part-off', { part: 'lower-stack-rod', where: 'board', cell: 'A1' });
    job.write('part-off', { part: 'e-key', where: 'board', cell: 'A2' });
    job.write('part-off', { part: 'd-key', where: 'bag', note: 'with the e key' });
    job.write('part-placed', { part: 'd-key', where: 'lost' });
    expect(jobAssembly(job.state).lines.map(({ part, cell, missing }) => [part, cell, missing])).toEqual([
      ['d-key', null, 'lost: find or make another'],
      ['e-key', 'A2', null],
      ['lower-stack-rod', 'A1', null],
    ]);
    job.write('part-on', { part: 'e-key' });
    const { lines, backOn } = jobAssembly(job.state);
    expect(lines).toHaveLength(2);
    expect(backOn.map(({ name }) => name)).toEqual(['E key']);
  });
});
