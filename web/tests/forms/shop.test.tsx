/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { cautions, foldShop, practiceQuestions, practices, practiceWords, toleranceWords } from '@holotonos/core';
import { cleanup, screen } from '@testing-library/react';
import { CautionsSection } from '../../src/app/shop/_shop/CautionsSection';
import { GaugesSection } from '../../src/app/shop/_shop/GaugesSection';
import { HoursSection } from '../../src/app/shop/_shop/HoursSection';
import { PeopleSection } from '../../src/app/shop/_shop/PeopleSection';
import { PricesSection, RatesSection } from '../../src/app/shop/_shop/PricesSection';
import { ProfilesSection } from '../../src/app/shop/_shop/ProfilesSection';
import { RulesSection } from '../../src/app/shop/_shop/RulesSection';
import { StepsSection } from '../../src/app/shop/_shop/StepsSection';
import { alerts, button, field, press, shopBench, tick, type } from './shopBench';

afterEach(cleanup);
const now = '2026-11-25T10:00:00.000Z';

describe('gauges', () => {
  const shelf = () => shopBench((shop, write) => <GaugesSection shop={shop} write={write} now={now} />);
  test('a new one is written as typed, with comma or point, and stands on the shelf', async () => {
    const bench = shelf();
    await press('Another gauge');
    expect(button('Put it on the shelf').disabled).toBe(true);
    type('Name', ' Old caliper ');
    type(/^Smallest step/, '0,02');
    type(/^Largest error/, '0.03');
    type('Calibrated on', '2025-11-01');
    type('Good for, months', '12');
    await press('Put it on the shelf');
    expect(bench.written).toEqual([
      {
        kind: 'gauge',
        body: {
          id: 'old-caliper',
          name: 'Old caliper',
          kind: 'caliper',
          resolution: 0.02,
          maxPermissibleError: 0.03,
          calibrateEvery: 12,
          calibratedOn: '2025-11-01',
        },
      },
    ]);
    const row = screen.getByRole('row', { name: /Old caliper/ });
    expect(row.textContent).toMatch(/overdue since 1 Nov 2026/);
    expect(screen.queryByLabelText('Name')).toBeNull();
  });
  test('a figure that is none is said, and what was typed stays', async () => {
    const bench = shelf();
    await press('Another gauge');
    type('Name', 'Feeler');
    type(/^Largest error/, 'little');
    await press('Put it on the shelf');
    expect(alerts().join()).toMatch(/maxPermissibleError/);
    expect([field('Name').value, field(/^Largest error/).value]).toEqual(['Feeler', 'little']);
    expect(bench.written).toEqual([]);
  });
  test('the unit follows the kind', async () => {
    shelf();
    await press('Another gauge');
    expect(field('Smallest step, mm')).toBeTruthy();
    type('Kind', 'force-gauge');
    expect(field('Smallest step, N')).toBeTruthy();
  });
  test('two checks at zero that differ are a drift, said with its size', async () => {
    const bench = shelf();
    const name = foldShop([]).gauges.find(({ kind }) => kind === 'caliper')?.name ?? '';
    for (const shows of ['0', '-0,05']) {
      await press(`Zero check of ${name}`);
      type(new RegExp(`^${name} shows at zero`), shows);
      await press('Write the check down');
    }
    expect(bench.written.map(({ body }) => body.shows)).toEqual([0, -0.05]);
    expect(screen.getByText(/moved by −0\.050 mm between/)).toBeTruthy();
    await press(`Zero check of ${name}`);
    type(new RegExp(`^${name} shows at zero`), 'nought');
    await press('Write the check down');
    expect(alerts().join()).toContain(`${name}: type a figure`);
    // The field is marked, and has the focus.
    const shown = field(new RegExp(`^${name} shows at zero`));
    expect([shown.className.includes('is-invalid'), document.activeElement === shown]).toEqual([true, true]);
    expect(bench.written).toHaveLength(2);
  });
});

