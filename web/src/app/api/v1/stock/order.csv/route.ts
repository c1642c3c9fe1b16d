import { orderToCsv } from '@holotonos/store';
import { answering, asFile, notFound } from '@/server/replies';
import { orderSheet } from '@/server/stock';

/** An order as CSV: the one `?order=` names, or what would be ordered now. */
export const GET = (request: Request) =>
  answering(async () => {
    const sheet = await orderSheet(new URL(request.url).searchParams.get('order'), new Date().toISOString());
    return sheet
      ? new Response(orderToCsv(sheet.lines), { headers: asFile('order.csv', 'text/csv; charset=utf-8') })
      : notFound('There is no such order.');
  });
