import { readMoment, unreadable } from '../logbook';
import { shopEntryProblems, type ShopEntry } from './shopState';

/** An entry of the shop's logbook as the database gives it back. */
export interface RawShopEntry {
  id: string;
  seq: number;
  kind: string;
  body: unknown;
  author: string;
  benchTime: string;
  receivedAt: string;
}

/** An entry of the shop's logbook from its row; total, as `readEntry` is for jobs. */
export function readShopEntry(row: RawShopEntry): ShopEntry {
  const { id, seq, kind, body, author } = row;
  const benchTime = readMoment(row.benchTime);
  const plain = { id, kind, body, author, benchTime: benchTime ?? '' };
  const problems = shopEntryProblems(plain);
  if (problems.length === 0) return { ...plain, seq } as unknown as ShopEntry;
  return { ...unreadable(row, problems), seq } as ShopEntry;
}
