import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import { jobAssembly, proposedRod, readNamedOff, stripOrder, type NamedOffBody } from '.';
import { misfits } from '../job';
import { TestJob } from '../../tests/testJob';
import { applyOptions, blankType, instrumentType, overRelations, removableParts, shippedTypes } from '../instruments';
import { assemblyGuide } from './assemblyGuide';
import { entryProblems } from '../jobForms';

const homeMade = () => new TestJob({ type: blankType('clarinet', 'Very low clarinet') });

/** Written as it is at the bench: only what the logbook takes. */
function take(job: TestJob, body: NamedOffBody) {
  const entry = { id: randomUUID(), kind: 'named-off', body, author: 'Juno Tam', benchTime: job.now } as const;
  expect([...entryProblems(entry), ...misfits(job.state, entry)]).toEqual([]);
  job.write('named-off', body);
}

/** Names what comes off, line by line, as it is typed. */
function name(job: TestJob, ...lines: string[]) {
  for (const line of lines) {
    const read = readNamedOff(job.state, line);
    if (!read.ok) throw new Error(`${line}: ${read.problem}`);
    take(job, read.body);
  }
}
const keyOf = (job: TestJob, called: string) => job.state.instrument?.keys.find((key) => key.name === called);
const lying = (job: TestJob) => [...job.state.off.values()].map(({ part, cell }) => [part, cell]);

