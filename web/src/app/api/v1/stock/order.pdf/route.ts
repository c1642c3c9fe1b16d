import { clockWords } from '@holotonos/core';
import { readShop } from '@/server/jobs';
import { pdfFile } from '@/server/pdfReply';
import { answering, notFound } from '@/server/replies';
import { orderSheet } from '@/server/stock';

/** An order as a sheet: the one `?order=` names, or what would be ordered now. */
export const GET = (request: Request) =>
  answering(async () => {
    const now = new Date().toISOString();
    const [sheet, shop] = await Promise.all([
      orderSheet(new URL(request.url).searchParams.get('order'), now),
      readShop(),
    ]);
    if (!sheet) return notFound('There is no such order.');
    const { dayText } = clockWords(shop.hours.timeZone);
    return pdfFile('order', { lines: sheet.lines, day: dayText(sheet.at ?? now), given: sheet.at !== null });
  });
