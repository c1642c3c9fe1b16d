/** @jest-environment jsdom */
import { afterEach, expect, jest, test } from '@jest/globals';
import { jobDouble } from '../hooks/bench';

jest.unstable_mockModule('../../src/job/JobContext', () => ({ useJob: () => jobDouble() }));
const { cleanup, fireEvent, render, screen } = await import('@testing-library/react');
const { LateForm } = await import('../../src/app/jobs/[ticket]/regulation/_regulation/LateForm');

afterEach(cleanup);

/** The form with what is in the way of a figure, and the figures it handed on. */
function shown(why: string | null) {
  const taken: string[] = [];
  const back = jest.fn();
  const takeFigure = (typed: string) => {
    taken.push(typed);
    return why;
  };
  const pull = { film: 0.02, films: [0.02, 0.05], setFilm: jest.fn() };
  render(<LateForm desk={{ unit: 'mm', pull, takeFigure, back } as never} field={{ current: null }} />);
  const field = screen.getByLabelText('Follower late by, mm') as HTMLInputElement;
  const button = screen.getByRole('button', { name: 'Take it' }) as HTMLButtonElement;
  return { taken, back, field, button, type: (value: string) => fireEvent.change(field, { target: { value } }) };
}

test('a lateness that is taken empties the field, and the keys of the round are heard again', () => {
  const { taken, back, field, button, type } = shown(null);
  expect(button.disabled).toBe(true);
  type('0.04');
  fireEvent.click(button);
  expect([taken, field.value, back.mock.calls.length]).toEqual([['0.04'], '', 1]);
});

test('one that is not stays typed and says why, until the next key', () => {
  const { back, field, button, type } = shown('“late” is not a length.');
  type('late');
  fireEvent.click(button);
  expect([field.value, back.mock.calls.length]).toEqual(['late', 0]);
  expect(screen.getByRole('alert').textContent).toBe('“late” is not a length.');
  expect(field.getAttribute('class')).toMatch(/is-invalid/);
  type('0.1');
  expect(screen.getByRole('alert').textContent).toBe('');
});
