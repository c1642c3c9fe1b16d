/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';

const push = jest.fn();
let path = '/jobs/T-1/measure';
jest.unstable_mockModule('next/navigation', () => ({ usePathname: () => path, useRouter: () => ({ push }) }));
jest.unstable_mockModule('next/link', () => ({
  default: ({ children, prefetch: _, ...props }: Record<string, unknown> & { children: never }) => (
    <a {...props}>{children}</a>
  ),
  useLinkStatus: () => ({ pending: false }),
}));
const { cleanup, fireEvent, render, screen } = await import('@testing-library/react');
const { JobTabs } = await import('../../src/job/JobTabs');

beforeEach(() => {
  path = '/jobs/T-1/measure';
  push.mockClear();
});
afterEach(cleanup);

const links = () => screen.getAllByRole('link').map((link) => link.textContent);
const tabs = (counts = {}) => <JobTabs ticket="T-1" counts={counts} />;

test('the stage of this page shows its pages, the others their names', () => {
  render(tabs());
  expect(links()).toEqual(['Measure', 'Rounds', 'Record']);
  expect(screen.getByRole('link', { name: 'Measure' }).getAttribute('aria-current')).toBe('page');
  expect(screen.getAllByRole('button').map((button) => button.textContent)).toEqual([
    'Ticket',
    'Look',
    'Decide',
    'Fit',
  ]);
});
test('another stage unfolds where it stands, with the hands on its first page; a page gone to folds it', () => {
  const { rerender } = render(tabs({ findings: 5 }));
  expect(screen.getByRole('button', { name: /Decide/ }).textContent).toBe('Decide5');
  fireEvent.click(screen.getByRole('button', { name: /Decide/ }));
  expect(links()).toEqual(['Findings5', 'Plan', 'Estimate', 'Record']);
  expect(document.activeElement?.textContent).toBe('Findings5');
  expect(screen.getByRole('button', { name: 'Measure' }).className).toContain('own');
  expect(screen.getByRole('link', { name: 'Plan' }).getAttribute('href')).toBe('/jobs/T-1/plan');
  path = '/jobs/T-1/pads';
  rerender(tabs());
  expect(links()).toEqual(['Pads, springs', 'Regulation', 'Sound', 'Record']);
});
test('Alt and a digit go to its page from a field too; a bare digit is a figure', () => {
  render(
    <>
      {tabs()}
      <input aria-label="figure" />
    </>,
  );
  const field = screen.getByLabelText('figure');
  fireEvent.keyDown(field, { code: 'Digit6', key: '6' });
  fireEvent.keyDown(field, { code: 'Digit6', key: '6', altKey: true, ctrlKey: true });
  fireEvent.keyDown(field, { code: 'KeyA', key: 'a', altKey: true });
  expect(push).not.toHaveBeenCalled();
  fireEvent.keyDown(field, { code: 'Digit6', key: '6', altKey: true });
  fireEvent.keyDown(window, { code: 'Digit1', key: '1', altKey: true });
  expect(push.mock.calls).toEqual([['/jobs/T-1/plan'], ['/jobs/T-1']]);
});
