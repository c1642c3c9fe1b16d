import type { Page } from 'puppeteer-core';
import { entriesOf, openTicket, seeText, startApp, until, type App } from './app';

/** Server, browser and a page on a fresh ticket of an alto saxophone, and what the browser complained of on the way. */
export async function startMeasuring(
  ticket: string,
  options: { gauges?: string } = {},
): Promise<{ app: App; page: Page; base: string; faults: string[] }> {
  const app = await startApp(options);
  await openTicket(app.address, ticket);
  const page = await app.page();
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(String(error)));
  page.on(
    'console',
    (message) => message.type() === 'error' && faults.push(`${message.text()} ${message.location().url ?? ''}`),
  );
  return { app, page, base: `${app.address}/jobs/${ticket}`, faults };
}

/** What is no fault of ours: the answers to what a test does wrong on purpose. */
export const unexpected = (faults: readonly string[]): string[] =>
  faults.filter((fault) => !/400|Failed to load resource|ERR_/.test(fault));

/** Types figures, each with Enter, where the page asks for them. */
export async function typeFigures(page: Page, ...values: string[]): Promise<void> {
  for (const value of values) {
    await page.keyboard.type(value);
    await page.keyboard.press('Enter');
  }
}

/** The page waits for a figure. */
export const figureAsked = (page: Page) => until(page, () => document.activeElement?.matches('input[data-figure]'));

/** Everything typed is in the logbook. */
export const settled = (page: Page) => until(page, () => !document.body.innerText.includes('Writing …'));

export const readingsOf = async (app: App, ticket: string) =>
  (await entriesOf(app.address, ticket)).filter(({ kind }) => kind === 'reading');

/** Goes to a button or link by its name and presses Enter, as somebody without a mouse does. */
export async function enter(page: Page, name: string): Promise<void> {
  const found = await page.waitForSelector(`::-p-aria([name="${name}"])`, { visible: true });
  await until(page, (button) => !(button as HTMLButtonElement | null)?.disabled, found);
  await found?.focus();
  await page.keyboard.press('Enter');
}

/**
 * Does a step from the list of the plan with one key; cautions nobody has accepted today are read on its card first.
 *
 * @param job address of the job
 */
export async function doStep(page: Page, job: string, id: string): Promise<void> {
  await page.goto(`${job}/plan?step=${encodeURIComponent(id)}`);
  await page.waitForSelector('.step-card h2');
  // The desk takes the keys once the page runs here: what is ticked before is lost.
  await until(page, () => document.activeElement?.classList.contains('plan-desk'));
  // What was accepted today is accepted; the rest is read and ticked.
  for (const box of await page.$$('.step-card input[type=checkbox]:not(:checked)')) {
    await box.focus();
    await page.keyboard.press('Space');
  }
  await page.focus('.plan-desk');
  await page.keyboard.press('d');
  await seeText(page, 'Done: ');
  // What is still on its way when the page is left keeps the next step waiting.
  await settled(page);
}
