/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { foldShop, type Keeping } from '@holotonos/core';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { ReactElement } from 'react';
import { KeysView } from '../../src/app/shop/_shop/KeysView';
import { SignInView } from '../../src/app/sign-in/_signIn/SignInView';
import { askWho } from '../../src/frame/askWho';
import { BenchProvider, useBench, type Named } from '../../src/frame/BenchContext';
import { ForThose } from '../../src/frame/ForThose';
import { Hands } from '../../src/frame/HandsDialog';
import type { Door } from '../../src/frame/keysApi';
import { answered, fetchDouble, settle } from '../hooks/bench';
import { alerts, button, field, press, type } from './shopBench';

const juno = { id: 'a', name: 'Juno Tam', role: 'apprentice' as const };
const perrin = { id: 'b', name: 'Perrin Oake', role: 'technician' as const };
const door = (more: Partial<Door> = {}): Door => ({
  people: [juno, perrin],
  bench: true,
  first: false,
  signedIn: null,
  ...more,
});
const said = (body: object, status = 200) => answered(status, body);
// Pages of the shop listen to it; here nothing is announced.
globalThis.EventSource = class {
  addEventListener() {}
  close() {}
} as unknown as typeof EventSource;
const realFetch = globalThis.fetch;
let asked: { url: string; init?: RequestInit }[] = [];
/** What the door answers, by address. */
let answers: Record<string, () => Response> = {};
beforeEach(() => {
  answers = { '/people': () => said(door()) };
  const double = fetchDouble((url) => {
    const answer = answers[url.replace('/api/auth', '')];
    return answer ? answer() : said({ message: `nobody answers ${url}` }, 404);
  });
  asked = double.asked;
  globalThis.fetch = double.double;
});
afterEach(() => {
  cleanup();
  localStorage.clear();
  globalThis.fetch = realFetch;
  jest.useRealTimers();
});
const bodies = () => asked.flatMap(({ init }) => (init?.body ? [JSON.parse(String(init.body)) as object] : []));
const settled = () => act(settle);

/** Who the frame says is there. */
function Who() {
  const { author, asker } = useBench();
  return <p data-testid="who">{`${author}|${asker?.role ?? 'nobody'}`}</p>;
}
const at = (
  view: ReactElement,
  {
    asker = null,
    keeping = 'shut',
    lockMinutes = 15,
  }: { asker?: Named | null; keeping?: Keeping; lockMinutes?: number } = {},
) =>
  render(
    <BenchProvider zone="UTC" asker={asker} keeping={keeping} lockMinutes={lockMinutes}>
      <Who />
      {view}
    </BenchProvider>,
  );
const who = () => screen.getByTestId('who').textContent;

