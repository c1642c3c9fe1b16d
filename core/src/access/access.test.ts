import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entryKinds } from '../job';
import { shopEntryKinds } from '../shop';
import { stockEntryKinds } from '../stock';
import { acts, actToWrite, admit, admitAct, roleMay, roles, roleWords, routeNeeds, routeRules, type Asker } from '.';

const as = (role: Asker['role']): Asker => ({ id: role, name: role, role });
const writers = (log: 'job' | 'shop' | 'stock', kind: string) =>
  roles.filter((role) => {
    const act = actToWrite(log, kind);
    return act !== null && roleMay(role, act);
  });

describe('who may do what', () => {
  test('an owner everything; nobody else gives keys or says what the shop wants', () => {
    for (const act of acts) expect(roleMay('owner', act)).toBe(true);
    for (const act of ['people', 'shop'] as const)
      expect(roles.filter((role) => roleMay(role, act))).toEqual(['owner']);
  });
  test('everybody looks and tells; an apprentice judges nothing and sends nothing out of the house', () => {
    for (const role of roles) expect([roleMay(role, 'look'), roleMay(role, 'tell')]).toEqual([true, true]);
    for (const act of ['judge', 'money', 'export', 'open', 'tools'] as const)
      expect(roleMay('apprentice', act)).toBe(false);
    expect(roleMay('desk', 'work')).toBe(false);
  });
  test.each([
    ['job', 'sign-off', ['owner', 'technician']],
    ['job', 'reading', ['owner', 'technician', 'apprentice']],
    ['job', 'photo', ['owner', 'technician', 'apprentice', 'desk']],
    ['job', 'agreement', ['owner', 'technician', 'desk']],
    ['job', 'intake', ['owner', 'technician', 'desk']],
    ['job', 'operation-skipped', ['owner', 'technician']],
    ['job', 'unreadable', ['owner']],
    ['shop', 'rates', ['owner']],
    ['shop', 'gauge', ['owner', 'technician']],
    ['shop', 'gauge-check', ['owner', 'technician', 'apprentice']],
    ['shop', 'practice-piece', ['owner', 'technician', 'apprentice', 'desk']],
    ['shop', 'lock', ['owner']],
    ['stock', 'move', ['owner', 'technician', 'apprentice', 'desk']],
    ['stock', 'order', ['owner', 'technician', 'desk']],
  ] as const)('%s, %s: %j', (log, kind, who) => expect(writers(log, kind)).toEqual(who));
  test('every kind of entry takes an act; one that nobody knows takes none', () => {
    for (const kind of entryKinds) expect(actToWrite('job', kind)).not.toBeNull();
    for (const kind of shopEntryKinds) expect(actToWrite('shop', kind)).not.toBeNull();
    for (const kind of stockEntryKinds) expect(actToWrite('stock', kind)).not.toBeNull();
    for (const kind of ['nonsense', '', 7, null, undefined, 'constructor', 'toString'])
      expect(actToWrite('job', kind)).toBeNull();
  });
  test('each role is put in words', () => {
    for (const role of roles) expect(roleWords[role].does).toMatch(/^.{20,}\.$/);
  });
});

