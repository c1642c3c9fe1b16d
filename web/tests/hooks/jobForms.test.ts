/** @jest-environment jsdom */
import { afterEach, expect, jest, test } from '@jest/globals';
import type { NewEntry } from '@holotonos/core';
import { formProblems, jobForms, jobFormsSoon } from '../../src/job/jobForms';

const bad = { id: 'x', kind: 'note', body: {}, author: '', benchTime: '' } as unknown as NewEntry;
const state = jest.spyOn(document, 'readyState', 'get');
const come = async () => {
  await jobForms();
  await new Promise((resolve) => setTimeout(resolve, 10));
};
afterEach(() => void state.mockReset());

test('are asked for once the page stands, not before; until they are there the server looks alone', async () => {
  state.mockReturnValue('loading');
  const leave = jobFormsSoon();
  await new Promise((resolve) => setTimeout(resolve, 30));
  expect(formProblems(bad)).toEqual([]);
  // A page that was left before it stood asks for nothing.
  leave();
  window.dispatchEvent(new Event('load'));
  await new Promise((resolve) => setTimeout(resolve, 30));
  expect(formProblems(bad)).toEqual([]);
  jobFormsSoon();
  window.dispatchEvent(new Event('load'));
  await come();
  expect(formProblems(bad).map(({ path }) => path)).toContain('/id');
});

test('a page that stands already asks at once, and there is nothing to end', async () => {
  state.mockReturnValue('complete');
  const added = jest.spyOn(window, 'addEventListener');
  expect(jobFormsSoon()()).toBeUndefined();
  expect(added).not.toHaveBeenCalledWith('load', expect.anything(), expect.anything());
  await come();
  expect(formProblems(bad)).not.toEqual([]);
});