describe('named as it comes off', () => {
  test('a name and Enter is enough: the rod, then what it held, each to the next place', () => {
    const job = homeMade();
    name(job, 'Upper rod', 'B key', 'C key');
    expect(lying(job)).toEqual([
      ['upper-rod', 'A1'],
      ['b-key', 'A2'],
      ['c-key', 'A3'],
    ]);
    expect(keyOf(job, 'B key')).toMatchObject({ rod: 'upper-rod', rest: 'closed' });
    expect(keyOf(job, 'C key')).toMatchObject({ rod: 'upper-rod' });
  });

  test('pivots of a key come off before it, top before bottom, each to a place of its own', () => {
    const job = homeMade();
    name(job, 'Low E key; cylinder pivots');
    expect(lying(job)).toEqual([
      ['low-e-pivots-top-pivot', 'A1'],
      ['low-e-pivots-bottom-pivot', 'A2'],
      ['low-e-key', 'A3'],
    ]);
    expect(job.state.instrument?.rods).toMatchObject([{ kind: 'pivots', pivot: 'cylinder' }]);
    expect(keyOf(job, 'Low E key')?.rod).toBe('low-e-pivots');
  });

  test('two screws hold one key: the key after it is not proposed to turn on them', () => {
    const job = homeMade();
    name(job, 'Trill pivots');
    expect(proposedRod(job.state)?.id).toBe('trill-pivots');
    name(job, 'Trill key');
    expect(proposedRod(job.state)).toBeNull();
    name(job, 'Loose key');
    expect(keyOf(job, 'Trill key')?.rod).toBe('trill-pivots');
    expect(keyOf(job, 'Loose key')).not.toHaveProperty('rod');
  });

  test('“on nothing” and “on” another rod speak against what is proposed', () => {
    const job = homeMade();
    name(job, 'Upper rod', 'Lower rod', 'A key; on nothing', 'B key; on upper');
    expect(keyOf(job, 'A key')).not.toHaveProperty('rod');
    expect(keyOf(job, 'B key')?.rod).toBe('upper-rod');
    // What came off last turns on the upper one: so does the next.
    expect(proposedRod(job.state)?.id).toBe('upper-rod');
  });

  test('springs, corks, nested tubes, what it passes over and a note go in the same line', () => {
    const job = homeMade();
    name(
      job,
      'Side rod',
      'G♯ key',
      'Trill key',
      'Long key; over g♯ + trill; in trill; 2 needle; flat; open; cork at foot + arm; felt at stop; bent at the foot',
    );
    expect(keyOf(job, 'Long key')).toEqual({
      id: 'long-key',
      name: 'Long key',
      rest: 'open',
      rod: 'side-rod',
      nestsIn: 'trill-key',
      over: ['g-sharp-key', 'trill-key'],
      springs: [{ kind: 'needle' }, { kind: 'needle' }, { kind: 'flat' }],
    });
    expect([...job.state.corks.values()].map(({ part, place, kind }) => [part, place, kind])).toEqual([
      ['long-key', 'foot', 'cork'],
      ['long-key', 'arm', 'cork'],
      ['long-key', 'stop', 'felt'],
    ]);
    expect(job.state.off.get('long-key')?.note).toBe('bent at the foot');
    name(job, 'Short key; felt at foot');
    expect([...job.state.corks.values()].filter(({ part }) => part === 'short-key')).toMatchObject([
      { place: 'foot', kind: 'felt' },
    ]);
  });

  test('what lies beneath gets its name from what passes over it, and comes off as any other later', () => {
    const job = homeMade();
    name(job, 'Bell guard; over Low C key + Low B key', 'Low rod', 'Low C key', 'Low B key; pivots');
    expect(job.state.instrument?.fittings[0]?.over).toEqual(['low-c-key', 'low-b-key']);
    expect(job.state.instrument?.keys).toHaveLength(2);
    expect(keyOf(job, 'Low C key')?.rod).toBe('low-rod');
    expect(keyOf(job, 'Low B key')?.rod).toBe('low-b-pivots');
    const { lines } = jobAssembly(job.state);
    expect(lines.at(-1)?.part).toBe('bell-guard');
    expect(lines.flatMap(({ reasons }) => reasons)).toEqual([]);
  });

  test('guards, middle joints and metal bodies are known by their last word', () => {
    const job = homeMade();
    name(job, 'Bell guard', 'Middle joint', 'Lower stack rod');
    const { fittings = [], sections = [], rods = [] } = job.state.instrument ?? {};
    expect(fittings).toMatchObject([{ id: 'bell-guard', kind: 'guard' }]);
    expect(sections.map(({ name: called }) => called)).toEqual(['Tube', 'Middle joint']);
    expect(rods).toMatchObject([{ kind: 'through' }]);
    expect(job.state.off.get('middle-joint')).toMatchObject({ where: 'bag', cell: null });
  });

  test('more is said later of what is off, by its name; what is known comes off as it is called', () => {
    const job = homeMade();
    name(job, 'Upper rod', 'B key', 'b key; needle; sticky');
    expect(keyOf(job, 'B key')?.springs).toHaveLength(1);
    expect(job.state.off.get('b-key')?.note).toBe('sticky');
    name(job, 'B key; worn');
    expect(job.state.off.get('b-key')?.note).toBe('sticky; worn');
    expect(keyOf(job, 'B key')?.rod).toBe('upper-rod');
    job.write('part-on', { part: 'b-key' });
    name(job, 'B KEY');
    expect(job.state.off.has('b-key')).toBe(true);
    expect(job.state.instrument?.keys).toHaveLength(1);
  });

  test('what a line is taken to be is said before it is taken', () => {
    const job = homeMade();
    name(job, 'Upper rod');
    const says = (line: string) => {
      const read = readNamedOff(job.state, line);
      return read.ok ? read.says : [];
    };
    expect(says('B key')).toEqual(['a new key', 'turns on Upper rod, as that came off before it']);
    expect(says('Low key; cone pivots; needle; cork at foot; over Trill; dull')).toEqual([
      'a new key',
      'turns on cone pivots of its own',
      'springs: needle',
      'cork, foot',
      'over Trill',
      'new and still on: Trill',
      'note: dull',
    ]);
    expect(says('upper rod; bent')).toEqual(['it is off already: this is said of it', 'note: bent']);
  });

  test('a slip is struck whole: the row, the places and the corks', () => {
    const job = homeMade();
    name(job, 'Upper rod', 'Wrong key; pivots; cork at foot');
    const entry = job.entries.at(-1)?.id ?? '';
    job.write('strike', { entry, reason: 'undone at the strip-down' });
    expect(lying(job)).toEqual([['upper-rod', 'A1']]);
    expect(job.state.instrument?.keys).toEqual([]);
    expect(job.state.instrument?.rods).toHaveLength(1);
    expect(job.state.corks.size).toBe(0);
  });

  test.each([
    ['', 'Say what it is called.'],
    ['B key', 'B key is off already. Say more of it after a semicolon, or name another.'],
    ['New key; on side', 'Nothing here is called “side”. Name that first, or say it later.'],
    ['New key; on ro', '“ro” could be Rose rod or Round rod. Say more of its name.'],
    ['New key; 4 needle; flat', 'A key has at most 4 springs.'],
    ['New key; cork at 1+2+3+4+5+6+7+8+9', 'At most 8 corks and felts in one line; say the others in another.'],
    ['x'.repeat(81), 'A name has at most 80 characters; more of it can follow after a semicolon.'],
  ])('what cannot be taken is said: %s', (typed, problem) => {
    const job = homeMade();
    name(job, 'Rose rod', 'Round rod', 'B key');
    expect(readNamedOff(job.state, typed)).toEqual({ ok: false, problem });
  });

  test('a full board sends the rest into a bag', () => {
    const job = homeMade();
    job.write('board', { rows: 1, columns: 2 });
    name(job, 'Low E key; pivots');
    expect(lying(job).map(([, cell]) => cell)).toEqual(['A1', 'A2', null]);
  });

  test('whatever is typed is either an entry the logbook takes or a sentence', () => {
    const word = fc.constantFrom(
      'B key',
      'on',
      'over',
      'in',
      'pivots',
      ';',
      '+',
      'cork at',
      'rod',
      '2 needle',
      'open',
      '♯',
      '',
    );
    fc.assert(
      fc.property(fc.array(fc.array(word, { maxLength: 6 }), { maxLength: 5 }), (lines) => {
        const job = homeMade();
        for (const line of lines) {
          const read = readNamedOff(job.state, line.join(' '));
          if (read.ok) take(job, read.body);
          else expect(read.problem).toMatch(/\.$/);
        }
      }),
      { numRuns: 60 },
    );
  });
});

