/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { applyOptions, bodyProblems, shippedTypes, type InstrumentType } from '@holotonos/core';
import { answered, fetchDouble } from '../hooks/bench';

const went: string[] = [];
jest.unstable_mockModule('next/navigation', () => ({ useRouter: () => ({ push: (to: string) => went.push(to) }) }));
const { act, cleanup, fireEvent, render, screen, waitFor } = await import('@testing-library/react');
const { button, field, press, tick, type } = await import('./shopBench');
const { BenchProvider } = await import('../../src/frame/BenchContext');
const { IntakeForm } = await import('../../src/app/tickets/new/_intake/IntakeForm');

const real = globalThis.fetch;
const shown = (answers: (url: string) => Response | Promise<Response>, more: InstrumentType[] = []) => {
  const { asked, double } = fetchDouble(answers);
  globalThis.fetch = double;
  const types = [
    ...shippedTypes.map((each) => ({ ...each, ships: true })),
    ...more.map((each) => ({ ...each, ships: false })),
  ];
  render(
    <BenchProvider zone="Europe/Berlin">
      <IntakeForm types={types} />
    </BenchProvider>,
  );
  return {
    asked,
    sent: () =>
      asked
        .filter(({ url }) => url === '/api/v1/jobs')
        .map(
          ({ init }) =>
            JSON.parse(String(init?.body)) as { id: string; benchTime: string; body: Record<string, unknown> },
        ),
  };
};
const open = async (count: number, sent: () => unknown[]) => {
  await press('Open the ticket');
  await waitFor(() => expect(sent()).toHaveLength(count));
  await waitFor(() => expect(button('Open the ticket').disabled).toBe(false));
};
const fill = () => {
  type(/^Ticket/, 'LL-300');
  type(/^Owner/, 'A. Player');
};

beforeEach(() => {
  went.length = 0;
  localStorage.clear();
});
afterEach(() => {
  cleanup();
  globalThis.fetch = real;
});

