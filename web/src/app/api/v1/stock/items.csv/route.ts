import { randomUUID } from 'node:crypto';
import { currencyOf } from '@holotonos/core';
import { appendStockEntries, stockFromCsv, stockState, stockToCsv } from '@holotonos/store';
import { readShop } from '@/server/jobs';
import { answering, asFile, authorOf, invalid, readText } from '@/server/replies';
import { getDb } from '@/server/store';

const currency = async () => currencyOf(await readShop());

/** What lies in the drawers as CSV. */
export const GET = () =>
  answering(
    async () =>
      new Response(stockToCsv(await stockState(getDb()), await currency()), {
        headers: asFile('stock.csv', 'text/csv; charset=utf-8'),
      }),
  );

/** Takes a file of what lies in the drawers: all of it, or nothing and every fault by line and column. */
export const POST = (request: Request) =>
  answering(async () => {
    const by = authorOf(request);
    if (!by.ok) return by.response;
    const read = await readText(request);
    if (!read.ok) return read.response;
    const now = new Date().toISOString();
    const defaults = { author: by.author, now, mintId: randomUUID };
    const file = stockFromCsv(read.text, await stockState(getDb()), await currency(), defaults);
    if (!file.ok) return invalid(file.problems);
    const wrong = await appendStockEntries(getDb(), file.entries);
    if (wrong.length > 0)
      return invalid(wrong.map(({ index, message }) => ({ path: `line ${file.lines[index]}`, message })));
    return Response.json({ added: file.entries.length });
  });
