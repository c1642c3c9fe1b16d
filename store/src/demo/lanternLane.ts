import { chanceFrom, worldZone, type NewShopEntry, type ShopEntryBody, type ShopEntryKind } from '@holotonos/core';

const seed = 4600;

/** What the workshop of the demo keeps of its gauges, its people, hours and prices, and the practice it has for bands that march; in the zone of the machine it is shown on. */
export function lanternLane(timeZone = worldZone): NewShopEntry[] {
  const chance = chanceFrom(seed);
  const entry = <K extends ShopEntryKind>(kind: K, author: string, benchTime: string, body: ShopEntryBody<K>) =>
    ({ id: chance.uuid(), kind, author, benchTime, body }) as NewShopEntry;
  const gauge = (body: ShopEntryBody<'gauge'>) => entry('gauge', 'Ottoline Marsh', '2026-09-01T08:30:00.000Z', body);
  const people = () =>
    [
      {
        id: 'ottoline',
        name: 'Ottoline Marsh',
        skills: ['seams', 'body', 'joints', 'regulate', 'tune', 'playtest', 'handover'],
      },
      { id: 'perrin', name: 'Perrin Oake', skills: [] },
      {
        id: 'juno',
        name: 'Juno Tam',
        skills: ['intake', 'survey', 'strip', 'free', 'corks', 'finish', 'assemble'],
        away: ['2026-11-27'],
      },
    ].map((body) => entry('person', 'Ottoline Marsh', '2026-09-01T08:45:00.000Z', body as ShopEntryBody<'person'>));
  const prices = () =>
    [
      { id: 'pads', what: 'Pads', kind: 'material', amount: 260, per: 'pads', operations: ['renew-pads'] },
      { id: 'some-pads', what: 'Pads, a few', kind: 'material', amount: 1800, per: 'step', operations: ['keep-pads'] },
      { id: 'pad', what: 'Pad', kind: 'material', amount: 320, per: 'step', operations: ['replace-pad'] },
      { id: 'cork', what: 'Cork and felt', kind: 'material', amount: 1400, per: 'step', operations: ['renew-corks'] },
      {
        id: 'solder',
        what: 'Solder and wire',
        kind: 'material',
        amount: 350,
        per: 'step',
        operations: ['resolder-hole', 'resolder-seam'],
      },
    ].map((body) => entry('price', 'Ottoline Marsh', '2026-09-01T09:00:00.000Z', body as ShopEntryBody<'price'>));
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
    entry('hours', 'Ottoline Marsh', '2026-09-01T08:40:00.000Z', {
      timeZone,
      week: {
        mon: [
          ['08:30', '12:30'],
          ['13:15', '17:30'],
        ],
        tue: [
          ['08:30', '12:30'],
          ['13:15', '17:30'],
        ],
        wed: [['08:30', '12:30']],
        thu: [
          ['08:30', '12:30'],
          ['13:15', '17:30'],
        ],
        fri: [
          ['08:30', '12:30'],
          ['13:15', '16:30'],
        ],
      },
      closed: ['2026-12-24', '2026-12-25', '2026-12-31', '2027-01-01'],
      resources: { oven: 1, vice: 2 },
    }),
    ...people(),
    entry('rates', 'Ottoline Marsh', '2026-09-01T08:50:00.000Z', {
      currency: 'EUR',
      hourly: 5800,
      taxPercent: 19,
      roundTo: 50,
    }),
    ...prices(),
    entry('operation', 'Ottoline Marsh', '2026-09-02T09:20:00.000Z', {
      id: 'flood-rinse',
      work: {
        stage: 'free',
        title: 'Rinse out flood silt',
        minutes: [10, 15, 30],
        unattended: 120,
        disturbs: [],
        needs: [],
        cautions: ['hygiene', 'residue'],
        tools: ['soft hose', 'clean water', 'swabs'],
        how: [
          'River silt sits in every tone hole and under the pads: rinse before anything is turned.',
          'Dry at once, away from heat.',
        ],
        reversible: true,
      },
    }),
    entry('caution', 'Ottoline Marsh', '2026-09-02T09:30:00.000Z', {
      id: 'hygiene',
      text: 'Another player has used this, and flood water may have: gloves until it is washed, clean and disinfect before it goes near a mouth.',
      operations: [],
      reason: 'The Brackwater cupboard stood in river water',
    }),
    entry('profile', 'Ottoline Marsh', '2026-09-02T10:00:00.000Z', {
      id: 'marching',
      name: 'Marching bands',
      base: 'steady',
      changes: [
        { name: 'padGap', limit: 0.045, reason: 'Thick felts that settle in the rain' },
        { name: 'endPlay', limit: [0.02, 0.09], reason: 'Played in frost: keys must not bind' },
      ],
      settings: { seating: 'clamp-and-warm', springFeel: 'firm', smallDents: 'remove' },
    }),
  ];
}
