/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { keepFirstPresses } from '../../src/frame/firstPresses';

const seen: string[] = [];
const on = (selector: string, event: string, words: string | ((field: HTMLInputElement) => string)) =>
  document.querySelector(selector)?.addEventListener(event, (told) => {
    if (event === 'submit') told.preventDefault();
    seen.push(typeof words === 'string' ? words : words(told.target as HTMLInputElement));
  });
const get = <T extends HTMLElement = HTMLElement>(selector: string) => document.querySelector<T>(selector) as T;
const key = (target: Element, name: string, more: KeyboardEventInit = {}) => {
  const event = new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true, ...more });
  target.dispatchEvent(event);
  return event.defaultPrevented;
};
/** The page answers, and does what was kept, one after the other. */
const answers = () => {
  window.pageAnswers?.();
  jest.runAllTimers();
};

beforeEach(() => {
  jest.useFakeTimers();
  seen.length = 0;
  document.body.innerHTML = `
    <form><input name="figure"><select name="kind"><option>pad</option><option>cork</option></select>
    <button id="take">Take it</button></form>
    <input type="checkbox" id="tick"><button id="go" type="button"><i>Go</i></button><p id="words">words</p>`;
  keepFirstPresses();
  on('#go', 'click', 'went');
  on('form', 'submit', 'sent');
  on('input[name=figure]', 'input', (field) => `figure ${field.value}`);
  on('select', 'change', (field) => `kind ${field.value}`);
});

// Each page has one keeper.
afterEach(answers);

test('a press before the page answers is done once it does; pressed again meanwhile it is one press', () => {
  get('#go i').click();
  get('#go').click();
  expect(seen).toEqual([]);
  answers();
  expect(seen).toEqual(['went']);
  get('#go').click();
  expect(seen).toEqual(['went', 'went']);
});

test('what is no button is left to the browser', () => {
  const clicked = new MouseEvent('click', { bubbles: true, cancelable: true });
  get('#words').dispatchEvent(clicked);
  expect(clicked.defaultPrevented).toBe(false);
  answers();
  expect(seen).toEqual([]);
});

test('presses, typing and a form that is sent come in the order they were done', () => {
  const figure = get<HTMLInputElement>('input[name=figure]');
  get('#go').click();
  figure.value = '0.3';
  figure.dispatchEvent(new Event('input', { bubbles: true }));
  get<HTMLSelectElement>('select').value = 'cork';
  get('select').dispatchEvent(new Event('change', { bubbles: true }));
  get('select').dispatchEvent(new Event('input', { bubbles: true }));
  get<HTMLFormElement>('form').requestSubmit();
  // A page that does not run yet hears no change; it is told of it again.
  seen.length = 0;
  answers();
  expect(seen).toEqual(['went', 'figure 0.3', 'kind cork', 'sent']);
});

test('a key goes to where the hands were: a letter is typed on, Enter sends the form', () => {
  const figure = get<HTMLInputElement>('input[name=figure]');
  figure.value = '0.';
  figure.focus();
  // A field takes its letters by itself; those before it had the focus come to it afterwards.
  expect(key(figure, '5')).toBe(false);
  expect(key(document.body, '3')).toBe(true);
  expect(key(figure, 'Enter')).toBe(true);
  seen.length = 0;
  answers();
  expect(seen).toEqual(['figure 0.3', 'sent']);
});

test('keys that are the browser’s own stay its own, and so does what a browser presses by itself', () => {
  expect(key(document.body, 'F5')).toBe(false);
  expect(key(document.body, 'Tab')).toBe(false);
  expect(key(document.body, 'r', { ctrlKey: true })).toBe(false);
  expect(key(get('#go'), 'Enter')).toBe(false);
  expect(key(get('#tick'), ' ')).toBe(false);
  expect(key(get('#go'), 'ArrowDown')).toBe(true);
});

test('a button that was drawn anew is pressed all the same, one that is another is not', () => {
  get('#go').click();
  get('#take').click();
  const anew = document.createElement('button');
  anew.id = 'go';
  anew.textContent = 'Go';
  get('#go').replaceWith(anew);
  get('#take').replaceWith(Object.assign(document.createElement('button'), { id: 'other', textContent: 'Take it' }));
  on('#go', 'click', 'went anew');
  on('#other', 'click', 'pressed another');
  answers();
  expect(seen).toEqual(['went anew']);
});

test('a page that never answers lets go by itself', () => {
  get('#go').click();
  jest.advanceTimersByTime(14_999);
  expect(seen).toEqual([]);
  jest.advanceTimersByTime(2);
  jest.runAllTimers();
  expect(seen).toEqual(['went']);
});

test('no more is kept than anybody means', () => {
  for (let i = 0; i < 300; i += 1) {
    get('#go').click();
    key(document.body, 'ArrowDown');
  }
  answers();
  expect(seen.filter((each) => each === 'went')).toHaveLength(100);
});
