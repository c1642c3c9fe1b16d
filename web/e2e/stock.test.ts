import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { writeFileSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import type { ChosenLine, Entry, StockState } from '@holotonos/core';
import {
  axeInBothLights,
  choose,
  entriesOf,
  fill,
  openTicket,
  press,
  seeText,
  send,
  startPage,
  until,
  type App,
} from './app';
import { settled, typeFigures } from './measuring';

jest.setTimeout(300_000);

let app: App;
let page: Page;
let complaints: string[] = [];
beforeAll(async () => {
  ({ app, page, complaints } = await startPage());
});
afterAll(() => app.close());

const stock = async (): Promise<StockState> => {
  const answer = (await (await fetch(`${app.address}/api/v1/stock`)).json()) as { stock: StockState };
  return answer.stock;
};
const countOf = async (id: string) => (await stock()).items.find((item) => item.id === id)?.count;
const field = 'input[placeholder="12, −3 or +6"]';
const inHand = () => page.$eval('.drawer-here label', (label) => label.textContent);
/** The logbook of a ticket, as what it is. */
const logOf = async (ticket: string) => (await entriesOf(app.address, ticket)) as unknown as Entry[];
const chosenOf = async (ticket: string): Promise<ChosenLine[]> =>
  (await logOf(ticket)).flatMap((entry) => (entry.kind === 'chosen' ? entry.body.lines : []));
/** One entry, as another bench would write it. */
const write = async (address: string, kind: string, body: object) => {
  const entry = { id: randomUUID(), kind, author: 'Juno Tam', benchTime: new Date().toISOString(), body };
  expect((await send(address, entry)).status).toBe(201);
};

describe('the drawers', () => {
  test('are counted, taken from and filled by keyboard; what is no count is said and kept', async () => {
    await page.goto(`${app.address}/stock`);
    await seeText(page, 'things');
    await fill(page, 'Find in the drawers', 'pierced');
    await until(page, () => document.querySelectorAll('.drawer-list button.plain').length === 2);
    await page.focus(field);
    await page.keyboard.press('ArrowDown');
    await until(page, () => document.querySelector('.drawer-here label')?.textContent?.startsWith('Pad 17.5 mm'));
    await typeFigures(page, '9');
    await seeText(page, '9 counted.');
    await typeFigures(page, '-2');
    await seeText(page, '2 taken.');
    await typeFigures(page, '+1');
    await seeText(page, '1 put back.');
    expect(await countOf('pad-17-5-3-4-6-pale-skin')).toBe(8);
    await typeFigures(page, 'many');
    await seeText(page, 'Type how many there are');
    expect(await page.$eval(field, (input) => (input as HTMLInputElement).value)).toBe('many');
    expect(await inHand()).toMatch(/^Pad 17\.5 mm/);
  });

  test('get something new, which is told to every page at once', async () => {
    const other = await app.page();
    await other.goto(`${app.address}/stock`);
    await seeText(other, 'things');
    await page.bringToFront();
    await page.goto(`${app.address}/stock`);
    await press(page, 'Something new');
    await fill(page, 'Diameter, mm', '0.75');
    await press(page, 'Give it a place');
    await seeText(page, 'it is what tells a pad from another');
    await choose(page, 'select[id$="stock-kind"]', 'spring-wire');
    await fill(page, 'Material', 'blued steel');
    await fill(page, 'How many there', '11');
    await press(page, 'Give it a place');
    await seeText(other, 'Needle spring 0.75 mm, blued steel');
    // The form has gone when its count is written too.
    await until(page, () => !document.querySelector('select[id$="stock-kind"]'));
    expect(await countOf('spring-wire-0-75-blued-steel')).toBe(11);
    await other.close();
  });

  test('say what is to be ordered and for whom; ordered, on the way, arrived', async () => {
    await page.goto(`${app.address}/stock`);
    await seeText(page, 'LL-203, 1 spare');
    const before = await countOf('grommet-8-2-2-6-6-metal');
    const csv = await (await fetch(`${app.address}/api/v1/stock/order.csv`)).text();
    expect(csv).toContain('grommet-8-2-2-6-6-metal,grommet,"Grommet 8.2 mm × 2.6 mm, hole 6 mm, metal",5,piece');
    const pdf = Buffer.from(await (await fetch(`${app.address}/api/v1/stock/order.pdf`)).arrayBuffer());
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    await press(page, 'It is ordered');
    await seeText(page, 'Nothing: the open jobs find what they need');
    const [order] = (await stock()).orders;
    expect(order?.lines.find(({ item }) => item === 'grommet-8-2-2-6-6-metal')).toMatchObject({ count: 5, arrived: 0 });
    await page.click('button[aria-label^="Arrived: "]');
    await fill(page, 'Came: Grommet 8.2 mm × 2.6 mm, hole 6 mm, metal', '4');
    await press(page, 'Into the drawers');
    await until(
      page,
      () => document.querySelector('button[aria-label^="Arrived: "]')?.getAttribute('aria-expanded') === 'false',
    );
    expect(await countOf('grommet-8-2-2-6-6-metal')).toBe((before ?? 0) + 4);
    await fetch(`${app.address}/api/v1/stock/order.pdf?order=${randomUUID()}`).then(({ status }) =>
      expect(status).toBe(404),
    );
  });

  test('go out as a file and come in again; a bad row is named and nothing is taken', async () => {
    const text = await (await fetch(`${app.address}/api/v1/stock/items.csv`)).text();
    const bring = (csv: string) => send(`${app.address}/api/v1/stock/items.csv?author=Juno`, csv, { type: 'text/csv' });
    expect(await (await bring(text)).json()).toEqual({ added: 0 });
    const { seq } = await stock();
    const refused = await bring('kind,diameter (mm),thickness (mm)\r\npad,9,2\r\npad,9,thick\r\n');
    expect([refused.status, await refused.json()]).toEqual([
      400,
      {
        error: 'invalid-input',
        problems: [{ path: 'line 3, column “thickness (mm)”', message: '“thick” is not a figure' }],
      },
    ]);
    expect((await stock()).seq).toBe(seq);
    // The same through the page.
    await page.goto(`${app.address}/stock`);
    // The page runs here: what is found is what was typed.
    await fill(page, 'Find in the drawers', 'ball');
    await until(page, () => /^1\d things/.test(document.querySelector('.stock-head [role=status]')?.textContent ?? ''));
    const chooser = await page.$('input[type=file]');
    const file = join(app.downloads, 'stock.csv');
    writeFileSync(file, 'kind;diameter (mm);count\r\nball;21,5;1\r\n');
    await chooser?.uploadFile(file);
    await seeText(page, 'Taken: 2 entries.');
    await seeText(page, 'Dent ball 21.5 mm');
  });
});

describe('a set of pads, by keyboard', () => {
  const ticket = 'PAD-1';
  const holes = ['open-holes'];
  const at = () => `${app.address}/jobs/${ticket}`;

  test('one walk, one line a pad, before they come out', async () => {
    await openTicket(app.address, ticket, { instrumentType: 'concert-flute', family: 'flute', options: holes });
    await page.goto(`${at()}/pads?show=before&part=a`);
    await until(page, () => document.activeElement?.matches('.pad-line input'));
    await typeFigures(page, 'wide');
    await until(page, () => (document.querySelector('.pad-line [role=alert]')?.textContent ?? '') !== '');
    expect((await logOf(ticket)).filter(({ kind }) => kind === 'reading')).toEqual([]);
    await page.keyboard.down('Shift');
    await page.keyboard.press('Home');
    await page.keyboard.up('Shift');
    for (const [i, figure] of ['0.35', '0.4', '17.3', '3.0'].entries()) {
      if (i > 0) await page.keyboard.press('Tab');
      await page.keyboard.type(figure);
    }
    await page.keyboard.press('Tab');
    await page.keyboard.type('h');
    await page.keyboard.press('Tab');
    await page.keyboard.type('10');
    await page.keyboard.press('Tab');
    await page.keyboard.type('20');
    await page.keyboard.press('Enter');
    // The next line waits to be typed into.
    await until(page, () => document.querySelector('.pad-line h2')?.textContent === 'Upper G');
    await until(page, () => document.activeElement?.matches('.pad-line input'));
    await settled(page);
    const entries = await logOf(ticket);
    expect(
      entries.flatMap((entry) => (entry.kind === 'reading' ? [[entry.body.point.measure, entry.body.value]] : [])),
    ).toEqual([
      ['stand', 0.35],
      ['setter', 0.4],
      ['cup', 17.3],
      ['cup-depth', 3],
    ]);
    expect(entries.find(({ kind }) => kind === 'observation')?.body).toMatchObject({
      part: 'a',
      hold: 'grommet',
      condition: 'hard',
      mark: 10,
      setterMark: 20,
      reuse: false,
    });
    await seeText(page, 'bears on another spot of the skin');
  });

  test('the whole set out of the drawers at once, one pad changed; what is short is on the order', async () => {
    await page.goto(`${at()}/pads?show=set`);
    await seeText(page, 'Take the set');
    const pick = 'select[aria-label="Pad of A"]';
    // What was read of its cup counts: the pad that was read stands by the old one.
    expect(await page.$eval(pick, (select) => (select as HTMLSelectElement).selectedOptions[0]?.textContent)).toMatch(
      /^Pad 17 mm × 3\.3 mm, pierced 6 mm/,
    );
    await page.focus(pick);
    await page.keyboard.press('ArrowDown');
    await until(
      page,
      (query) =>
        /punched/.test((document.querySelector(query) as HTMLSelectElement).selectedOptions[0]?.textContent ?? ''),
      pick,
    );
    await page.keyboard.down('Control');
    await page.keyboard.press('Enter');
    await page.keyboard.up('Control');
    await seeText(page, 'written down.');
    await seeText(page, 'The set is taken');
    await settled(page);
    const lines = await chosenOf(ticket);
    expect(lines).toHaveLength(17);
    expect(lines.find(({ part }) => part === 'a')).toMatchObject({
      item: 'pad-17-3-3-pale-skin',
      pierce: 6,
      stand: 0.35,
    });
    expect(new Set(lines.map(({ part }) => part)).size).toBe(17);
    await seeText(page, 'to be punched');
    await page.goto(`${app.address}/stock`);
    await seeText(page, ticket);
  });

  test('the step that renews them takes them out of the drawers; taken back, they lie there again', async () => {
    const other = 'PAD-2';
    await openTicket(app.address, other, { practice: 'steady' });
    const job = `${app.address}/api/v1/jobs/${other}/entries`;
    await write(job, 'finding', {
      finding: randomUUID(),
      kind: 'pad-worn',
      part: 'e',
      severity: 2,
      status: 'confirmed',
    });
    await page.goto(`${app.address}/jobs/${other}/pads?show=set`);
    await seeText(page, 'Take the set');
    const item = 'pad-37-5-5-tan-leather';
    const before = await countOf(item);
    await press(page, 'Take the set, 24 lines');
    await seeText(page, 'The set is taken');
    await settled(page);
    await page.goto(`${app.address}/jobs/${other}/plan?step=replace-pad%3Ae`);
    await seeText(page, 'Out of the drawers: 1 × Pad 37 mm × 5.5 mm, tan leather.');
    await write(job, 'operation-done', {
      operation: 'replace-pad:e',
      title: 'Replace the pad: E',
      minutes: 10,
      disturbs: [],
      cures: [],
      takes: ['pad:e'],
    });
    expect(await countOf(item)).toBe((before ?? 0) - 1);
    const done = (await logOf(other)).find(({ kind }) => kind === 'operation-done');
    await write(job, 'strike', { entry: done?.id });
    expect(await countOf(item)).toBe(before);
  });

  test('a cup nothing goes into says what it wants; given a place it is chosen and ordered', async () => {
    const other = 'PAD-3';
    await openTicket(app.address, other, { instrumentType: 'bass-clarinet', family: 'clarinet' });
    await page.goto(`${app.address}/jobs/${other}/pads?show=set`);
    await seeText(page, 'None goes in.');
    await press(page, 'A place in the drawers for Pad 6.5 mm × 2.7 mm, wanted by Upper register');
    const pick = 'select[aria-label="Pad of Upper register"]';
    await page.waitForSelector(pick);
    expect(await page.$eval(pick, (select) => (select as HTMLSelectElement).selectedOptions[0]?.textContent)).toBe(
      'Pad 6.5 mm × 2.7 mm (none there)',
    );
    await page.click('.pad-head button[type=submit]');
    await seeText(page, 'The set is taken');
    await settled(page);
    const order = await (await fetch(`${app.address}/api/v1/stock/order.csv`)).text();
    expect(order).toContain('pad-6-5-2-7,pad,Pad 6.5 mm × 2.7 mm,2,piece');
  });

  test('a dry pad: read, shimmed as the figures ask, and to be looked at again', async () => {
    await page.goto(`${at()}/pads?show=shims&part=a`);
    await seeText(page, 'Nobody has read it all round.');
    const gaps = [0.08, 0.06, 0.03, 0, 0, 0, 0.03, 0.06];
    for (const [i, gap] of gaps.entries())
      await write(`${app.address}/api/v1/jobs/${ticket}/entries`, 'reading', {
        point: { group: 'pad', part: 'a', measure: 'gap', clock: i * 45 },
        value: gap,
        typed: String(gap),
        gauge: { id: 'feeler-fine', name: 'Feeler', resolution: 0.005, maxPermissibleError: 0.002 },
      });
    await seeText(page, 'that would leave');
    await press(page, 'They are in');
    await seeText(page, 'look again');
    await settled(page);
    const laid = (await logOf(ticket)).flatMap((entry) => (entry.kind === 'shims' ? [entry.body] : []));
    expect(laid).toHaveLength(1);
    expect(laid[0]?.shims?.length).toBeGreaterThan(0);
    // Turned, its shims go with it.
    const first = laid[0]?.shims?.[0]?.clock ?? 0;
    await fill(page, 'Pad turned by, °', '90');
    await press(page, 'Its shims went with it');
    await seeText(page, `${(first + 90) % 360}° `);
    await settled(page);
  });
});

describe('springs and corks', () => {
  const ticket = 'PAD-1';
  const at = () => `${app.address}/jobs/${ticket}/pads`;
  test('a spring: felt, too light by its measures, bent as it is said, and to be felt again', async () => {
    await page.goto(`${at()}/springs?part=e-key`);
    await seeText(page, 'once one is read');
    await fill(page, 'Force at the touch to seal, N', 'much');
    await press(page, 'Take it, next');
    await until(page, () => document.querySelector('.shims [role=alert]')?.textContent !== '');
    await fill(page, 'Force at the touch to seal, N', '0.12');
    await press(page, 'Take it, next');
    await until(page, () => document.querySelector('section.sheet h2')?.textContent === 'D key');
    await page.goto(`${at()}/springs?part=e-key`);
    await seeText(page, 'outside');
    for (const [label, figure] of [
      ['Wire across, mm', '0.7'],
      ['Root to catch, mm', '25'],
      ['Bent there, mm', '1'],
      ['Further, mm', '0.6'],
      ['Axis to catch, mm', '4'],
      ['Axis to touch, mm', '20'],
    ] as const)
      await fill(page, label, figure);
    await seeText(page, 'at the touch: too light.');
    const bend = await page.$eval('.shims .btn-primary:not([type=submit])', (button) => button.textContent);
    expect(bend).toMatch(/^Bent to \d\.\d+ mm$/);
    await press(page, bend);
    await seeText(page, 'at the touch: right.');
    await settled(page);
    const set = (await logOf(ticket)).flatMap((entry) => (entry.kind === 'spring-set' ? [entry.body] : []));
    expect(set).toMatchObject([{ key: 'e-key', section: { diameter: 0.7 }, done: true }]);
    // What was felt before it was bent no longer counts.
    await until(page, () => /stale/.test(document.querySelector('tr.here')?.textContent ?? ''));
  });
  test('what springs are made of is said in the shop, and the spring is reckoned by it', async () => {
    await page.goto(`${app.address}/shop`);
    await press(page, 'Change: bronze');
    await fill(page, 'Stiffness, GPa', 'soft');
    await press(page, 'Keep the material');
    await seeText(page, 'Stiffness: type a figure in GPa');
    await fill(page, 'Stiffness, GPa', '118');
    await press(page, 'Keep the material');
    await seeText(page, 'bronze: 118 GPa, 650 MPa');
    await page.goto(`${app.address}/jobs/LL-203/pads/springs?part=g-sharp-key`);
    // With the stiffness it came with it would be 0.15 N: 3EIδ/L³ at the catch, and the lever to the touch.
    await seeText(page, 'By its measures 0.16 N at the touch: too light.');
  });
  test('a cork: written down, cut from an offcut, and right at assembly', async () => {
    await page.goto(`${at()}/corks`);
    await seeText(page, 'No place is written down yet.');
    await fill(page, 'Has to fill, mm', '1.2');
    await press(page, 'Write it down');
    await seeText(page, 'Say where on the part');
    await fill(page, 'Where on it', 'under the foot');
    await fill(page, 'Long, mm', '12');
    await fill(page, 'Wide, mm', '5');
    await page.keyboard.press('Enter');
    await seeText(page, '1.412 mm thick');
    await press(page, 'Cut from the offcut cork 1.6 mm, 14 mm × 6 mm');
    await seeText(page, 'Cut from an offcut, 1.412 mm thick.');
    // Nothing worth keeping was left of it.
    expect((await stock()).offcuts.map(({ id }) => id)).toEqual(['cork-a', 'felt-a']);
    await fill(page, 'Right at assembly at, mm', '1.3');
    await press(page, 'That is it');
    await seeText(page, '1 of 1 are right as they are.');
    // From a new sheet, what is left of it is kept.
    await fill(page, 'Where on it', 'at the bridge');
    await fill(page, 'Has to fill, mm', '1.6');
    await fill(page, 'Long, mm', '40');
    await page.keyboard.press('Enter');
    const sheets = await countOf('cork-2-100-150');
    await press(page, 'Cut from a new sheet');
    await seeText(page, 'Cut from a new sheet, 1.882 mm thick.');
    expect(await countOf('cork-2-100-150')).toBe((sheets ?? 0) - 1);
    expect(
      (await stock()).offcuts.filter(({ thickness }) => thickness === 2).map(({ length, width }) => [length, width]),
    ).toEqual([
      [145, 100],
      [60, 5],
    ]);
  });
});

test('a dent is written down by its size, and its step names the balls of the drawers', async () => {
  const ticket = 'DENT-1';
  await openTicket(app.address, ticket);
  await write(`${app.address}/api/v1/jobs/${ticket}/entries`, 'finding', {
    finding: randomUUID(),
    kind: 'dent',
    part: 'body',
    severity: 2,
    status: 'confirmed',
    place: { section: 'body', at: 300, clock: 180 },
  });
  await page.goto(`${app.address}/jobs/${ticket}/findings`);
  await press(page, 'Its size: Dent, Body');
  await fill(page, 'Along the tube, mm', '22');
  await fill(page, 'Round it, mm', 'wide');
  await press(page, 'Write the dent down');
  await until(page, () =>
    /^Round it: /.test(document.querySelector('form[aria-label="The dent"] [role=alert]')?.textContent ?? ''),
  );
  await fill(page, 'Round it, mm', '12');
  await choose(page, 'select[id$="-finish"]', 'lacquer-brittle');
  await press(page, 'Write the dent down');
  await seeText(page, '22.000 × 12.000 mm, plain, soft, under brittle lacquer');
  await settled(page);
  await page.goto(`${app.address}/jobs/${ticket}/plan?step=raise-dent%3Abody`);
  await seeText(page, 'Begin with the ball of');
  await seeText(page, 'The lacquer is brittle');
});

describe('every view of it', () => {
  test('at WCAG 2.2 AA in both lights', async () => {
    const views = [
      '/stock',
      '/jobs/LL-203/pads/springs?part=g-sharp-key',
      '/jobs/LL-204/pads/corks',
      ...['before', 'set', 'shims'].map((show) => `/jobs/LL-203/pads?show=${show}`),
    ];
    for (const view of views) expect([view, await axeInBothLights(page, app.address + view)]).toEqual([view, []]);
  });
  test('and no page complained', () => expect(complaints).toEqual([]));
});