describe('people and hours', () => {
  test('a person with hours and days of their own', async () => {
    const bench = shopBench((shop, write, put) => <PeopleSection shop={shop} write={write} put={put} />);
    await press('Add a person');
    type('Name', 'Ори');
    tick('keys');
    tick('Has hours of their own');
    type('Monday', '9-12:30, 13:30–17');
    type('Away on', '2026-12-24, 2026-12-31');
    await press('Keep this person');
    const [{ body }] = bench.written as unknown as [{ body: Record<string, unknown> }];
    expect(body).toMatchObject({ name: 'Ори', skills: ['keys'], away: ['2026-12-24', '2026-12-31'] });
    expect((body.week as Record<string, unknown>).monday ?? body.week).toBeTruthy();
    expect(screen.getByText(/own hours; away 2026-12-24/)).toBeTruthy();
    await press('No longer here: Ори');
    expect(screen.queryByText('Ори')).toBeNull();
  });
  test.each([
    ['Away on', 'Christmas', /Away on: type dates/],
    ['Monday', 'nine to five', /type spans such as/],
  ])('%s: %s is said, nothing is written', async (label, text, said) => {
    const bench = shopBench((shop, write, put) => <PeopleSection shop={shop} write={write} put={put} />);
    await press('Add a person');
    type('Name', 'Mara');
    tick('Has hours of their own');
    type(label, text);
    await press('Keep this person');
    expect(alerts().join()).toMatch(said);
    expect(field(label).value).toBe(text);
    expect(bench.written).toEqual([]);
  });
  test('the hours of the shop are kept, or what is wrong is said', async () => {
    const bench = shopBench((shop, write) => <HoursSection shop={shop} write={write} />);
    type('Time zone', ' America/New_York ');
    type('Ovens', '2');
    type('Closed on', 'soon');
    await press('Keep these hours');
    expect(alerts().join()).toMatch(/Closed days: type dates/);
    type('Closed on', '2026-12-24');
    type('Time zone', 'Nowhere/Land');
    await press('Keep these hours');
    expect(alerts().join()).toMatch(/timeZone/i);
    type('Time zone', ' America/New_York ');
    await press('Keep these hours');
    expect(bench.written).toEqual([
      {
        kind: 'hours',
        body: expect.objectContaining({
          timeZone: 'America/New_York',
          closed: ['2026-12-24'],
          resources: expect.objectContaining({ oven: 2 }),
        }),
      },
    ]);
    expect([alerts(), screen.getByRole('status').textContent]).toEqual([[], 'Kept.']);
  });
});

describe('money', () => {
  test('rates are sums of the currency', async () => {
    const bench = shopBench((shop, write) => <RatesSection shop={shop} write={write} />);
    type('An hour costs, without tax', '64,50');
    type('Tax, %', '');
    await press('Keep the rates');
    expect(alerts().join()).toMatch(/^Tax: type a figure/);
    type('Tax, %', '19');
    type('Sums rounded to', '0');
    await press('Keep the rates');
    expect(alerts().join()).toMatch(/^Rounded to/);
    type('Sums rounded to', '0.50');
    await press('Keep the rates');
    expect(bench.written).toEqual([
      { kind: 'rates', body: { currency: 'EUR', hourly: 6450, taxPercent: 19, roundTo: 50 } },
    ]);
    type('An hour costs, without tax', 'much');
    await press('Keep the rates');
    expect(alerts().join()).toMatch(/An hour costs: type a sum in EUR/);
    expect(bench.written).toHaveLength(1);
  });
  test('a price goes with a step, and can be put away', async () => {
    const bench = shopBench((shop, write, put) => <PricesSection shop={shop} write={write} put={put} />);
    expect(screen.getByText(/None yet/)).toBeTruthy();
    await press('Add a price');
    type('What', 'Felt pad');
    type('Costs, EUR without tax', 'x');
    await press('Keep this price');
    expect(alerts().join()).toMatch(/type a sum in EUR/);
    type('Costs, EUR without tax', '2.40');
    type('Counted', 'pads');
    await press('Keep this price');
    expect(bench.written).toEqual([
      {
        kind: 'price',
        body: {
          id: 'felt-pad',
          what: 'Felt pad',
          kind: 'material',
          amount: 240,
          per: 'pads',
          operations: ['renew-pads'],
        },
      },
    ]);
    expect(screen.getByText(/for each pad/)).toBeTruthy();
    await press('Put away: Felt pad');
    expect(bench.written.at(-1)?.body.retired).toBe(true);
    expect(screen.queryByText(/for each pad/)).toBeNull();
  });
});

