import { describe, expect, test } from '@jest/globals';
import { entryKinds, entryWords, type Entry } from '.';

const names = new Map([
  ['e', 'E'],
  ['g', 'G'],
  ['instrument', 'whole instrument'],
]);
const bodies: Record<string, [object, string]> = {
  'intake': [{ owner: 'The band' }, 'Taken in from The band'],
  'reading': [
    {
      point: { group: 'rim', part: 'e', measure: 'height', clock: 45 },
      typed: '-0.02',
      gauge: { name: 'Dial indicator' },
    },
    'Read −0.02 · rim of E, height at 45° · Dial indicator',
  ],
  'tick': [
    { group: 'pad', part: 'e', says: 'drags-all-round', film: 0.02 },
    'Looked at pad of E: film drags all round (film of 0.02 mm)',
  ],
  'finding': [{ kind: 'rim-warped', part: 'e', status: 'confirmed' }, 'Rim not flat, E: confirmed'],
  'operation-started': [{ operation: 'dress-rim:e' }, 'Started: dress rim, E'],
  'operation-done': [
    { title: 'Level the rim: E', override: 'owner waits' },
    'Done: Level the rim: E (although it waited: owner waits)',
  ],
  'operation-skipped': [{ title: 'Polish', reason: 'thin plate' }, 'Skipped: Polish, because thin plate'],
  'note': [{ text: 'The wood is dry.' }, 'The wood is dry.'],
  'decision': [{ question: 'Pin it?', choice: 'No.', reason: 'It is short.' }, 'Pin it? No. Because: It is short.'],
  'practice-change': [
    { practice: 'keeper', reason: 'older than thought' },
    'Practice changed to Keeper, because older than thought',
  ],
  'tolerances': [{ profile: 'Marching', changes: [], reason: 'frost' }, 'Limits set to “Marching”, because frost'],
  'adjustment': [
    { link: 'f-to-f-sharp', steps: -2, change: -0.04, note: 'drifts' },
    'Adjuster set, follower earlier by 0.040 mm: f-to-f-sharp. drifts',
  ],
  'rule': [
    { rule: 'f-with-f-sharp', accepted: true, reason: 'the rod twists' },
    'Rule f-with-f-sharp left as a compromise: the rod twists',
  ],
  'pass': [{ pass: 'straighten', part: 'e', amount: 0.4, note: 'gently' }, 'Straightening by 0.4°: E. gently'],
  'pass-aside': [
    { pass: 'x', aside: true, reason: 'the tool slipped' },
    'What a pass taught is put aside: the tool slipped',
  ],
  'round': [{ name: 'Pads', points: [{}, {}] }, 'Round begun: Pads, 2 points'],
  'round-skip': [
    { point: { group: 'pad', part: 'e', measure: 'gap', clock: 45 } },
    'Passed over in the round: E, gap at 45°',
  ],
  'round-over': [{}, 'Round ended'],
  'plan-change': [
    { operation: 'dress-rim:e', before: 'dress-rim:g', minutes: { likely: 7 }, reason: 'plug is set up' },
    'Plan: dress rim, E put before dress rim, G; dress rim, E reckoned with 7 min, because plug is set up',
  ],
  'timer': [{ operation: 'dress-rim:e', act: 'set', minutes: 12 }, 'Clock set to 12 min: dress rim, E'],
  'chosen': [
    {
      lines: [
        { part: 'g', use: 'pad', item: 'pad-16', thing: { kind: 'pad', diameter: 16, thickness: 2.6 }, count: 1 },
      ],
    },
    'Chosen: Pad 16 mm × 2.6 mm for G',
  ],
  'shims': [
    { part: 'g', shims: [{ clock: 90, thickness: 0.05 }], note: 'trace of glue' },
    'Shims laid: G, 90°: 0.05 mm. trace of glue',
  ],
  'spring-set': [
    { key: 'g', which: 'helper', section: { diameter: 0.8 }, preset: 3, done: true },
    'Spring set: G, helper, 0.8 mm, bent 3 mm at the catch',
  ],
  'post-bush': [
    { post: 'p', cutter: 4.2, depth: 5.25, outer: 4, cutTo: 5, gap: 0.1, left: 1.75 },
    'Bush for p: cutter 4.20 mm, 5.25 mm deep; bush 4.00 mm cut to 5.00 mm; 0.10 mm of adhesive all round; 1.75 mm of wood left above the bore',
  ],
  'cork-point': [{ id: 'a', part: 'g', place: 'foot', kind: 'cork', tried: 1.4 }, 'cork of 1.400 mm tried: G, foot'],
  'cost': [{ what: 'New screw', amount: 300 }, 'To be charged: New screw'],
  'estimate': [
    { title: 'Stage', total: { likely: 123450 }, currency: 'EUR' },
    'Estimate given: Stage, about €1,234.50',
  ],
  'owner-link': [{ until: '2026-12-31', photos: ['a', 'b'] }, 'Link for the owner, until 2026-12-31, with 2 photos'],
  'owner-link-over': [{ link: 'x' }, 'Link for the owner taken back'],
  'agreement': [
    { answer: 'accepted', by: 'hall warden', note: 'by telephone' },
    'Owner’s answer: accepted, hall warden. by telephone',
  ],
  'time': [{ minutes: 6, what: 'telephone' }, '6 min: telephone'],
  'instrument-change': [
    { put: { keys: [{ id: 'k', name: 'K', rest: 'open' }] }, remove: { holes: ['a', 'b'] }, reason: 'looked closer' },
    'Instrument: put in 1 key. Instrument: took out 2 holes. looked closer',
  ],
  'survey': [{ station: 'pads', outcome: 'skipped' }, 'Survey: Pads, leak light inside passed over'],
  'observation': [
    { part: 'g', about: 'light', sectors: [45, 90, 135], note: 'faint' },
    'G: open on one side (leak light), faint',
  ],
  'board': [{ rows: 6, columns: 10 }, 'Screw board of 6 rows and 10 columns'],
  'part-off': [{ part: 'g', where: 'board', cell: 'B4' }, 'Off: G, on the board at B4'],
  'named-off': [
    {
      part: 'g',
      put: {},
      off: [{ part: 'g', where: 'board', cell: 'B4' }],
      corks: [{ id: 'g-foot', place: 'foot', kind: 'cork' }],
    },
    'Off and named: G, on the board at B4. wants cork, foot',
  ],
  'tested': [{ line: 'long-low', result: 'fuzzy', step: -14 }, 'Play test, long low: fuzzy, moved by −14 cents'],
  'played': [{ fingering: 'd5-2', heard: 'late' }, 'Played d5-2: late'],
  'part-placed': [{ part: 'g', where: 'lost' }, 'G is now lost'],
  'part-on': [{ part: 'g' }, 'Back on: G'],
  'soak': [{ soak: 'x', part: 'g', with: 'penetrating oil', minutes: 60 }, 'G left to soak in penetrating oil'],
  'soak-over': [{ soak: 'x', outcome: 'free' }, 'It came free'],
  'photo': [{ photo: 'x', width: 1, height: 1, part: 'g', caption: 'from above' }, 'Photo of G: from above'],
  'photo-marks': [{ photo: 'x', marks: [{}, {}] }, 'Marked a photo (2)'],
  'reminder': [
    { by: 'call', note: 'comes in May' },
    'The owner was reminded of the check-up by telephone: comes in May',
  ],
  'look-asked': [{ about: 'operation', of: 'x', question: 'is it flat?' }, 'Asked a master to look: is it flat?'],
  'look-given': [
    { asked: 'x', good: false, reason: 'hollow at the back' },
    'A master has looked: sent back. hollow at the back',
  ],
  'same-instrument': [{ ticket: 'LL-7', was: true }, 'It was here before as LL-7'],
  'sign-off': [{}, 'Signed off'],
  'unreadable': [
    { kind: 'note', problem: '/body is no object', was: '12' },
    'An entry that cannot be read (note): /body is no object',
  ],
  'strike': [{ reason: 'wrong key' }, 'Struck an entry: wrong key'],
};

describe('entryWords', () => {
  test.each(entryKinds)('says what a %s says', (kind) => {
    const [body, words] = bodies[kind] ?? [{}, ''];
    expect(entryWords({ kind, body } as unknown as Entry, names, 'mm')).toBe(words);
  });
  test.each([
    [
      'rule',
      { rule: 'f-with-f-sharp', withdrawn: true, reason: 'bent back' },
      'Rule f-with-f-sharp as it was: bent back',
    ],
    ['rule', { rule: 'f-with-f-sharp', asked: false, reason: 'no low C' }, 'Rule f-with-f-sharp not asked: no low C'],
    ['rule', { rule: 'f-with-f-sharp', asked: true, reason: 'wished' }, 'Rule f-with-f-sharp asked otherwise: wished'],
  ])('says what a %s says in each of its ways: %j', (kind, body, words) =>
    expect(entryWords({ kind, body } as unknown as Entry, names, 'mm')).toBe(words),
  );
});
