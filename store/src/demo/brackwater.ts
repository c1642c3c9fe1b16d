import {
  applyOptions,
  blankType,
  homeMadeId,
  instrumentType,
  surveyStations,
  solveBushing,
  trueFigure,
  type InstrumentType,
  playSheet,
} from '@holotonos/core';
import { DemoJob } from './demoJob';
import { crackedWood, dentedTube, doubtfulSeam, rustedRod } from './drawings';
import { homeMadeClarinet } from './homeMadeClarinet';
import { playedNotes } from './playedNotes';
import { readPitches } from './readPitches';

const shipped = (id: string, options: readonly string[] = []): InstrumentType => {
  const type = instrumentType(id);
  if (!type) throw new Error(`no instrument type “${id}”`);
  return applyOptions(type, options);
};

/** Two pushes at the bend of the body, each read before and after: a quarter and a bit springs back. */
function straightenInPasses(job: DemoJob): void {
  const tube = job.truth.tubes.get('body');
  for (const [set, left] of [
    [0.45, 0.21],
    [0.25, 0.03],
  ] as const) {
    job.measurePart('body-line', 'body', ['deviation']);
    job.write('pass', {
      pass: 'straighten',
      group: 'body-line',
      part: 'body',
      amount: set,
      disturbs: ['body-line:body'],
    });
    if (tube?.bend) tube.bend.degrees = left;
    job.pass(12);
  }
  job.measurePart('body-line', 'body', ['deviation']);
}

/** Passes of the expander at the neck: the leading end grows faster than the shoulder. */
function expandInPasses(job: DemoJob): void {
  const neck = job.truth.joints.get('neck-receiver');
  if (!neck) return;
  for (const [clearance, taper] of [
    [0.026, 0.018],
    [0.008, 0.002],
  ] as const) {
    job.measurePart('joint', 'neck-receiver', ['tenon', 'receiver']);
    job.write('pass', {
      pass: 'expand',
      group: 'joint',
      part: 'neck-receiver',
      disturbs: ['joint:neck-receiver'],
      note: 'One turn of the expander, all round',
    });
    Object.assign(neck, { clearance, taper, tenonOvality: 0.001 });
    job.pass(8);
  }
  job.measurePart('joint', 'neck-receiver', ['tenon']);
}

