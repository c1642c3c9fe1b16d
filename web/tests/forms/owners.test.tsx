/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import type { Owner } from '@holotonos/store';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { BenchProvider } from '../../src/frame/BenchContext';
import { alerts, button, field, press, type } from './shopBench';

const refresh = jest.fn();
jest.unstable_mockModule('next/navigation', () => ({ useRouter: () => ({ refresh }) }));
const { OwnersView } = await import('../../src/app/shop/_shop/OwnersView');

let asked: string[];
let answer: { ok: boolean; status: number; json: () => Promise<unknown> } | null;
beforeEach(() => {
  refresh.mockClear();
  asked = [];
  answer = { ok: true, status: 200, json: () => Promise.resolve({ tickets: ['L-1', 'L-2'] }) };
  globalThis.fetch = ((address: string, { method }: RequestInit) => {
    asked.push(`${method} ${address}`);
    return answer ? Promise.resolve(answer) : Promise.reject(new Error('no network'));
  }) as unknown as typeof fetch;
});
afterEach(cleanup);

const merrow: Owner = { id: 'o-1', name: 'Merrow Quayside', contact: 'quay 7', tickets: ['L-1', 'L-2'] };
const show = (owners: Owner[] = [merrow], search = '') =>
  render(
    <BenchProvider zone="UTC">
      <OwnersView owners={owners} search={search} />
    </BenchProvider>,
  );

test('an owner is forgotten only by whoever types the name', async () => {
  show();
  await press('Forget …: Merrow Quayside');
  expect(button('Forget them for good').disabled).toBe(true);
  type('Type “Merrow Quayside” to go on', 'Merrow');
  await act(async () => void fireEvent.submit(screen.getByRole('form', { name: 'Forget Merrow Quayside' })));
  expect(asked).toEqual([]);
  type('Type “Merrow Quayside” to go on', ' Merrow Quayside ');
  await press('Forget them for good');
  expect(asked).toEqual(['POST /api/v1/owners/o-1/forget?author=']);
  expect(screen.getByRole('status').textContent).toBe('They are forgotten. L-1, L-2 stay, and say no name.');
  expect(refresh).toHaveBeenCalledTimes(1);
});

test('what does not get through, or is refused, is said, and nothing typed is lost', async () => {
  show();
  await press('Forget …: Merrow Quayside');
  type('Type “Merrow Quayside” to go on', 'Merrow Quayside');
  answer = null;
  await press('Forget them for good');
  expect(alerts().join()).toContain('nothing was forgotten');
  answer = {
    ok: false,
    status: 403,
    json: () => Promise.resolve({ message: 'Only an owner of the shop may do that.' }),
  };
  await press('Forget them for good');
  expect(alerts().join()).toContain('Only an owner of the shop may do that.');
  expect(field('Type “Merrow Quayside” to go on').value).toBe('Merrow Quayside');
  await press('Back');
  expect(screen.queryByRole('form')).toBeNull();
  expect(refresh).not.toHaveBeenCalled();
});

test('everything about them can be taken out, and their tickets are led to', () => {
  show();
  expect(screen.getByRole('link', { name: 'All about them (ZIP): Merrow Quayside' }).getAttribute('href')).toBe(
    '/api/v1/owners/o-1/archive.zip',
  );
  expect(screen.getByRole('link', { name: 'L-2' }).getAttribute('href')).toBe('/jobs/L-2');
  cleanup();
  show([], 'zz');
  expect(screen.getByText('Nobody answers to that.')).toBeTruthy();
});
