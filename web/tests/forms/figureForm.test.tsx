/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { FigureForm, numberThat, sizeIn } from '../../src/ui/FigureForm';
import { alerts, button, field, press, type } from './shopBench';

afterEach(cleanup);

describe('one figure with its button', () => {
  const show = (takes: (figure: number) => boolean) => {
    const read = numberThat((degrees) => degrees > 0 && degrees < 45, 'Type degrees, less than 45.');
    render(
      <FigureForm label="Turned by" action="Log it" name="A push" read={read} onTaken={takes}>
        <a href="#x">beside it</a>
      </FigureForm>,
    );
  };
  test('what is wrong is said at its field, and what was typed stays', async () => {
    const taken: number[] = [];
    show((figure) => taken.push(figure) > 0);
    expect(screen.getByRole('form', { name: 'A push' }).textContent).toContain('beside it');
    expect(alerts().join('')).toBe('');
    for (const wrong of ['', 'far', '0', '45']) {
      type('Turned by', wrong);
      await press('Log it');
      expect(alerts()).toEqual(['Type degrees, less than 45.']);
      expect(field('Turned by').value).toBe(wrong);
      expect(field('Turned by').getAttribute('aria-describedby')).toBe(screen.getByRole('alert').id);
    }
    expect(taken).toEqual([]);
    type('Turned by', '12,5');
    await press('Log it');
    expect([taken, field('Turned by').value, alerts().join('')]).toEqual([[12.5], '', '']);
    expect(field('Turned by').getAttribute('aria-describedby')).toBeNull();
  });
  test('what is not taken stays as well', async () => {
    show(() => false);
    type('Turned by', '3');
    await press('Log it');
    expect([field('Turned by').value, button('Log it').disabled]).toEqual(['3', false]);
  });
  test('a size is read in the unit of the job, whatever unit is typed', () => {
    expect(sizeIn('mm')('1,5')).toBe(1.5);
    expect(sizeIn('in')('.1')).toBeCloseTo(2.54, 6);
    expect(sizeIn('mm')('2 thou')).toBeCloseTo(0.0508, 6);
    expect(sizeIn('mm')('0')).toBe('It must be more than 0.');
    expect(sizeIn('mm')('deep')).toMatch(/is not a length/);
  });
});