/** LL-201: alto saxophone, far along: rims dressed twice, pads in, one crooked rim showing itself under a new pad. */
function altoSaxophone(): DemoJob {
  const job = new DemoJob(shipped('alto-saxophone'), 201, '2026-10-05T09:20:00.000Z');
  const { truth } = job;
  job.author = 'Ottoline Marsh';
  job.write('intake', {
    ticket: 'LL-201',
    owner: 'Brackwater lock-keepers’ band',
    contact: 'Through the hall warden',
    instrumentType: 'alto-saxophone',
    maker: 'Hallam & Wray',
    model: 'Alto',
    serial: '20417',
    made: 'about 1928',
    material: 'brass',
    finish: 'silver plate',
    complaint: 'Stood two days under water; a shelf fell across the lower stack. Does not play below G.',
    playing: 'First alto in a marching and concert band',
    lastPadded: 'not known, felt feels hard',
    mayChange: 'Anything that makes it play; keep the engraving.',
    testPlay: 'Upper notes speak, thinly. Nothing below G.',
    photographed: true,
    family: 'saxophone',
    practice: 'stage',
    scope: 'overhaul',
    unit: 'mm',
    dueBy: '2026-12-18',
  });
  job.pass(20);
  Object.assign(truth.rims.get('e') ?? {}, { tilt: 0.05, highClock: 200, dent: 0.16, dentClock: 15 });
  Object.assign(truth.rims.get('f') ?? {}, { tilt: 0.08, highClock: 170, dent: 0.12, dentClock: 350, saddle: 0.03 });
  Object.assign(truth.rims.get('d') ?? {}, { tilt: 0.14, highClock: 90, dent: 0.02, dentClock: 270 });
  job.author = 'Perrin Oake';
  job.doThrough('intake');
  job.finding('body-bent', 'body', 2, 'Bent toward the bell at the lower stack, seen along the light edge');
  job.finding('bell-turned', 'bell', 2, 'Low B lands on one side; guard foot 2 mm off its old marks');
  job.finding('hole-unsoldered', 'd', 2, 'Bright spot in the tarnish round the low D seam');
  job.finding('joint-loose', 'neck-receiver', 2, 'Wobbles with the screw tight');
  job.finding('tarnish', 'instrument', 1, 'Even, brown; engraving sharp below');
  const dent = job.finding('dent', 'low-c', 1, 'Small, below low C, away from the rim', 'confirmed', {
    dent: { length: 14, width: 9, looks: 'slight', edge: 'soft', ridge: false, finish: 'plate' },
  });
  const creased = job.finding('dent', 'body', 3, 'Over the lower stack, with a crease toward the guard', 'confirmed', {
    place: { section: 'body', at: 420, clock: 60 },
    dent: { length: 26, width: 17, looks: 'deep', edge: 'creased', ridge: true, finish: 'lacquer-sound' },
  });
  const side = { part: 'body', finding: creased };
  job.photo(dentedTube(520), { ...side, caption: 'light edge along the lower stack, as it came' }, [
    { shape: 'circle', x: 0.54, y: 0.44, toX: 0.64, toY: 0.44 },
    { shape: 'arrow', x: 0.8, y: 0.2, toX: 0.6, toY: 0.38 },
  ]);
  job.finding('end-play', 'low-b-key', 2, 'Clacks between its posts');
  job.finding('pad-worn', 'g', 2, 'Hard and stained, like all the rest');
  for (const station of surveyStations) job.looked(station);
  job.do('survey:instrument', 'Every pad hard or stained; treated as one finding.');
  job.offer('stage', 'accepted', 'Hall warden', 'It must be ready for the midsummer rehearsals.');
  job.goTo(1);
  job.do('pad-stand:instrument');
  job.stripDown(['body', 'bow', 'bell', 'bell-brace', 'bell-guard'], {
    'g-sharp-rod-top-pivot': 'Slot chewed',
    'lower-stack-rod': 'Drew out hard, brown along half its length',
  });
  const dropped = job.write('part-placed', { part: 'high-f-key', where: 'board', cell: 'H12' });
  job.write('strike', { entry: dropped.id, reason: 'Wrong part named' });
  job.write('part-placed', { part: 'g-sharp-rod-top-pivot', where: 'replaced', note: 'New screw ordered' });
  job.write('part-off', { part: 'bell-guard', where: 'bag', note: 'Three screws in the same bag' });
  for (const [part, height, mark] of [
    ['e', 1.12, 180],
    ['f', 1.08, 170],
    ['d', 1.2, 185],
  ] as const) {
    job.reading({ group: 'pad', part, measure: 'stand', clock: 0 }, height, 'caliper');
    job.write('observation', { part, about: 'fit', hold: 'adhesive', mark });
  }
  job.goTo(1);
  // The shelf came down on the lower stack: the body leans toward the bell from there on.
  const body = truth.tubes.get('body');
  if (body) body.bend = { at: 372, clock: 325, degrees: 0.55 };
  Object.assign(truth.tubes.get('bell') ?? {}, { turned: 1.1 });
  job.measurePart('body-line', 'body', ['deviation']);
  job.measurePart('body-line', 'bell', ['mark-gap', 'key-gap']);
  const neck = truth.joints.get('neck-receiver');
  Object.assign(neck ?? {}, { clearance: 0.045, taper: 0.043, tenonOvality: 0.006 });
  job.measurePart('joint', 'neck-receiver');
  Object.assign(truth.hinges.get('low-b-key') ?? {}, { clearance: 0.048, endPlay: 0.23 });
  job.measurePart('hinge', 'low-b-key');
  for (const part of ['f', 'e', 'low-b', 'low-c-sharp', 'd']) job.measureRim(part);
  const wrong = job.entries.at(-3);
  job.write('strike', { entry: wrong?.id ?? '', reason: 'Plate had slipped on its plug' });
  const { point } = wrong?.kind === 'reading' ? wrong.body : { point: null };
  if (point) job.reading(point, 0.05, 'dial-indicator');
  for (const suggestion of job.suggestions().filter(({ part }) => part === 'e' || part === 'f'))
    job.confirm(suggestion);
  job.author = 'Ottoline Marsh';
  job.offerChange('accepted', 'Hall warden', 'By telephone: go on.');
  job.write('decision', {
    question: 'Remove the small dent below low C?',
    choice: 'Yes, with the body work.',
    reason: 'The body is open for straightening anyway and the owner wants the bell side smooth.',
  });
  job.author = 'Perrin Oake';
  straightenInPasses(job);
  job.doThrough('seams');
  Object.assign(truth.tubes.get('bell') ?? {}, { turned: 0.05 });
  job.measurePart('body-line', 'body', ['deviation']);
  job.measurePart('body-line', 'bell', ['mark-gap', 'key-gap']);
  for (const part of ['f', 'e', 'd', 'low-c', 'g']) job.measureRim(part, part === 'f');
  job.author = 'Juno Tam';
  job.repairRim('f');
  job.do('dress-rim:f', 'First rim alone; Perrin checked the plug.');
  job.measureRim('f', true);
  const slip = job.entries.at(-1);
  job.write('strike', { entry: slip?.id ?? '', reason: 'Read the wrong scale' });
  job.author = 'Perrin Oake';
  // The rim of E was dressed on one side only: it still saddles.
  Object.assign(truth.rims.get('e') ?? {}, { tilt: 0.01, dent: 0, saddle: 0.1, saddleClock: 70 });
  job.do('dress-rim:e');
  job.doThrough('holes');
  for (const { hole } of job.type.pads) if (hole !== 'e') job.repairRim(hole);
  for (const part of ['g', 'f-sharp', 'f', 'd', 'low-c', 'low-c-sharp', 'low-b']) job.measureRim(part);
  expandInPasses(job);
  job.choosePads();
  job.doThrough('pads', {
    'polish:instrument': 'Owner asked to keep the plate as it is; washed only.',
  });
  job.goTo(2);
  for (const [part, thickness, side] of [
    ['f', 0.006, 0],
    ['d', 0.03, 0.004],
    ['a', 0, 0],
    ['g-sharp', 0, 0.05],
    ['low-c', -0.02, 0],
  ] as const) {
    Object.assign(truth.pads.get(part) ?? {}, { thickness, side });
  }
  job.measurePart('joint', 'neck-receiver');
  Object.assign(truth.hinges.get('f-key') ?? {}, { endPlay: 0.09 });
  Object.assign(truth.hinges.get('low-b-key') ?? {}, { clearance: 0.018, endPlay: 0.03 });
  job.measurePart('hinge', 'low-b-key');
  for (const { id, rod } of job.type.keys) if (rod === 'lower-stack-rod') job.measurePart('hinge', id);
  for (const { id, rod } of job.type.posts) if (rod === 'lower-stack-rod') job.measurePart('post', id);
  job.measureRim('e');
  for (const part of ['b', 'a', 'g', 'g-sharp', 'f-sharp', 'f', 'e', 'd', 'low-c']) job.measurePad(part);
  job.photo(dentedTube(520, 0.15), { ...side, caption: 'the same side and distance, after the second round' });
  job.write('note', {
    text: `The ${dent ? 'dent below low C' : 'dent'} came out clean over the large ball.`,
    part: 'low-c',
  });
  return job;
}

