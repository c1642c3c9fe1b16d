import { readMoment, unreadable, type RawEntry } from '../logbook';
import { shopEntryProblems, type ShopEntry } from './shopState';

/** An entry of the shop's logbook from its row; total, as `readEntry` is for jobs. */
export function readShopEntry(row: RawEntry): ShopEntry {
  const { id, seq, kind, body, author } = row;
  const benchTime = readMoment(row.benchTime);
  const plain = { id, kind, body, author, benchTime: benchTime ?? '' };
  const problems = shopEntryProblems(plain);
  if (problems.length === 0) return { ...plain, seq } as unknown as ShopEntry;
  return { ...unreadable(row, problems), seq } as ShopEntry;
}