describe('changing hands', () => {
  test('a name and a number, and whoever that is signs from then on', async () => {
    answers['/hands'] = () => said({ name: 'Perrin Oake', role: 'technician' });
    at(<Hands />, { asker: juno });
    expect(who()).toBe('Juno Tam|apprentice');
    await press(/Juno Tam is at the bench/);
    await settled();
    await press(/Perrin Oake/);
    type('Number', '2718');
    await press('That is me');
    await settled();
    expect(bodies()).toEqual([{ key: 'b', pin: '2718' }]);
    expect(who()).toBe('Perrin Oake|technician');
    expect(screen.queryByRole('dialog')).toBeNull();
  });
  test('a wrong number is said, the field is empty for the next, and nobody is out', async () => {
    answers['/hands'] = () => said({ message: 'That is not the number.' }, 401);
    at(<Hands />, { asker: juno });
    await press(/Juno Tam is at/);
    await settled();
    await press('That is me');
    expect(alerts().join()).toContain('Tap your name first');
    await press(/Perrin Oake/);
    type('Number', '12');
    await press('That is me');
    expect(alerts().join()).toContain('four to eight digits');
    expect(bodies()).toEqual([]);
    type('Number', '0000');
    await press('That is me');
    await settled();
    expect(alerts().join()).toContain('That is not the number');
    expect([field('Number').value, who()]).toEqual(['', 'Juno Tam|apprentice']);
  });
  test('somebody’s own number is changed by whoever knows it; what is wrong is said and nothing typed is lost', async () => {
    answers['/own'] = () => said({ message: 'That is not your number or password.' }, 401);
    at(<Hands />, { asker: juno });
    await press(/Juno Tam is at/);
    await settled();
    await press('My number …');
    expect(button('Keep it').disabled).toBe(true);
    type(/^Your password as it is/, '3141');
    expect(button('Keep it').disabled).toBe(true);
    type(/^New number/, ' 1618 ');
    await press('Keep it');
    await settled();
    expect(alerts().join()).toContain('That is not your number or password.');
    expect(field(/^New number/).value).toBe(' 1618 ');
    answers['/own'] = () => said({ name: 'Juno Tam' });
    await press('Keep it');
    await settled();
    expect(bodies().at(-1)).toEqual({ current: '3141', pin: '1618', password: '' });
    expect(screen.getByRole('status').textContent).toContain('It is so from now on');
    await press('Back to work');
    expect([screen.queryByRole('dialog'), who()]).toEqual([null, 'Juno Tam|apprentice']);
  });
  test('in another tab of this browser: whoever took over there is here too', async () => {
    at(<Hands />, { asker: juno });
    const told = (newValue: string | null, key = 'holotonos-at-hand') =>
      act(() => void window.dispatchEvent(new StorageEvent('storage', { key, newValue })));
    told(JSON.stringify(perrin), 'something-else');
    told(null);
    expect(who()).toBe('Juno Tam|apprentice');
    told(JSON.stringify({ name: 'Perrin Oake', role: 'technician' }));
    expect(who()).toBe('Perrin Oake|technician');
    expect(screen.queryByRole('dialog')).toBeNull();
    told('null');
    await settled();
    expect(who()).toBe('|nobody');
    // What is on this screen is covered too.
    expect(screen.getByRole('dialog')).toBeTruthy();
  });
  test('a server that does not answer is said', async () => {
    at(<Hands />, { asker: juno });
    globalThis.fetch = (() => Promise.reject(new Error('away'))) as typeof fetch;
    await press(/Juno Tam is at/);
    await settled();
    expect(screen.getByText(/does not answer/)).toBeTruthy();
  });
  test('the frame asks when the server wants to know who is there', async () => {
    at(<Hands />, { keeping: 'shown' });
    expect(screen.queryByRole('dialog')).toBeNull();
    act(() => void window.dispatchEvent(new Event(askWho)));
    await settled();
    expect(screen.getByRole('dialog')).toBeTruthy();
    // Whoever only looks may go on looking.
    await press('Back');
    expect(screen.queryByRole('dialog')).toBeNull();
    // Put off, it is not asked again at every try.
    act(() => void window.dispatchEvent(new Event(askWho)));
    await settled();
    expect(screen.queryByRole('dialog')).toBeNull();
    await press('Say who you are');
    expect(screen.getByRole('dialog')).toBeTruthy();
  });
  test('a browser that is no bench says what to do', async () => {
    answers['/people'] = () => said(door({ people: [], bench: false }));
    at(<Hands />, { keeping: 'shown' });
    await press('Say who you are');
    await settled();
    expect(screen.getByText(/no bench of the shop yet/)).toBeTruthy();
  });
});