describe('the shop’s own way of working', () => {
  test('a step of its own, of the same name as one that ships, gets an id of its own', async () => {
    const bench = shopBench((shop, write, put) => <StepsSection shop={shop} write={write} put={put} />);
    await press('Add a step');
    type('What is done', 'Polish');
    type(/^How, a line/, 'gently\n\n with the grain ');
    type('Minutes: low, likely, high', '10, 20');
    await press('Keep this step');
    expect(alerts().join()).toMatch(/three figures/);
    type('Minutes: low, likely, high', '10, 20, 40');
    type('Then waits, minutes', '-5');
    await press('Keep this step');
    expect(alerts().join()).toMatch(/Then waits/);
    type('Then waits, minutes', '30');
    tick('Done on one part');
    tick('In every overhaul');
    tick('rim');
    await press('Keep this step');
    expect(bench.written).toHaveLength(1);
    const { body } = bench.written[0] as unknown as { body: { id: string; work: object; standing: object } };
    expect(body.id).toMatch(/^polish/);
    expect(body).toMatchObject({
      work: {
        title: 'Polish',
        minutes: [10, 20, 40],
        unattended: 30,
        disturbs: ['rim:*'],
        how: ['gently', 'with the grain'],
      },
      standing: { scope: 'overhaul' },
    });
    await press('Change: Polish');
    expect([
      field('What is done').value,
      field('In every overhaul').checked,
      field('Done on one part').checked,
    ]).toEqual(['Polish', true, false]);
    expect(field('rim').checked).toBe(true);
    await press('Keep this step');
    expect(bench.written[1]?.body).toEqual(body);
  });
  test('a rule is a step, or a reason to leave it', async () => {
    const bench = shopBench((shop, write, put) => <RulesSection shop={shop} write={write} put={put} />);
    expect(button('Keep this rule').disabled).toBe(true);
    type('Why it is left', 'Nobody hears it');
    await press('Keep this rule');
    type('We do', 'renew-pads');
    type('Finding', 'dirt');
    await press('Keep this rule');
    expect(bench.written.map(({ body }) => body)).toEqual([
      { id: 'for-dent', rule: { finding: 'dent', left: 'Nobody hears it' } },
      { id: 'for-dirt', rule: { finding: 'dirt', operations: ['renew-pads'] } },
    ]);
    await press(/^As it ships again: Dent/);
    expect(bench.written.at(-1)?.body).toMatchObject({ id: 'for-dent', retired: true });
  });
  test('a caution is put otherwise with a reason, keeps its shipped words in sight, and cannot be taken away', async () => {
    const bench = shopBench((shop, write) => <CautionsSection shop={shop} write={write} />);
    const [id, first] = Object.entries(cautions)[0] as [string, string];
    await press(`Word it otherwise: ${first}`);
    expect(field(/in the shop’s words/).value).toBe(first);
    type(/in the shop’s words/, 'Mind the lamp');
    expect(button('Keep these words').disabled).toBe(true);
    type('Why it is worded so', 'our lamp is low');
    await press('Keep these words');
    expect(bench.written.at(-1)).toMatchObject({
      kind: 'caution',
      body: { id, text: 'Mind the lamp', operations: [] },
    });
    expect(screen.getByText(/our words: our lamp is low/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /away|remove|delete/i })).toBeNull();
    await press('Word it otherwise: Mind the lamp');
    expect(screen.getByText(`As it ships: ${first}`)).toBeTruthy();
    await press('Back');
    await press('Add a caution');
    type(/in the shop’s words/, 'Two hands on the flask');
    type('Why it is worded so', 'it fell once');
    expect(button('Keep these words').disabled).toBe(true);
    type('Goes with the step', 'renew-pads');
    await press('Keep these words');
    expect(bench.written.at(-1)?.body).toMatchObject({ operations: ['renew-pads'], text: 'Two hands on the flask' });
    expect(screen.getByText(/our own: it fell once/)).toBeTruthy();
  });
});

describe('practices of our own', () => {
  const rimFlat = toleranceWords['rimFlatness'];
  const limit = `${rimFlat.words}, own limit in ${rimFlat.unit}`;
  test('a limit wants a figure of its shape and a reason; what the server says is said, and the form stays', async () => {
    const bench = shopBench((shop, write, put) => <ProfilesSection shop={shop} write={write} put={put} />);
    await press('Copy a practice');
    type('Name of the practice', 'Band of the town');
    type('Copied from', 'stage');
    type(limit, 'fine');
    await press('Keep this practice');
    expect(alerts().join()).toMatch(/type (one|two) figure/);
    type(limit, '0,04');
    await press('Keep this practice');
    expect(alerts().join()).toMatch(/say why it is set otherwise/);
    type(`${rimFlat.words}, why`, 'soft pads');
    bench.refuses = 'The server does not answer.';
    await press('Keep this practice');
    expect([alerts(), field(limit).value, bench.written]).toEqual([['The server does not answer.'], '0,04', []]);
    bench.refuses = null;
    await press('Keep this practice');
    expect(bench.written).toEqual([
      {
        kind: 'profile',
        body: {
          id: 'band-of-the-town',
          name: 'Band of the town',
          base: 'stage',
          changes: [{ name: 'rimFlatness', limit: 0.04, reason: 'soft pads' }],
        },
      },
    ]);
    await press('Change Band of the town');
    expect([field(limit).value, field('Copied from').value]).toEqual(['0.04', 'stage']);
    await press('Back');
    await press('Put away Band of the town');
    expect(screen.getByText('None yet.')).toBeTruthy();
  });
  test('only a side that differs from the practice copied is kept as its own', async () => {
    const bench = shopBench((shop, write, put) => <ProfilesSection shop={shop} write={write} put={put} />);
    await press('Copy a practice');
    type('Name of the practice', 'Ours');
    const question = practiceQuestions[0] as (typeof practiceQuestions)[number];
    const shipped = practices.steady.settings[question];
    const { question: asks, sides } = practiceWords[question];
    const other = Object.keys(sides).find((side) => side !== shipped) ?? '';
    type(asks, other);
    await press('Keep this practice');
    await press('Change Ours');
    type(asks, shipped);
    await press('Keep this practice');
    expect(bench.written.map(({ body }) => body.settings)).toEqual([{ [question]: other }, undefined]);
  });
});
