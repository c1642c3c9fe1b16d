'use client';

import type { GaugeReading } from '@holotonos/core';
import { useEffect, useRef, useState } from 'react';

/** Who is connected of the gauges, and what was kept out. */
export interface GaugesNow {
  connected: number;
  places: number;
  taken: number;
  bad: number;
  flooded: number;
  lastProblem: string;
}

/** What the server tells as it happens. */
export type LiveEvent =
  /** the stream is open: whatever was missed has to be fetched */
  | { event: 'ready' }
  /** the stream broke off; the browser asks for it again by itself */
  | { event: 'lost' }
  | { event: 'entry'; data: { ticket: string } }
  | { event: 'shop' }
  | { event: 'stock' }
  | { event: 'reading'; data: GaugeReading }
  | { event: 'state'; data: GaugesNow };

const names = ['ready', 'entry', 'shop', 'stock', 'reading', 'state'] as const;
/** A stream that was refused is asked for again after so long, ms. A lost one the browser asks for again by itself. */
const againMs = 2000;
const address = '/api/v1/events';
const tabs = 'holotonos-live';

const listeners = new Set<(event: LiveEvent) => void>();
let lastState: LiveEvent | null = null;
let begun = false;

function deliver(event: LiveEvent): void {
  if (event.event === 'state') lastState = event;
  for (const listener of listeners) listener(event);
}

/** Keeps one stream open until it is closed by what it gives, and tells of everything it hears. */
function openStream(tell: (event: LiveEvent) => void): () => void {
  let closed = false;
  let source: EventSource;
  const open = () => {
    source = new EventSource(address);
    for (const name of names)
      source.addEventListener(name, (message) =>
        tell({ event: name, data: JSON.parse((message as MessageEvent<string>).data) } as LiveEvent),
      );
    source.addEventListener('error', () => {
      if (!closed) tell({ event: 'lost' });
      if (!closed && source.readyState === EventSource.CLOSED) setTimeout(open, againMs);
    });
  };
  open();
  return () => {
    closed = true;
    source.close();
  };
}

/**
 * One stream a browser, however many tabs: a server gives a browser six connections, and every tab with its own would use
 * them up. The tab that holds the lock leads: it has the stream and passes on what it hears; when it closes, the next
 * tab gets the lock. Where there are no locks (a page that is not from a secure address) each tab has its own stream.
 */
function begin(): void {
  begun = true;
  if (!('locks' in navigator) || !('BroadcastChannel' in window)) return void openStream(deliver);
  const others = new BroadcastChannel(tabs);
  let leads = false;
  others.addEventListener('message', ({ data }: MessageEvent<LiveEvent | 'new here'>) => {
    if (data !== 'new here') return deliver(data);
    if (!leads) return;
    // Whoever comes later is told what it would have heard at the opening.
    others.postMessage({ event: 'ready' });
    if (lastState) others.postMessage(lastState);
  });
  others.postMessage('new here');
  void navigator.locks.request(tabs, () => {
    leads = true;
    const close = openStream((event) => {
      deliver(event);
      others.postMessage(event);
    });
    // Held until the page is left; a browser that keeps it for going back must not keep the lock with it.
    return new Promise<void>((release) => {
      window.addEventListener('pagehide', () => (close(), release()), { once: true });
    });
  });
  window.addEventListener('pageshow', ({ persisted }) => {
    if (persisted) window.location.reload();
  });
}

/** Hears what the server tells, from now on; gives what ends that. */
export function listenLive(listener: (event: LiveEvent) => void): () => void {
  listeners.add(listener);
  if (lastState) listener(lastState);
  if (!begun) begin();
  return () => void listeners.delete(listener);
}

/** Hears what the server tells for as long as a component is shown. The newest listener counts. */
export function useLive(listener: (event: LiveEvent) => void): void {
  const newest = useRef(listener);
  useEffect(() => {
    newest.current = listener;
  }, [listener]);
  useEffect(() => listenLive((event) => newest.current(event)), []);
}

/** A stream ends and begins again now and then; only one that stays away so long says that nobody answers, ms. */
const lostAfter = 4000;

/** Does the server answer? `never` since this page was opened, `not` any more, or `yes`, which is also what is not known yet. */
export type ServerAnswers = 'yes' | 'not' | 'never';

export function useServerAnswers(): ServerAnswers {
  const [answers, setAnswers] = useState<ServerAnswers>('yes');
  const ever = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useLive(({ event }) => {
    if (event === 'lost') {
      timer.current ??= setTimeout(() => setAnswers(ever.current ? 'not' : 'never'), lostAfter);
      return;
    }
    clearTimeout(timer.current);
    timer.current = undefined;
    ever.current = true;
    setAnswers('yes');
  });
  useEffect(() => () => clearTimeout(timer.current), []);
  return answers;
}