test('an entry that takes a place twice, or a part that is not there, is refused with the path', () => {
  const job = homeMade();
  name(job, 'Upper rod');
  const refused = (body: object) =>
    misfits(job.state, {
      id: randomUUID(),
      kind: 'named-off',
      body: { part: 'k', put: { keys: [{ id: 'k', name: 'K', rest: 'open' }] }, off: [], ...body },
      author: 'Juno Tam',
      benchTime: job.now,
    } as never).map(({ path, message }) => `${path} ${message}`);
  const at = (part: string, cell: string) => ({ part, where: 'board', cell });
  expect(refused({})).toEqual([]);
  expect(refused({ off: [at('k', 'A1')] })).toEqual(['/body/cell A1 is taken by Upper rod']);
  expect(refused({ off: [at('k', 'A2'), at('upper-rod', 'A2')] })).toEqual([
    '/body/off/1/part is off already',
    '/body/cell A2 is taken by K',
  ]);
  expect(refused({ part: 'nobody', off: [at('none', 'A2')] })).toEqual([
    '/body/part “nobody” is not a part of this instrument',
    '/body/off/0/part “none” is not a part of this instrument',
  ]);
});

describe('the order in which it comes apart', () => {
  test.each(shippedTypes.map((type) => [type.name, applyOptions(type, [])] as const))(
    '%s: nothing comes before what holds it',
    (_, type) => {
      const order = stripOrder(type).map(({ id }) => id);
      expect([...order].sort()).toEqual(
        removableParts(type)
          .map(({ id }) => id)
          .sort(),
      );
      const at = new Map(order.map((id, i) => [id, i]));
      const wrong = overRelations(type).filter(({ over, under }) => (at.get(over) ?? 0) > (at.get(under) ?? 0));
      expect(wrong).toEqual([]);
      // Then the way back is that order backwards, and has nothing to explain.
      const guide = assemblyGuide(order, overRelations(type));
      expect(guide.steps.map(({ part }) => part)).toEqual([...order].reverse());
      expect(guide.steps.flatMap(({ reasons }) => reasons)).toEqual([]);
    },
  );

  test('a rod is followed by what it held', () => {
    const flute = instrumentType('concert-flute');
    if (!flute) throw new Error('no flute');
    const order = stripOrder(flute);
    for (const { id } of flute.rods.filter(({ kind }) => kind === 'through')) {
      const at = order.findIndex((part) => part.id === id);
      const held = new Set(flute.keys.filter(({ rod }) => rod === id).map((key) => key.id));
      const after = order.slice(at + 1, at + 1 + held.size).filter(({ id: part }) => held.has(part));
      expect(after.length).toBeGreaterThan(0);
    }
  });
});
