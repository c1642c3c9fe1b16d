/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { instrumentType, type InstrumentType, type MeasureState } from '@holotonos/core';
import { act, cleanup, fireEvent, render, renderHook, screen } from '@testing-library/react';
import { FoldedMap } from '../../src/tube/FoldedMap';
import { pageOfMap, useMapFold } from '../../src/tube/mapFold';
import { SlimStrip, slimWords } from '../../src/tube/SlimStrip';

beforeEach(() => localStorage.clear());
afterEach(cleanup);
const sax = instrumentType('alto-saxophone') as InstrumentType;

test('the map stands slim, but where the map itself is the work', () => {
  const at = (path: string) => renderHook(() => useMapFold(path)).result.current.folded;
  expect(['/jobs/T-1', '/jobs/T-1/measure', '/jobs/T-1/sound/pitch', '/jobs/T-1/plan'].map(at)).toEqual([
    true,
    true,
    true,
    true,
  ]);
  expect(at('/jobs/T-1/instrument')).toBe(false);
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
const states: Record<string, MeasureState[]> = { e: ['outside'], f: ['within', 'stale'], g: ['within'] };
const stateOfPart = (part: string) => states[part] ?? [];

test('folded it says how the holes stand, draws each in its place along the tube, and marks the part in work', () => {
  const onOpen = jest.fn();
  render(<SlimStrip type={sax} stateOfPart={stateOfPart} here="f" onOpen={onOpen} />);
  const map = screen.getByRole('img');
  expect(map.getAttribute('aria-label')).toMatch(/^Alto saxophone, folded: .*1 outside/);
  expect(map.querySelectorAll('.mark')).toHaveLength(3);
  expect(map.querySelectorAll('.hole')).toHaveLength(sax.holes.length - 3);
  expect(map.querySelectorAll('.tube')).toHaveLength(sax.sections.length);
  const place = (element: Element | null) => /translate\(([\d.]+) /.exec(element?.getAttribute('transform') ?? '')?.[1];
  // F lies 371 mm down the body, which begins where the neck ends.
  expect(place(map.querySelector('.here')?.parentElement ?? null)).toBe(String(184 + 371));
  const [, , width, height] = (map.getAttribute('viewBox') ?? '').split(' ').map(Number);
  for (const g of map.querySelectorAll('g[transform]')) {
    const [x, y] = (/\(([-\d.]+) ([-\d.]+)\)/.exec(g.getAttribute('transform') ?? '') ?? []).slice(1).map(Number);
    expect(x).toBeLessThan(width as number);
    expect(Math.abs(y as number)).toBeLessThan((height as number) / 2);
  }
  fireEvent.click(screen.getByRole('button', { name: 'Map' }));
  fireEvent.click(map);
  expect(onOpen).toHaveBeenCalledTimes(2);
  expect(slimWords([])).toBe('nothing measured yet');
});

describe('the map over the work', () => {
  const onPick = jest.fn();
  const onPin = jest.fn();
  const open = () => document.querySelector('.map-open');
  const shown = () =>
    render(
      <>
        <FoldedMap type={sax} control={{ targets: ['holes'], here: 'e', onPick, stateOfPart }} onPin={onPin} />
        <button type="button">the work</button>
      </>,
    );
  const altM = () => fireEvent.keyDown(window, { code: 'KeyM', altKey: true });
  beforeEach(() => {
    onPick.mockClear();
    onPin.mockClear();
  });

  test('its key opens it with the hands on it, and folds it again', () => {
    shown();
    expect(open()).toBeNull();
    altM();
    expect(document.activeElement?.getAttribute('data-part')).toBe('e');
    altM();
    expect(open()).toBeNull();
    fireEvent.keyDown(window, { code: 'KeyM' });
    expect(open()).toBeNull();
  });
  test('a part that is picked folds it, and is gone to', () => {
    shown();
    altM();
    fireEvent.keyDown(document.activeElement as Element, { key: 'ArrowRight' });
    fireEvent.keyDown(document.activeElement as Element, { key: 'Enter' });
    expect(onPick.mock.calls).toEqual([['d', undefined]]);
    expect(open()).toBeNull();
  });
  test('Esc folds it, and so does going on to the work; within it the hands may travel', () => {
    shown();
    altM();
    fireEvent.keyDown(document.activeElement as Element, { key: 'Escape' });
    expect(open()).toBeNull();
    expect(document.activeElement?.className).toBe('map');
    altM();
    fireEvent.blur(document.activeElement as Element, {
      relatedTarget: screen.getByRole('button', { name: 'Closer' }),
    });
    expect(open()).not.toBeNull();
    fireEvent.blur(document.activeElement as Element, { relatedTarget: screen.getByText('the work') });
    expect(open()).toBeNull();
  });
  test('from its button the hands come onto it, and the slim line under it is out of reach; a finger beside it folds it', () => {
    shown();
    const button = screen.getByRole('button', { name: 'Map' });
    button.focus();
    fireEvent.click(button);
    expect(document.activeElement?.getAttribute('data-part')).toBe('e');
    expect(button.closest('[inert]')).not.toBeNull();
    fireEvent.pointerDown(screen.getByRole('button', { name: 'Closer' }));
    expect(open()).not.toBeNull();
    fireEvent.pointerDown(document.body);
    expect(open()).toBeNull();
    expect(button.closest('[inert]')).toBeNull();
    fireEvent.pointerDown(document.body);
    expect(open()).toBeNull();
  });
  test('it opens where a mouse rests on it and not where one passes; a finger only presses', () => {
    jest.useFakeTimers();
    try {
      shown();
      const map = document.querySelector('.map') as Element;
      const pass = (type: 'enter' | 'leave', pointerType: string, wait: number) => {
        const event = new MouseEvent(type === 'enter' ? 'pointerover' : 'pointerout', { bubbles: true });
        Object.assign(event, { pointerType });
        fireEvent(map, event);
        act(() => jest.advanceTimersByTime(wait));
      };
      pass('enter', 'mouse', 50);
      pass('leave', 'mouse', 1000);
      expect(open()).toBeNull();
      pass('enter', 'touch', 1000);
      expect(open()).toBeNull();
      pass('enter', 'mouse', 200);
      expect(open()).not.toBeNull();
      pass('leave', 'mouse', 100);
      expect(open()).not.toBeNull();
      act(() => jest.advanceTimersByTime(300));
      expect(open()).toBeNull();
    } finally {
      jest.useRealTimers();
    }
  });
  test('it can be kept open, and shows the instrument as the eye knows it', () => {
    shown();
    altM();
    fireEvent.click(screen.getByRole('button', { name: 'Picture' }));
    const picture = screen.getByRole('img', { name: 'Alto saxophone, as it stands' });
    expect(picture.querySelectorAll('.mark')).toHaveLength(3);
    expect(picture.querySelectorAll('.here')).toHaveLength(1);
    fireEvent.click(screen.getByRole('button', { name: 'Keep open' }));
    expect(onPin).toHaveBeenCalledTimes(1);
    fireEvent.keyDown(document.body, { key: 'Escape' });
    expect(open()).toBeNull();
  });
});
