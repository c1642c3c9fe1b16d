import { chanceFrom, type NewShopEntry, type ShopEntryBody, type ShopEntryKind } from '@holotonos/core';

const seed = 4600;

/** What the workshop of the demo keeps of its gauges, and the limits it has set for bands that march. */
export function lanternLane(): NewShopEntry[] {
  const chance = chanceFrom(seed);
  const entry = <K extends ShopEntryKind>(kind: K, author: string, benchTime: string, body: ShopEntryBody<K>) =>
    ({ id: chance.uuid(), kind, author, benchTime, body }) as NewShopEntry;
  const gauge = (body: ShopEntryBody<'gauge'>) => entry('gauge', 'Ottoline Marsh', '2026-09-01T08:30:00.000Z', body);
  const zero = (id: string, benchTime: string, shows: number, note?: string) =>
    entry('gauge-check', 'Juno Tam', benchTime, { gauge: id, shows, ...(note !== undefined && { note }) });
  return [
    gauge({
      id: 'micrometer',
      name: 'Micrometer',
      kind: 'micrometer',
      resolution: 0.001,
      maxPermissibleError: 0.002,
      calibratedOn: '2026-03-12',
      calibrateEvery: 12,
    }),
    gauge({
      id: 'caliper',
      name: 'Caliper',
      kind: 'caliper',
      resolution: 0.01,
      maxPermissibleError: 0.02,
      calibratedOn: '2025-10-20',
      calibrateEvery: 12,
    }),
    gauge({
      id: 'leak-tester',
      name: 'Leak tester',
      kind: 'leak-tester',
      resolution: 0.5,
      maxPermissibleError: 1,
      calibratedOn: '2026-06-02',
      calibrateEvery: 6,
    }),
    gauge({
      id: 'hygrometer',
      name: 'Room hygrometer',
      kind: 'hygrometer',
      resolution: 1,
      maxPermissibleError: 3,
      calibratedOn: '2026-01-15',
      calibrateEvery: 24,
    }),
    zero('micrometer', '2026-10-05T08:50:00.000Z', 0),
    zero('bore-gauge', '2026-11-16T08:40:00.000Z', 0),
    zero('bore-gauge', '2026-11-20T08:45:00.000Z', 0.015, 'Dropped on Thursday; set again'),
    zero('micrometer', '2026-11-23T08:40:00.000Z', 0.001),
    entry('profile', 'Ottoline Marsh', '2026-09-02T10:00:00.000Z', {
      id: 'marching',
      name: 'Marching bands',
      base: 'steady',
      changes: [
        { name: 'padGap', limit: 0.045, reason: 'Thick felts that settle in the rain' },
        { name: 'endPlay', limit: [0.02, 0.09], reason: 'Played in frost: keys must not bind' },
      ],
    }),
  ];
}
