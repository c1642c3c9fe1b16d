'use client';

import { printPhrase } from '@holotonos/core';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { AsideList } from '@/outbox/AsideList';
import type { AnyNew } from '@/outbox/entryQueue';
import { listenQueues, ownLogs, sendLeft, unsentNow, type Unsent } from '@/outbox/queues';
import type { OwnLogParts } from '@/shop/useOwnLog';
import { shopLog } from '@/shop/useShop';
import { stockLog } from '@/shop/useStock';
import { Link } from '@/ui/Link';

/** What is asked of a logbook of the shop, whatever it says. */
type AnyParts = Pick<OwnLogParts<never>, 'problems' | 'words'>;
const ownOnes = new Map<string, { name: string; parts: () => Promise<AnyParts> }>([
  [ownLogs.shop, { name: 'the shop', parts: shopLog.parts }],
  [ownLogs.stock, { name: 'the drawers', parts: stockLog.parts }],
]);

const countWords = (count: number) => `${count} ${count === 1 ? 'entry' : 'entries'}`;

/** What waits because nobody answers, in a sentence: whose it is, and that it will be sent. */
export function waitingWords(unsent: readonly Pick<Unsent, 'log' | 'state'>[]): string {
  const waits = unsent.filter(({ state }) => !state.reachable && state.waiting.length > 0);
  const [first] = waits;
  if (!first) return '';
  const nameOf = (log: string) => ownOnes.get(log)?.name ?? log;
  const each = waits.map(({ log, state }) => `${countWords(state.waiting.length)} of ${nameOf(log)}`);
  const one = waits.length === 1 && first.state.waiting.length === 1;
  return (
    `${first.state.asksWho ? 'Nobody is signed in' : 'The server does not answer'}: ` +
    `${new Intl.ListFormat('en-GB').format(each)} ${one ? 'waits' : 'wait'} here and will be sent.`
  );
}

/** What of the shop or its drawers was not taken. */
function OwnAside({ log, queue, state: { aside } }: Unsent) {
  const own = ownOnes.get(log);
  const [parts, setParts] = useState<AnyParts | null>(null);
  useEffect(() => void own?.parts().then(setParts, () => undefined), [own]);
  return (
    <AsideList<AnyNew>
      of={own?.name}
      aside={aside}
      words={(entry) => parts && printPhrase(parts.words(entry), 'mm')}
      wrongWith={(changed) => Promise.resolve(parts?.problems(changed) ?? [])}
      sendAgain={(id, changed) => void queue.again(id, changed)}
      letGo={(id) => void queue.letGo(id)}
    />
  );
}

let last: Unsent[] = [];
/** The same list as long as nothing changed. */
function unsentOnce(): Unsent[] {
  const now = unsentNow();
  const same =
    now.length === last.length && now.every(({ log, state }, i) => last[i]?.log === log && last[i].state === state);
  return same ? last : (last = now);
}
const none: Unsent[] = [];

/**
 * What this browser has not got into a logbook, whichever page is open: that something waits, and what was not taken. What
 * an earlier page left is sent from here.
 *
 * @param but the ticket whose own page says it
 */
export function UnsentList({ but }: { but: string | undefined }) {
  useEffect(() => void sendLeft(), []);
  const all = useSyncExternalStore(listenQueues, unsentOnce, () => none);
  const unsent = all.filter(({ log }) => log !== but);
  const words = waitingWords(unsent);
  return (
    <>
      <div role="status" className={words ? 'say attention waits-here' : undefined}>
        {words}
      </div>
      {unsent.map((each) => {
        const { length } = each.state.aside;
        if (length === 0) return null;
        if (ownOnes.has(each.log)) return <OwnAside key={each.log} {...each} />;
        return (
          <p key={each.log} className="say fault m-3" role="alert">
            {length === 1 ? 'One entry' : `${length} entries`} of{' '}
            <Link href={`/jobs/${encodeURIComponent(each.log)}`}>{each.log}</Link>{' '}
            {length === 1 ? 'was not taken, and waits' : 'were not taken, and wait'} there.
          </p>
        );
      })}
    </>
  );
}
