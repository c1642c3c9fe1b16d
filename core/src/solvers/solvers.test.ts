import { describe, expect, test } from '@jest/globals';
import { compiledSchemas } from '../schemas';
import * as compiled from '../generated/solvers.js';
import { validatorOf } from '../validation';
import { errorDocument, runSolver, runSolverOnText, solvers } from '.';

const rim = {
  heights: [0, 60, 120, 180, 240, 300].map((clock) => ({ clock, height: 0 })),
  limits: { flatness: 0.03 },
};

describe('the registry', () => {
  test('every solver has a compiled schema, and every compiled solver schema a solver', () => {
    for (const name of solvers.keys()) expect(validatorOf(compiled, name)).not.toBeNull();
    expect(Object.keys(compiledSchemas.solvers ?? {})).toHaveLength(solvers.size);
  });

  test.each([
    [
      'conformity',
      { readings: [], gauge: { resolution: 0, maxPermissibleError: 0 }, limits: { upper: 1 } },
      '/readings',
    ],
    [
      'conformity',
      { readings: [1], gauge: { resolution: -1, maxPermissibleError: 0 }, limits: { upper: 1 } },
      '/gauge/resolution',
    ],
    ['conformity', { readings: [1], gauge: { resolution: 0, maxPermissibleError: 0 }, limits: {} }, '/limits'],
    [
      'conformity',
      { readings: [1], gauge: { resolution: 0, maxPermissibleError: 0 }, limits: { lower: 2, upper: 1 } },
      '/limits/upper',
    ],
    [
      'conformity',
      { readings: [1], gauge: { resolution: 0, maxPermissibleError: 0 }, limits: { upper: 1 }, coverage: 1 },
      '/coverage',
    ],
    ['rim', { ...rim, heights: rim.heights.slice(1) }, '/heights'],
    ['rim', { ...rim, extra: true }, '/extra'],
    ['rim', { ...rim, limits: {} }, '/limits/flatness'],
    ['rim', { ...rim, heights: rim.heights.map((h, i) => (i === 2 ? { ...h, clock: 361 } : h)) }, '/heights/2/clock'],
    ['seat', { gaps: [], padDiameter: 0, axisDistance: 20, limits: { gap: 0.03 } }, '/padDiameter'],
    ['rim', [], ''],
    ['rim', null, ''],
  ])('%s refuses bad input and names the place (%#)', (name, input, path) => {
    const result = runSolver(name, input);
    expect(result.status).toBe('invalid-input');
    if (result.status === 'invalid-input') expect(result.problems.map((problem) => problem.path)).toContain(path);
  });

  const gaps = [0, 60, 120, 180, 240, 300].map((clock) => ({ clock, gap: 0 }));
  const seat = { gaps, padDiameter: 20, axisDistance: 20, limits: { gap: 0.03 } };
  test.each([
    [{ ...seat, sectorWidth: 50 }, '/sectorWidth'],
    [{ ...seat, rimResiduals: [{ clock: 0, residual: 0 }] }, '/rimResiduals'],
    [{ ...seat, rimResiduals: gaps.map(({ clock }) => ({ clock: clock + 1, residual: 0 })) }, '/rimResiduals'],
  ])('seat checks what a schema cannot say (%#)', (input, path) => {
    expect(runSolver('seat', input)).toMatchObject({ status: 'invalid-input', problems: [{ path }] });
  });
  test('360 is the same clock as 0', () => {
    const residuals = gaps.map(({ clock }) => ({ clock: clock === 0 ? 360 : clock, residual: 0 }));
    expect(runSolver('seat', { ...seat, rimResiduals: residuals }).status).toBe('solved');
  });

  test('figures that overflow have no answer, and no NaN gets out', () => {
    const huge = { ...rim, heights: rim.heights.map((h, i) => ({ ...h, height: i % 2 === 0 ? 1e308 : -1e308 })) };
    expect(runSolver('rim', huge).status).toBe('unsolvable');
    const wide = { readings: [1e308, -1e308], gauge: { resolution: 0, maxPermissibleError: 0 }, limits: { upper: 1 } };
    expect(runSolver('conformity', wide).status).toBe('unsolvable');
  });

  test('text that is not JSON is one problem with an empty path; an unknown name says so', () => {
    const bad = runSolverOnText('rim', '{');
    expect(bad).toMatchObject({ status: 'invalid-input', problems: [{ path: '' }] });
    const unknown = runSolver('no-such-solver', {});
    expect(unknown.status).toBe('unknown-solver');
    if (unknown.status !== 'solved') expect(errorDocument(unknown)).toEqual({ error: 'unknown-solver' });
    expect(runSolver('constructor', {}).status).toBe('unknown-solver');
  });
});

describe('every list a solver takes has an end', () => {
  interface Shape {
    type?: string | readonly string[];
    maxItems?: number;
    [key: string]: unknown;
  }
  /** Places of lists without a bound, anywhere inside. */
  const endless = (shape: unknown, path: string): string[] => {
    if (shape === null || typeof shape !== 'object') return [];
    const { type, maxItems } = shape as Shape;
    const open = [type].flat().includes('array') && maxItems === undefined ? [path] : [];
    return [...open, ...Object.entries(shape).flatMap(([key, inner]) => endless(inner, `${path}/${key}`))];
  };
  test.each([...solvers])('%s', (_name, { input }) => expect(endless(input, '')).toEqual([]));
});
