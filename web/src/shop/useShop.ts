'use client';

import {
  shopEntryProblems,
  type Problem,
  type ShopEntryBody,
  type ShopEntryKind,
  type ShopState,
} from '@holotonos/core';
import { useState } from 'react';
import { v4 as newId } from 'uuid';
import { useBench } from '@/frame/BenchContext';
import { unnamed } from '@/job/JobContext';
import { useLive } from '@/live/live';
import { shopNow } from './shopNow';

/** The shop as it is now, and a way to write into its logbook. Resolves to null when written, else to what was wrong. */
export function useShop(first: ShopState) {
  const { who } = useBench();
  const [shop, setShop] = useState(first);
  useLive(({ event }) => {
    if (event === 'shop') void shopNow().then((known) => known && setShop(known));
  });
  const write = async <K extends ShopEntryKind>(kind: K, body: ShopEntryBody<K>): Promise<string | null> => {
    const entry = { id: newId(), kind, body, author: who() || unnamed, benchTime: new Date().toISOString() };
    const words = (problems: readonly Problem[]) =>
      problems.map(({ path, message }) => `${path.replace('/body/', '')} ${message}`).join('; ');
    const problems = shopEntryProblems(entry);
    if (problems.length > 0) return words(problems);
    try {
      const response = await fetch('/api/v1/shop', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(entry),
      });
      const answer = (await response.json()) as ShopState & { message?: string; problems?: Problem[] };
      if (!response.ok) return answer.problems ? words(answer.problems) : (answer.message ?? 'It was refused.');
      setShop(answer);
      return null;
    } catch {
      return 'The server does not answer. Nothing typed is lost: try again in a moment.';
    }
  };
  return { shop, write };
}
export type WriteShop = ReturnType<typeof useShop>['write'];