/** LL-202: oboe, crack closed, post bushed, pads in; regulation half-way. */
function oboe(): DemoJob {
  const job = new DemoJob(shipped('oboe'), 202, '2026-10-08T10:00:00.000Z');
  job.author = 'Ottoline Marsh';
  job.write('intake', {
    ticket: 'LL-202',
    owner: 'Brackwater lock-keepers’ band',
    instrumentType: 'oboe',
    maker: 'Ysolde Brandt',
    made: 'about 1955',
    material: 'grenadilla',
    finish: 'silver-plated keys',
    complaint: 'Cracked from the second trill hole, tenon stuck, corks gone, nothing closes.',
    playing: 'Second oboe, twice a month',
    lastPadded: 'about twelve years ago',
    mayChange: 'Ask before anything that shows.',
    photographed: true,
    family: 'oboe',
    practice: 'steady',
    scope: 'overhaul',
    unit: 'mm',
    dueBy: '2026-12-11',
  });
  job.pass(30);
  job.author = 'Perrin Oake';
  job.doThrough('intake');
  const crack = job.finding('crack', 'second-trill', 3, 'From the second trill hole upward, 14 mm, closed when dry');
  job.photo(crackedWood(420), { part: 'second-trill', finding: crack, caption: 'before drying' }, [
    { shape: 'arrow', x: 0.2, y: 0.2, toX: 0.3, toY: 0.46 },
  ]);
  job.finding('post-stripped', 'side-rod-post-2', 2, 'Turns in the wood');
  job.finding('joint-tight', 'top', 2, 'Tenon swollen; would not come apart for a day');
  job.finding('cork-worn', 'lower', 2, 'All tenon and key corks gone or soft');
  job.finding('adjuster-out', 'f-sharp', 2, 'Every screw backed out by someone');
  for (const station of surveyStations) job.looked(station);
  job.do('survey:instrument');
  job.doThrough('corks', { 'polish:instrument': 'Keys washed only: plate is thin on the touches.' });
  for (const part of ['b', 'c', 'a', 'g', 'f-sharp', 'e', 'd']) job.measureRim(part);
  job.doThrough('pads');
  for (const part of ['b', 'c', 'a', 'g', 'f-sharp', 'e', 'd']) job.measurePad(part, 'feeler-fine');
  job.author = 'Ottoline Marsh';
  job.write('decision', {
    question: 'Pin the crack?',
    choice: 'No pin; filled and sealed.',
    reason: 'It is short and closed tight once dry; a pin can follow if it opens.',
  });
  job.author = 'Perrin Oake';
  job.doThrough('assemble');
  // Tenon and socket were read in different air: the page has to say so.
  job.air = { temperature: 20, humidity: 57 };
  job.measurePart('joint', 'middle-joint', ['tenon', 'cork']);
  job.goTo(2);
  job.air = { temperature: 21, humidity: 43 };
  job.measurePart('joint', 'middle-joint', ['receiver']);
  // Regulation half-way: the low keys are brought in, with the trace that had to be left said aloud.
  job.look('link', 'low-b-to-low-c', 'evenly-tight');
  job.look('link', 'low-c-to-d', 'follower-free');
  job.write('adjustment', { link: 'low-c-to-d', steps: -2, change: -0.04 });
  job.look('link', 'low-c-to-d', 'evenly-tight');
  job.look('link', 'f-sharp-to-forked-f', 'evenly-tight');
  job.write('decision', {
    question: 'D, C and B close together from the left B♭ lever: which of them is the trace late?',
    choice: 'D, by less than the thinnest film.',
    reason: 'Its screw is at the end of its thread. Set any later C holds B off, and nothing below speaks.',
  });
  // Played half-way up, as far as it is regulated: one pad that nobody suspects does not seal.
  for (const note of playedNotes(job.type, 'g-sharp', 0.08, 14)) {
    job.pass(0.5);
    job.write('played', note);
  }
  // The sheet was begun after that: what waits is gone on with tomorrow.
  for (const { id } of playSheet(job.type).slice(0, 5)) {
    job.pass(1);
    job.write('tested', { line: id, result: id === 'long-low' ? 'late' : 'clear' });
  }
  return job;
}