describe('what an address takes', () => {
  test.each([
    ['GET', '/', 'look'],
    ['HEAD', '/week', 'look'],
    ['GET', '/jobs/LL-201/pads/corks', 'look'],
    ['GET', '/jobs/LL-201/export', null],
    ['GET', '/api/v1/jobs/LL-201/export', 'export'],
    ['GET', '/api/v1/jobs/LL-201/book.zip', 'export'],
    ['POST', '/api/v1/jobs/LL-201/book.zip', 'work'],
    ['PUT', '/api/v1/jobs/LL-201/photos/a', 'tell'],
    ['DELETE', '/api/v1/jobs/LL-201/photos/a', null],
    ['GET', '/shop/keys', 'people'],
    ['POST', '/api/v1/import', 'judge'],
    ['POST', '/api/v1/jobs', 'open'],
    ['GET', '/sign-in', 'nothing'],
    ['POST', '/sign-in', null],
    ['POST', '/api/auth/hands', 'nothing'],
    ['POST', '/api/auth/sign-in/email', 'nothing'],
    ['GET', '/api/auth', null],
    ['GET', '/_next/static/chunks/a.js', 'nothing'],
    ['POST', '/_next/static/chunks/a.js', null],
    ['GET', '/_next/image', null],
    ['GET', '/listen.worklet.js', 'nothing'],
    ['GET', '/jobs/LL-201/deep/er', null],
    ['GET', '/api/v1/jobs/LL-201/%65xport', null],
    ['GET', '/nowhere', null],
  ] as const)('%s %s: %j', (method, path, needs) => expect(routeNeeds(method, path)).toBe(needs));
  test('no two rules say something of the same address', () =>
    expect(new Set(routeRules.map(({ path }) => path)).size).toBe(routeRules.length));
});

describe('who is let in', () => {
  const paths = routeRules.map(({ path }) => path.replaceAll('*', 'x'));
  test('a shop without keys is open to whoever reaches the machine', () => {
    for (const path of [...paths, '/nowhere']) expect(admit('POST', path, null, 'open')).toBe('in');
  });
  test('a shut one lets strangers no further than the door', () => {
    const open = paths.filter((path) => admit('GET', path, null, 'shut') === 'in');
    expect(open.sort()).toEqual([
      '/api/auth/x',
      '/api/health',
      '/api/v1/owner/x/x/check-up.ics',
      '/api/v1/owner/x/x/photos/x',
      '/api/v1/owner/x/x/record.pdf',
      '/api/v1/schema/x',
      '/icon.svg',
      '/owner/x/x',
      '/sign-in',
    ]);
    for (const path of paths)
      if (!path.startsWith('/api/auth/') && !path.endsWith('/answer'))
        expect([path, admit('POST', path, null, 'shut')]).toEqual([path, 'sign-in']);
  });
  test('a demo on this machine may be looked at and not written in', () => {
    expect(admit('GET', '/jobs/LL-201', null, 'shown')).toBe('in');
    for (const path of ['/shop/keys', '/tickets/new', '/api/v1/jobs/LL-201/export'])
      expect([path, admit('GET', path, null, 'shown')]).toEqual([path, 'sign-in']);
    for (const path of ['/api/v1/jobs/LL-201/entries', '/api/v1/shop', '/api/v1/stock', '/api/v1/jobs'])
      expect([path, admit('POST', path, null, 'shown')]).toEqual([path, 'sign-in']);
    // What only works something out may be asked.
    expect(admit('POST', '/api/v1/solve/rim', null, 'shown')).toBe('in');
  });
  test('an address without a rule is nobody’s, not even an owner’s', () => {
    expect(admit('GET', '/nowhere', as('owner'), 'shut')).toBe('not-yours');
    expect(admit('GET', '/nowhere', null, 'shut')).toBe('sign-in');
  });
  test('who may less is let in nowhere where who may more is not', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...paths),
        fc.constantFrom('GET', 'POST', 'PUT'),
        fc.constantFrom(...roles),
        fc.constantFrom('shut' as const, 'shown' as const),
        (path, method, role, keeping) => {
          const least = admit(method, path, null, keeping) === 'in';
          const some = admit(method, path, as(role), keeping) === 'in';
          const most = admit(method, path, as('owner'), keeping) === 'in';
          expect(!least || some).toBe(true);
          expect(!some || most).toBe(true);
        },
      ),
    ));
  test('an act is let in by the role alone', () => {
    expect(admitAct('judge', as('apprentice'), 'shut')).toBe('not-yours');
    expect(admitAct('judge', as('technician'), 'shut')).toBe('in');
    expect(admitAct('look', null, 'shown')).toBe('in');
    expect(admitAct('work', null, 'shown')).toBe('sign-in');
    expect(admitAct('people', null, 'open')).toBe('in');
  });
});
