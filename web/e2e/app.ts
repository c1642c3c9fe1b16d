import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import puppeteer, { type Browser, type JSHandle, type Page } from 'puppeteer-core';
import { chromiumLaunch } from '../../bin/lib/chromium.mjs';
import { demoBesides, type DemoBesides } from '../../store/tests/copies';

/** How long a busy machine may take to show something, ms. Nothing waits this long unless it is missing. */
export const patience = 60_000;
/** How often a page is asked, ms: at every frame the asking would cost more than the page itself. */
const askEvery = 50;

const root = resolve(import.meta.dirname, '../..');
const require = createRequire(import.meta.url);
const axeSource = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');

/** The real server on a database of its own, and a browser to drive it. */
export interface App {
  address: string;
  /** the server; a test that restarts it puts the new one in its place */
  process: ChildProcess;
  database: DemoBesides;
  browser: Browser;
  downloads: string;
  page: () => Promise<Page>;
  close: () => Promise<void>;
}

export const freePort = (): Promise<number> =>
  new Promise((done) => {
    const server = createServer();
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => done(typeof address === 'object' && address ? address.port : 0));
    });
  });

/** Starts a server on a database; on the port of an earlier one, if it is to take its place. */
export async function startServer(
  databaseUrl: string,
  { gauges = '', port, names = '' }: { gauges?: string; port?: number; names?: string } = {},
): Promise<{ address: string; process: ChildProcess }> {
  const own = port ?? (await freePort());
  const child = spawn(process.execPath, [join(root, 'web/serve.mjs'), String(own)], {
    cwd: root,
    // What Jest needs of Node must not reach the server.
    env: {
      ...process.env,
      NODE_OPTIONS: '',
      NODE_ENV: 'production',
      NEXT_TELEMETRY_DISABLED: '1',
      DATABASE_URL: databaseUrl,
      HOLOTONOS_GAUGES: gauges,
      HOLOTONOS_NAMES: names,
      // A story asks for few of the routes; loading all of them first takes two seconds of a core, thirty times.
      HOLOTONOS_PRELOAD: 'no',
    },
    stdio: 'ignore',
  });
  const address = `http://127.0.0.1:${own}`;
  for (let tries = 0; tries < 200; tries += 1) {
    const answer = await fetch(`${address}/api/health`).catch(() => null);
    if (answer?.ok) return { address, process: child };
    await new Promise((wait) => setTimeout(wait, 100));
  }
  child.kill();
  throw new Error('the server did not come up');
}

/** A headless browser with a profile of its own. */
export async function startBrowser(more: readonly string[] = []): Promise<{ browser: Browser; profile: string }> {
  const profile = mkdtempSync(join(tmpdir(), 'holotonos-browser-'));
  const browser = await puppeteer.launch({ ...chromiumLaunch(more), userDataDir: profile });
  return { browser, profile };
}

/** Starts server and browser on a fresh database, with the demo in it. */
export async function startApp({ gauges = '', browser: more = [] as readonly string[] } = {}): Promise<App> {
  const database = await demoBesides();
  const server = await startServer(database.webUrl, { gauges });
  const { browser, profile } = await startBrowser(more);
  const app: App = {
    ...server,
    database,
    browser,
    downloads: profile,
    page: async () => {
      const page = await browser.newPage();
      page.setDefaultTimeout(patience);
      await page.setViewport({ width: 1280, height: 800 });
      // What is kept for the time without a server is for the story that is told of it.
      await page.setBypassServiceWorker(true);
      // Nothing glides: where a page is scrolled to, it is at once.
      await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
      return page;
    },
    close: async () => {
      await browser.close();
      if (app.process.exitCode === null && app.process.signalCode === null) {
        app.process.kill();
        await new Promise((done) => app.process.once('exit', done));
      }
      await database.drop();
      rmSync(profile, { recursive: true, force: true });
    },
  };
  return app;
}

/** Server, browser and a page on the demo, and what the page complained of on the way. */
export async function startPage(
  options: { browser?: readonly string[] } = {},
): Promise<{ app: App; page: Page; complaints: string[] }> {
  const app = await startApp(options);
  const page = await app.page();
  const complaints: string[] = [];
  page.on('pageerror', (error) => complaints.push((error as Error).message));
  return { app, page, complaints };
}