describe('the intake', () => {
  test('the nearest type that is shown is the one that is sent, whichever family it was chosen for', async () => {
    const { sent } = shown(() => answered(201));
    fill();
    const nearest = () => field('Nearest type') as unknown as HTMLSelectElement;
    for (const [i, [family, id]] of (
      [
        ['oboe', 'oboe'],
        ['flute', 'concert-flute'],
        ['other', 'home-made'],
        ['clarinet', 'b-flat-clarinet'],
      ] as const
    ).entries()) {
      type('Family', family);
      expect([family, nearest().value, nearest().selectedOptions[0]?.value]).toEqual([family, id, id]);
      await open(i + 1, sent);
      expect(sent().at(-1)?.body['instrumentType']).toBe(id);
    }
    // Chosen by hand it stays, and says so.
    type('Nearest type', 'home-made');
    expect(nearest().selectedOptions[0]?.textContent).toMatch(/^Never met before/);
  });
  test('what is needed is asked for by its field, and nothing is sent', async () => {
    const { sent } = shown(() => answered(201));
    type(/^Ticket/, 'a/b');
    await press('Open the ticket');
    await waitFor(() => expect(screen.getByText(/Whose instrument is it/)).toBeTruthy());
    expect(screen.getByText(/letters, digits and hyphens/)).toBeTruthy();
    expect(field(/^Ticket/).getAttribute('aria-describedby')).toBeTruthy();
    expect([sent(), field(/^Ticket/).value]).toEqual([[], 'a/b']);
  });
  test('a filled one opens the ticket; what was left empty is left out', async () => {
    const { sent } = shown(() => answered(201));
    fill();
    type('Serial number', '12 345');
    tick('Photographed from all sides');
    await open(1, sent);
    const [{ body }] = sent() as unknown as [{ body: Record<string, unknown> }];
    expect(bodyProblems('intake', body)).toEqual([]);
    expect(body).toMatchObject({
      ticket: 'LL-300',
      owner: 'A. Player',
      serial: '12 345',
      instrumentType: 'alto-saxophone',
      photographed: true,
    });
    expect(body).not.toHaveProperty('maker');
    expect(body).not.toHaveProperty('type');
    expect(went).toEqual(['/jobs/LL-300']);
  });
  test('another family brings its own types; options go with the type that has them', async () => {
    const { sent } = shown(() => answered(201));
    fill();
    const flute = shippedTypes.find((each) => each.family === 'flute' && each.options.length > 0) as InstrumentType;
    type('Family', 'flute');
    type('Nearest type', flute.id);
    const [option] = flute.options as [{ id: string; name: string }];
    tick(option.name);
    await open(1, sent);
    expect(sent()[0]?.body).toMatchObject({ family: 'flute', instrumentType: flute.id, options: [option.id] });
    type('Family', 'oboe');
    await open(2, sent);
    expect(sent()[1]?.body).not.toHaveProperty('options', [option.id]);
  });
  test('hours are promised with a repair only, as people write them, and kept in minutes', async () => {
    const { sent } = shown(() => answered(201));
    fill();
    expect(screen.queryByLabelText('Hours promised')).toBeNull();
    type('Scope', 'repair');
    type('Hours promised', 'two');
    await press('Open the ticket');
    await waitFor(() => expect(screen.getByText(/Give hours as a figure/)).toBeTruthy());
    expect(sent()).toEqual([]);
    type('Hours promised', '1,5');
    await open(1, sent);
    expect(sent()[0]?.body).toMatchObject({ scope: 'repair', promise: 90 });
    type('Hours promised', '');
    await open(2, sent);
    expect(sent()[1]?.body).not.toHaveProperty('promise');
    type('Hours promised', '3');
    type('Scope', 'overhaul');
    await open(3, sent);
    expect(sent()[2]?.body).not.toHaveProperty('promise');
  });
  test('an instrument never met before starts as one bare tube of its name', async () => {
    const { sent } = shown(() => answered(201));
    fill();
    type('Nearest type', 'home-made');
    expect(screen.getByText(/opens with one bare tube/)).toBeTruthy();
    type('Model', 'Zinkenhorn');
    await open(1, sent);
    expect(sent()[0]?.body.type).toMatchObject({ name: 'Zinkenhorn', keys: [], holes: [] });
  });
  test('a type of the shop’s own travels with the ticket', async () => {
    const [first] = shippedTypes as [InstrumentType];
    const own = { ...applyOptions(first, []), id: 'our-own', name: 'Our own', family: 'saxophone' as const };
    const { sent } = shown((url) => (url.startsWith('/api/v1/types/') ? answered(200, own) : answered(201)), [own]);
    fill();
    type('Nearest type', 'our-own');
    await open(1, sent);
    expect(sent()[0]?.body.type).toEqual(JSON.parse(JSON.stringify(own)));
  });
  test('silence keeps every word, and sending again is the same entry', async () => {
    let silent = true;
    const { sent } = shown(() => (silent ? Promise.reject(new Error('no route')) : answered(201)));
    fill();
    await open(1, sent);
    expect(screen.getByRole('alert').textContent).toMatch(/does not answer.*still here/);
    expect([field(/^Owner/).value, went]).toEqual(['A. Player', []]);
    silent = false;
    await open(2, sent);
    const [first, second] = sent();
    expect([second?.id, second?.benchTime]).toEqual([first?.id, first?.benchTime]);
    expect(went).toEqual(['/jobs/LL-300']);
  });
  test('a number in use is said at its field; changed, it is another entry', async () => {
    let taken = true;
    const { sent } = shown(() => (taken ? answered(409, { message: 'LL-300 is another instrument.' }) : answered(201)));
    fill();
    await open(1, sent);
    await waitFor(() => expect(screen.getByText('LL-300 is another instrument.')).toBeTruthy());
    taken = false;
    type(/^Ticket/, 'LL-301');
    await open(2, sent);
    expect(sent()[1]?.id).not.toBe(sent()[0]?.id);
    expect(went).toEqual(['/jobs/LL-301']);
  });
  test('what the server finds wrong is said by its place', async () => {
    const { sent } = shown(() => answered(400, { problems: [{ path: '/body/owner', message: 'is too long' }] }));
    fill();
    await open(1, sent);
    expect(screen.getByRole('alert').textContent).toBe('/body/owner is too long');
  });
  test('protected material brings its caution, a practice says what it holds', async () => {
    shown(() => answered(201));
    expect(screen.queryByText(/Check the law/)).toBeNull();
    await act(async () => {
      tick(/May hold ivory/);
      await Promise.resolve();
    });
    expect(screen.getByText(/Check the law and ask a qualified person/)).toBeTruthy();
    const before = document.querySelector('[aria-live=polite]')?.textContent;
    fireEvent.click(field(/^Keeper/));
    await waitFor(() => expect(document.querySelector('[aria-live=polite]')?.textContent).not.toBe(before));
  });
});