/** What the touches of the flute ask for, and the rusted spring by its measures. */
function feelSprings(job: DemoJob): void {
  for (const [key, force] of [
    ['g-sharp-key', 0.16],
    ['upper-g-key', 0.42],
    ['f-sharp-key', 0.38],
    ['f-key', 0.55],
    ['e-key', 0.4],
    ['d-key', 0.71],
  ] as const)
    job.reading({ group: 'spring', part: key, measure: 'force', clock: 0 }, force, 'force-gauge');
  job.write('spring-set', {
    key: 'g-sharp-key',
    which: 'main',
    section: { width: 2.4, thickness: 0.5 },
    material: 'bronze',
    length: 24,
    preset: 1.3,
    travel: 0.7,
    catchRadius: 3.2,
    touchRadius: 17,
    padRadius: 11.5,
  });
}

/** Where the keys of the old clarinet want cork: what could be seen is written down, the rest turns out at assembly. */
function listCorks(job: DemoJob): void {
  const [first, second, third] = job.type.keys;
  const joint = job.type.joints.find(({ kind }) => kind === 'corked' || kind === 'wound');
  for (const [i, [part, place, kind, more]] of (
    [
      [first?.id, 'under the foot', 'cork', { gap: 1.2, length: 12, width: 5, tried: 1.412, from: 'offcut' }],
      [first?.id, 'at the touch', 'felt', { gap: 0.7 }],
      [second?.id, 'under the foot', 'cork', { gap: 1.1, length: 10, width: 5 }],
      [third?.id, 'where it rests', 'bumper', {}],
      [joint?.id, 'tenon', 'tenon', { gap: 0.9 }],
    ] as const
  ).entries())
    if (part !== undefined) job.write('cork-point', { id: `place-${i + 1}`, part, place, kind, ...more });
  job.pass(8);
}

