import type { Page } from 'puppeteer-core';
import { entriesOf, openTicket, startApp, until, type App } from './app';

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