describe('a bench that nobody touches', () => {
  const minutes = (n: number) =>
    act(async () => {
      await jest.advanceTimersByTimeAsync(n * 60_000);
    });
  test('locks after as long as the shop wants, a touch puts it off, and what is on the screen is covered', async () => {
    jest.useFakeTimers();
    answers['/sign-out'] = () => said({ success: true });
    at(<Hands />, { asker: juno, lockMinutes: 5 });
    await minutes(4);
    fireEvent.pointerDown(window);
    await minutes(4);
    expect(who()).toBe('Juno Tam|apprentice');
    await minutes(2);
    expect(who()).toBe('|nobody');
    expect(asked.some(({ url }) => url.endsWith('/sign-out'))).toBe(true);
    expect(screen.getByRole('dialog')).toBeTruthy();
    expect(document.querySelector('.modal-backdrop.locked')).not.toBeNull();
    expect(screen.queryByRole('button', { name: 'Back' })).toBeNull();
  });
  test('a tab that lies in the back does not lock one that is worked in', async () => {
    jest.useFakeTimers();
    answers['/sign-out'] = () => said({ success: true });
    at(<Hands />, { asker: juno, lockMinutes: 5 });
    await minutes(4);
    // Another tab was touched.
    localStorage.setItem('holotonos-touched', String(Date.now()));
    await minutes(4);
    expect(who()).toBe('Juno Tam|apprentice');
    await minutes(2);
    expect(who()).toBe('|nobody');
  });
  test('where nobody is signed in there is nothing to lock', async () => {
    jest.useFakeTimers();
    at(<Hands />, { keeping: 'shown', lockMinutes: 1 });
    await minutes(10);
    expect(screen.queryByRole('dialog')).toBeNull();
  });
});

describe('the door', () => {
  const enter = { back: '/jobs/LL-201', refused: false };
  test('with a password, and this browser a bench from then on', async () => {
    answers['/sign-in/email'] = () => said({ user: {} });
    answers['/bench'] = () => said({ message: 'An owner, a technician or the desk makes a browser a bench.' }, 403);
    at(<SignInView {...enter} />);
    await settled();
    type('E-mail address', ' o@shop.example ');
    type('Password', 'a long enough word');
    fireEvent.click(field(/This browser is a bench/));
    await press('Come in');
    await settled();
    expect(bodies()).toEqual([{ email: 'o@shop.example', password: 'a long enough word' }, {}]);
    expect(alerts().join()).toContain('makes a browser a bench');
  });
  test('a wrong password stays on the page with what was typed', async () => {
    answers['/sign-in/email'] = () => said({ message: 'Invalid email or password' }, 401);
    at(<SignInView {...enter} />);
    await settled();
    type('E-mail address', 'o@shop.example');
    await press('Come in');
    await settled();
    expect(alerts().join()).toContain('Invalid email or password');
    expect(field('E-mail address').value).toBe('o@shop.example');
  });
  test('too often is said in words even where the door says none', async () => {
    answers['/sign-in/email'] = () => said({}, 429);
    at(<SignInView {...enter} />);
    await settled();
    await press('Come in');
    await settled();
    expect(alerts().join()).toContain('Wait a minute');
  });
  test('a shop without keys makes its first owner, whose wrong words are said', async () => {
    answers['/people'] = () => said(door({ people: [], first: true }));
    answers['/first-owner'] = () => said({ message: 'A password has 10 characters at least, 128 at most.' }, 400);
    at(<SignInView {...enter} />, { keeping: 'open' });
    await settled();
    type('Name', 'Ottoline Marsh');
    type('E-mail address', 'o@shop.example');
    type(/^Password/, 'short');
    await press('Make the first owner');
    await settled();
    expect(bodies()).toEqual([{ name: 'Ottoline Marsh', email: 'o@shop.example', password: 'short' }]);
    expect(alerts().join()).toContain('10 characters');
  });
  test('says that a page is not for whoever is signed in', async () => {
    at(<SignInView back="/" refused />, { asker: juno });
    await settled();
    expect(screen.getByText(/Juno Tam may not open that page/)).toBeTruthy();
  });
});

