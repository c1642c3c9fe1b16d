/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { instrumentType, type InstrumentType, type MeasureState } from '@holotonos/core';
import { act, cleanup, fireEvent, render, renderHook, screen } from '@testing-library/react';
import { pageOfMap, useMapFold } from '../../src/tube/mapFold';
import { SlimStrip, slimWords } from '../../src/tube/SlimStrip';

beforeEach(() => localStorage.clear());
afterEach(cleanup);
const sax = instrumentType('alto-saxophone') as InstrumentType;

test('each page of a job has its own fold: open where hands are on the instrument, slim where words are read', () => {
  const at = (path: string) => renderHook(() => useMapFold(path)).result.current.folded;
  expect(['/jobs/T-1', '/jobs/T-1/measure', '/jobs/T-1/sound/pitch'].map(at)).toEqual([false, false, false]);
  expect(['/jobs/T-1/plan', '/jobs/T-1/record', '/jobs/T-1/estimate'].map(at)).toEqual([true, true, true]);
  expect([pageOfMap('/jobs/T-1/sound/pitch'), pageOfMap('/jobs/T-1')]).toEqual(['sound', '']);
});
test('what is chosen is kept in this browser, page by page, and heard by whatever shows it', () => {
  const plan = renderHook(() => useMapFold('/jobs/T-1/plan'));
  const other = renderHook(() => useMapFold('/jobs/T-2/plan'));
  act(() => plan.result.current.fold(false));
  expect([plan.result.current.folded, other.result.current.folded]).toEqual([false, false]);
  expect(renderHook(() => useMapFold('/jobs/T-1/record')).result.current.folded).toBe(true);
  act(() => plan.result.current.fold(true));
  expect(other.result.current.folded).toBe(true);
  // A damaged note is none.
  localStorage.setItem('holotonos-map', '{"plan":');
  expect(renderHook(() => useMapFold('/jobs/T-1/plan')).result.current.folded).toBe(true);
  localStorage.setItem('holotonos-map', '{"plan":"open"}');
  expect(renderHook(() => useMapFold('/jobs/T-1/plan')).result.current.folded).toBe(true);
});
test('folded it says how the holes stand, draws each in its place, and unfolds', () => {
  const states: Record<string, MeasureState[]> = { e: ['outside'], f: ['within', 'stale'], g: ['within'] };
  const onUnfold = jest.fn();
  render(<SlimStrip type={sax} stateOfPart={(part) => states[part] ?? []} onUnfold={onUnfold} takesFocus />);
  const map = screen.getByRole('img');
  expect(map.getAttribute('aria-label')).toMatch(/^Alto saxophone, folded: .*1 outside/);
  expect(map.querySelectorAll('.mark')).toHaveLength(3);
  expect(map.querySelectorAll('.hole')).toHaveLength(sax.holes.length - 3);
  expect(map.querySelectorAll('.tube')).toHaveLength(sax.sections.length);
  expect(document.activeElement?.textContent).toBe('Unfold');
  fireEvent.click(screen.getByRole('button', { name: 'Unfold' }));
  expect(onUnfold).toHaveBeenCalledTimes(1);
  expect(slimWords([])).toBe('nothing measured yet');
});