/** The five open-hole pads before they come out, and what is taken for them: two are punched out of closed ones. */
function openHolePads(job: DemoJob): void {
  for (const [hole, mark, setterMark, condition] of [
    ['a', 10, 20, 'hard'],
    ['upper-g', 350, 30, 'hard'],
    ['f', 0, 45, 'stained'],
    ['e', 5, 300, 'torn'],
    ['d', 355, 15, 'hard'],
  ] as const) {
    for (const measure of ['stand', 'setter', 'cup', 'cup-depth'] as const) {
      const point = { group: 'pad', part: hole, measure, clock: 0 } as const;
      const value = trueFigure(job.type, job.truth, point, job.chance);
      if (value !== null) job.reading(point, value, 'caliper');
    }
    job.write('observation', { part: hole, about: 'fit', hold: 'grommet', mark, setterMark, condition, reuse: false });
  }
  job.choosePads(['a', 'upper-g', 'f', 'e', 'd']);
  job.write('chosen', {
    lines: [
      {
        part: 'e',
        use: 'grommet',
        item: 'grommet-8-2-2-6-6-metal',
        thing: { kind: 'grommet', diameter: 8.2, length: 2.6, hole: 6, material: 'metal' },
        count: 1,
        price: 240,
      },
    ],
  });
}

const fluteOptions = ['open-holes', 'split-e', 'pinned'];

/** LL-203: open-hole flute at survey, a few pads under the leak light. */
function flute(): DemoJob {
  const job = new DemoJob(shipped('concert-flute', fluteOptions), 203, '2026-11-16T11:00:00.000Z');
  job.author = 'Juno Tam';
  job.write('intake', {
    ticket: 'LL-203',
    owner: 'Brackwater lock-keepers’ band',
    instrumentType: 'concert-flute',
    options: fluteOptions,
    maker: 'Corvane',
    material: 'silver',
    complaint: 'Keys stick, head joint turns by itself, low notes gone.',
    playing: 'First flute',
    lastPadded: 'five years ago',
    mayChange: 'Whatever it needs.',
    testPlay: 'Speaks from G up.',
    photographed: true,
    family: 'flute',
    practice: 'stage',
    scope: 'overhaul',
    unit: 'thou',
    dueBy: '2027-01-15',
  });
  job.pass(15);
  job.doThrough('intake');
  job.finding('joint-loose', 'head-joint', 2, 'Turns by itself; tape round the tenon');
  job.looked('joints');
  job.looked('body');
  const seam = job.finding('hole-unsoldered', 'f', 1, 'Doubtful: a bright line in half the seam', 'suspected');
  job.photo(doubtfulSeam(), { part: 'f', finding: seam, caption: 'through the glass' }, [
    { shape: 'arrow', x: 0.8, y: 0.9, toX: 0.66, toY: 0.74 },
  ]);
  job.looked('holes');
  const stuck = job.finding('stuck-part', 'lower-stack-rod', 3, 'Rusted fast in its tubes');
  job.photo(rustedRod(), {
    part: 'lower-stack-rod',
    finding: stuck,
    caption: 'a rod of the same age, from the drawer',
  });
  job.write('soak', {
    soak: job.chance.uuid(),
    part: 'lower-stack-rod',
    with: 'penetrating oil',
    minutes: 1440,
    note: 'Both ends, to give it time while the survey goes on',
  });
  job.finding('key-bent', 'first-trill-key', 2, 'Bowed, rubs its neighbour');
  job.finding('key-bent', 'second-trill-key', 2, 'Bowed the other way');
  job.finding('end-play', 'f-key', 2, 'Clicks along the rod');
  const slip = job.write('finding', {
    finding: job.chance.uuid(),
    kind: 'post-loose',
    part: 'upper-stack-rod-post-3',
    severity: 2,
    status: 'confirmed',
  });
  job.write('strike', { entry: slip.id, reason: 'It was the key that moved, not the post' });
  job.looked('mechanism');
  job.finding('spring-weak', 'g-sharp-key', 1, 'rusted', 'confirmed', { spring: 'spent' });
  job.looked('springs');
  job.finding('grommet-cracked', 'e', 2, 'Two cracks; turns on its chimney');
  for (const part of ['c-sharp', 'first-trill', 'second-trill']) job.look('pad', part, 'no-light');
  job.look('joint', 'foot-joint', 'snug');
  job.look('hinge', 'c-key', 'no-wiggle');
  job.look('hinge', 'upper-g-key', 'hinge-hair');
  for (const part of ['c-sharp', 'c', 'thumb-b']) job.light(part, []);
  for (const part of ['f', 'e', 'd']) job.light(part, [45, 90, 135]);
  // The main line is out: what F carries lands now before it, now after it, and D is held off.
  job.write('observation', { part: 'f-to-b-flat-pinned', about: 'landing', lands: 'follower' });
  job.write('observation', { part: 'f-to-f-sharp-pinned', about: 'landing', lands: 'driver' });
  job.write('observation', { part: 'd-to-f-sharp-pinned', about: 'landing', lands: 'follower' });
  Object.assign(job.truth.pads.get('upper-g') ?? {}, { thickness: 0.02 });
  Object.assign(job.truth.pads.get('a') ?? {}, { side: 0.03 });
  for (const part of ['a', 'upper-g', 'f-sharp']) job.measurePad(part, 'feeler-fine');
  const wrong = job.entries.at(-1);
  job.write('strike', { entry: wrong?.id ?? '', reason: 'Pressed the key without meaning to' });
  openHolePads(job);
  feelSprings(job);
  job.author = 'Ottoline Marsh';
  job.offer('stage', null);
  return job;
}

