import type { Lateness } from '@holotonos/core';
import { counted, spanText } from '@/ui/words';

/** Nothing is won by less than this, minutes. */
const nothing = 1;

/** How late tickets are, and whether another order could help at all. */
export function latenessWords(tickets: number, { total, atLeast }: Lateness): string {
  const are = `${counted(tickets, 'ticket')} ${tickets === 1 ? 'is' : 'are'} late, by ${spanText(total)}${tickets === 1 ? '' : ' together'}.`;
  if (total - atLeast < nothing)
    return `${are} No order makes it less: it takes more hands, longer hours or another date.`;
  if (atLeast < nothing) return `${are} A better order was not found; that there is none is not certain.`;
  return `${are} No order brings it under ${spanText(atLeast)}.`;
}