/** Sends a body as what it is; nothing is taken as anything else. */
export const send = (
  url: string,
  body: string | Buffer | object,
  { method = 'POST', type = 'application/json' } = {},
): Promise<Response> =>
  fetch(url, {
    method,
    headers: { 'Content-Type': type },
    body: Buffer.isBuffer(body) ? new Uint8Array(body) : typeof body === 'string' ? body : JSON.stringify(body),
  });

const wcag = { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] };
const colours = { type: 'rule', values: ['color-contrast', 'link-in-text-block'] };

/** What axe finds wrong with the page as it stands, at WCAG 2.2 AA. */
export async function axeProblems(page: Page, runOnly: object = wcag): Promise<string[]> {
  // Colours that are still on their way from one light to the other belong to neither.
  await page.evaluate(async () => {
    // What comes alive after another has settled begins to change its own colour only then.
    for (let moving = document.getAnimations(); moving.length > 0; moving = document.getAnimations()) {
      await Promise.allSettled(moving.map((animation) => animation.finished));
      await new Promise((next) => requestAnimationFrame(() => requestAnimationFrame(next)));
    }
  });
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axeSource);
  // Where the page is scrolled to decides what the bands half cover: that is no fault of what lies under them.
  // And a button that comes alive while axe looks is judged by its own colour, not by one on its way there.
  const still = await page.addStyleTag({
    content:
      '.band-strip, .band-readout { position: static !important; } *, ::before, ::after { transition: none !important; }',
  });
  const problems = await page.evaluate(async (asked) => {
    const axe = (window as unknown as { axe: { run: (options: object) => Promise<{ violations: Violation[] }> } }).axe;
    interface Violation {
      id: string;
      nodes: { html: string; failureSummary: string }[];
    }
    const { violations } = await axe.run({
      runOnly: asked,
      resultTypes: ['violations'],
    });
    return violations.flatMap(({ id, nodes }) =>
      nodes.map(({ html, failureSummary }) => `${id}: ${html.slice(0, 160)} | ${failureSummary.slice(0, 240)}`),
    );
  }, runOnly);
  await still.evaluate((tag) => (tag as HTMLStyleElement).remove());
  return problems;
}

/** Goes to a view, and waits until it stands whole. */
export async function openView(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await page.waitForSelector('#main');
  await until(page, () => !document.querySelector('[aria-busy=true]'));
}

/** What axe finds wrong with a view in either light; a light changes colours, so in the other one only they are looked at. */
export async function axeInBothLights(page: Page, address: string): Promise<string[]> {
  await openView(page, address);
  const asItIs = await axeProblems(page);
  await page.evaluate(() => {
    const { dataset } = document.documentElement;
    dataset.bsTheme = dataset.bsTheme === 'dark' ? 'light' : 'dark';
  });
  return [...asItIs, ...(await axeProblems(page, colours)).map((problem) => `in the other light, ${problem}`)];
}

/** How much of a page is told when it does not come to what is awaited, characters. */
const mostTold = 6_000;

/** What a page shows, for whoever reads why a story failed on a machine that is not at hand. */
const standing = async (page: Page): Promise<string> =>
  page
    .evaluate((most) => {
      const { activeElement } = document;
      return `${location.pathname}, on ${activeElement?.tagName ?? 'nothing'} “${(activeElement?.getAttribute('aria-label') ?? activeElement?.textContent ?? '').slice(0, 60)}”\n${(document.querySelector<HTMLElement>('#main') ?? document.body).innerText.replaceAll('\n\n', '\n').slice(0, most)}`;
    }, mostTold)
    .catch((error: unknown) => `(cannot be told: ${String(error)})`);

/** Waits until this holds in the page. */
export const until = <Args extends unknown[]>(
  page: Page,
  holds: (...args: { [I in keyof Args]: Args[I] extends JSHandle<infer Held> ? Held : Args[I] }) => unknown,
  ...args: Args
) =>
  page
    .waitForFunction(holds as (...args: unknown[]) => unknown, { timeout: patience, polling: askEvery }, ...args)
    .catch(async (error: unknown) => {
      throw new Error(`${String(error)}\nThe page stands at:\n${await standing(page)}`, { cause: error });
    });