describe('who may come in', () => {
  const shown = { ...perrin, email: null, hasPin: true, ended: false };
  const view = () => <KeysView first={foldShop([])} />;
  beforeEach(() => {
    answers['/keys'] = () => said({ keys: [shown, { ...juno, email: null, hasPin: true, ended: true }] });
    answers['/audit'] = () =>
      said({
        lines: [
          {
            seq: 2,
            at: '2026-11-25 10:00:00+00',
            what: 'refused',
            who: 'Juno Tam',
            about: 'PIN of a',
            address: '10.0.0.1',
          },
          {
            seq: 1,
            at: '2026-11-25 09:00:00+00',
            what: 'changed-hands',
            who: 'Juno Tam',
            about: 'Perrin Oake',
            address: '',
          },
        ],
      });
  });
  test('lists keys without what opens a door, and who was here', async () => {
    at(view(), { asker: { name: 'O', role: 'owner' } });
    await settled();
    const rows = screen.getAllByRole('row').map((row) => row.textContent);
    expect(rows[1]).toContain('Perrin OakeTechniciannumber at the bench');
    expect(rows[2]).toContain('Juno Tamtaken back–');
    const lines = screen.getAllByRole('listitem').map((line) => line.textContent?.replace(/\s+/g, ' '));
    expect(lines[0]).toMatch(/25 Nov, 10:00 Juno Tam was refused with a wrong number \(10\.0\.0\.1\)/);
    expect(lines[1]).toMatch(/took over from Perrin Oake/);
  });
  test('a key is given, changed and taken back; what is refused keeps what was typed', async () => {
    at(view(), { asker: { name: 'O', role: 'owner' } });
    await settled();
    await press('A new key');
    type('Name', 'Zoë');
    type(/^Number/, '12');
    answers['/keys'] = () => said({ message: 'A PIN has four to eight digits.' }, 400);
    await press('Give the key');
    await settled();
    expect(alerts().join()).toContain('four to eight');
    expect(field('Name').value).toBe('Zoë');
    answers['/keys'] = () => said({ keys: [shown] });
    await press('Give the key');
    await settled();
    expect(screen.getByText('Zoë has a key.')).toBeTruthy();
    await press('Change the key of Perrin Oake');
    await press('Take the key back');
    await settled();
    expect(bodies().at(-1)).toMatchObject({ id: 'b', name: 'Perrin Oake', ended: true });
  });
  test('minutes of the lock are held to what a clock can count', async () => {
    at(view(), { asker: { name: 'O', role: 'owner' } });
    await settled();
    for (const typed of ['0', 'soon', '2.5', '999']) {
      type(/^Minutes/, typed);
      fireEvent.submit(field(/^Minutes/).closest('form') as HTMLFormElement);
      await settled();
      expect(screen.getByText('Type whole minutes, 1 to 480.')).toBeTruthy();
    }
    expect(button('A new key')).toBeTruthy();
  });
  test('an open shop is offered its first owner and asks nobody for keys', async () => {
    at(view(), { keeping: 'open' });
    await settled();
    expect(button('Make the first owner')).toBeTruthy();
    expect(asked).toEqual([]);
  });
});

describe('what a role may not', () => {
  const page = (
    <>
      <ForThose act="shop">
        <button type="button">Another limit</button>
      </ForThose>
      <ForThose act="work">
        <button type="button">Measure</button>
      </ForThose>
    </>
  );
  const shut = (name: string) => button(name).closest('fieldset:disabled') !== null;
  test('stands there to look at, shut, with who changes it', () => {
    at(page, { asker: juno });
    expect([shut('Another limit'), shut('Measure')]).toEqual([true, false]);
    expect(screen.getByText('To look at: changed by an owner.')).toBeTruthy();
  });
  test.each([
    ['an owner of the shop', { asker: { name: 'Ottoline Marsh', role: 'owner' } }],
    ['a shop without keys', { keeping: 'open' }],
    ['whoever has not said yet who it is: the door asks', { keeping: 'shown' }],
  ] as const)('is open to %s', (_, as) => {
    at(page, as);
    expect(shut('Another limit')).toBe(false);
    expect(screen.queryByText(/^To look at/)).toBeNull();
  });
});