/** The post that turns in the wood: found, and the bush it would get worked out and tried in scrap, for its keeper to agree to. */
function bushTurningPost(job: DemoJob): void {
  const post = job.state.instrument?.posts[0]?.id;
  if (post === undefined) return;
  job.finding('post-stripped', post, 2, 'Turns in the wood', 'suspected');
  const [hole, wall] = [4.6, 6.8];
  const { cutter, depth, bush, gap, left } = solveBushing({
    hole: { diameter: hole },
    wall,
    leave: 1.5,
    cutters: [4, 4.5, 5, 5.5, 6],
    bushes: [4.3, 4.8, 5.3].map((outer) => ({ outer, length: 100 })),
    gap: [0.05, 0.15],
  });
  const worked = { post, hole, wall, cutter, depth, outer: bush.outer, gap, left };
  job.write('post-bush', { ...worked, ...(bush.cutTo !== null && { cutTo: bush.cutTo }), trial: depth + 0.15 });
  job.pass(10);
}

/** LL-204: simple-system clarinet, just taken in; a careful owner. */
function clarinet(): DemoJob {
  const bare = blankType('clarinet', 'Simple-system clarinet in C, boxwood');
  const job = new DemoJob(bare, 204, '2026-11-20T15:00:00.000Z');
  job.author = 'Ottoline Marsh';
  job.write('intake', {
    ticket: 'LL-204',
    owner: 'Brackwater town collection',
    contact: 'The keeper of the collection',
    instrumentType: homeMadeId,
    type: bare,
    maker: 'Merle of Dunmoor',
    made: 'about 1890',
    material: 'boxwood, ivory-coloured resin rings',
    complaint: 'Two cracks, a post that turns, pads of unknown size, low notes flat.',
    playing: 'To be heard once, at midsummer; otherwise shown',
    lastPadded: 'perhaps never',
    mayChange: 'Nothing that cannot be undone. Original parts stay with it.',
    photographed: false,
    protectedMaterial: false,
    family: 'clarinet',
    practice: 'keeper',
    scope: 'overhaul',
    unit: 'mm',
    dueBy: '2027-05-28',
  });
  for (const change of homeMadeClarinet()) {
    job.pass(12);
    job.write('instrument-change', change);
  }
  job.photo(crackedWood(360), { part: 'upper', caption: 'the longer of the two cracks' });
  job.write('decision', {
    question: 'Are the rings ivory?',
    choice: 'No: resin, by weight and by the moulding line.',
    reason: 'Real ivory would have been referred before any work.',
  });
  listCorks(job);
  bushTurningPost(job);
  job.write('note', {
    text: 'The collection has a recording of it from two summers ago, before the flood: every note, held, at 21 °C. Read from that; nobody blows it wet.',
  });
  const known = job.state.instrument;
  for (const heard of known ? readPitches('LL-204', known, 21) : []) {
    job.pass(0.1);
    job.write('reading', heard);
  }
  job.write('decision', {
    question: 'Four low holes are small for the pitch it was built to, and their notes flat: are they opened?',
    choice: 'No. They are left as they were bored, and the player is told which notes to lip up.',
    reason: 'What is cut cannot be put back; at midsummer it plays alone.',
  });
  job.write('note', { text: 'Let it stand closed for a week before anything is measured: the wood is still wet.' });
  return job;
}

/** The four tickets of the flood. The same on every machine. */
export const brackwaterJobs = (): DemoJob[] => [altoSaxophone(), oboe(), flute(), clarinet()];