/** Waits until the page shows this text. */
export const seeText = (page: Page, text: string) =>
  until(page, (wanted) => document.body.innerText.includes(wanted), text);

/** Chooses from a list once it offers this: what it offers may come after it. */
export async function choose(page: Page, query: string, value: string): Promise<void> {
  await page.waitForSelector(`${query} option[value=${JSON.stringify(value)}]`);
  await page.select(query, value);
}

/** The element a query finds, brought to the middle of the screen: the fixed bands would take a click at its edge. */
async function bring(page: Page, query: string) {
  const element = await page.waitForSelector(query, { visible: true });
  if (!element) throw new Error(`nothing answers to ${query}`);
  await element.evaluate((found) => found.scrollIntoView({ block: 'center', behavior: 'instant' }));
  return element;
}

/** How long a page is asked for pictures after a hand has come near it, ms. */
const drawnFor = 5000;

/**
 * A browser without a window draws only what has changed, and a page on which nothing does answers no question of what lies
 * where; a screen asks for a picture all the time.
 */
const keepDrawing = (page: Page): Promise<void> =>
  page
    .evaluate((most) => {
      const end = performance.now() + most;
      const again = () => void (performance.now() < end && requestAnimationFrame(again));
      again();
    }, drawnFor)
    // A page that is just left needs no more pictures.
    .catch(() => undefined);

/**
 * Clicks what a selector finds, once it can be clicked and stands still. A page that hears of an entry of somebody else may
 * put a new button in its place meanwhile: then that one is clicked.
 */
export async function tick(page: Page, selector: string): Promise<void> {
  await keepDrawing(page);
  await page
    .locator(selector)
    // The middle of the screen, as in `bring`.
    .filter((found) => {
      found.scrollIntoView({ block: 'center', behavior: 'instant' });
      return true;
    })
    .click();
}

/** Presses the button with this name. */
export const press = (page: Page, name: string): Promise<void> =>
  tick(page, `::-p-aria([name="${name}"][role="button"])`);

/** Opens the card of a step of the plan, and waits until it has taken the place of the one before. */
export async function openCard(page: Page, title: string): Promise<void> {
  await press(page, `Card of ${title}`);
  await until(page, (wanted) => document.querySelector('.step-card h2')?.textContent === wanted, title);
}

/** Opens the map of a job’s pages over the work, with the hands on it. */
export async function openMap(page: Page): Promise<void> {
  await page.keyboard.down('Alt');
  await page.keyboard.press('m');
  await page.keyboard.up('Alt');
  await until(page, () => document.activeElement?.closest('.map-open .strip > g')?.hasAttribute('transform'));
}

/** Types into the field with this label, taking the place of what was there. */
export async function fill(page: Page, label: string, text: string): Promise<void> {
  const field = await bring(page, `::-p-aria([name="${label}"])`);
  await field.click({ count: 3 });
  await field.type(text);
}

/** Opens a ticket for an instrument of this type, without the form. */
export async function openTicket(address: string, ticket: string, change: object = {}): Promise<void> {
  const body = {
    ticket,
    owner: 'The bargees’ choir',
    instrumentType: 'alto-saxophone',
    family: 'saxophone',
    practice: 'stage',
    scope: 'repair',
    unit: 'mm',
    ...change,
  };
  const entry = { id: randomUUID(), kind: 'intake', author: 'Juno Tam', benchTime: new Date().toISOString(), body };
  const response = await send(`${address}/api/v1/jobs`, entry);
  if (!response.ok) throw new Error(`ticket ${ticket} was refused: ${await response.text()}`);
}

interface PlainEntry {
  id: string;
  kind: string;
  author: string;
  benchTime: string;
  body: Record<string, unknown>;
}
/** The logbook of a ticket as the server has it. */
export async function entriesOf(address: string, ticket: string): Promise<PlainEntry[]> {
  const response = await fetch(`${address}/api/v1/jobs/${ticket}/entries`);
  return ((await response.json()) as { entries: PlainEntry[] }).entries;
}
