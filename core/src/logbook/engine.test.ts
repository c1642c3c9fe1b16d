import { describe, expect, test } from '@jest/globals';
import * as compiled from '../generated/entries.js';
import { formsOf, logbookOf, says, strike, unreadable, type Kind, type Logged, type LogState, type Written } from '.';
import { draftOf } from './draft';

/** A logbook of something that is no trade: who is in the room. */
interface Room extends LogState<Entry> {
  inside: ReadonlyMap<string, string>;
  said: readonly string[];
}
type Entry = Logged<string, unknown>;
const note: Kind<'note', { text: string }, Room> = {
  body: {},
  problems: ({ text }) => (text === 'hush' ? says('text', 'is not said aloud') : []),
  misfits: ({ inside }, { text }) => (inside.has(text) ? says('text', 'is inside already') : []),
  fold: ({ inside, said }, { id, body: { text } }) => {
    if (text === 'bang') throw new Error('it went off');
    inside.set(text, id);
    if (text === 'slip') throw new Error('it went off half way');
    said.push(text);
  },
  words: ({ text }, name) => `${name(text)} came in`,
  bears: true,
};
const time: Kind<'time', { what: string }, Room> = {
  body: {},
  fold: ({ said }, { body: { what } }) => void said.push(what),
  words: ({ what }) => what,
  bears: false,
  stands: 'time cannot be taken back',
};
const empty: Room = {
  seq: 0,
  entries: [],
  byId: new Map(),
  struck: new Map(),
  unread: new Map(),
  inside: new Map(),
  said: [],
};
// The bodies are held by the compiled schemas of the kinds of that name in the logbook of a job.
const kinds = { note, time, strike, unreadable };
const forms = formsOf<Entry>({ kinds, compiled });
const log = logbookOf<Room, Written<string, unknown>, Entry>({
  kinds,
  empty,
  admits: ({ said }, kind) => (said.length >= 4 && kind !== 'strike' ? [{ path: '/kind', message: 'it is full' }] : []),
});

const when = '2026-11-23T09:00:00.000Z';
const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const entry = (seq: number, kind: string, body: object): Entry => ({
  id: id(seq),
  seq,
  kind,
  body,
  author: 'Juno Tam',
  benchTime: when,
  receivedAt: when,
});
const came = (seq: number, text: string) => entry(seq, 'note', { text });
const struck = (seq: number, target: number) => entry(seq, 'strike', { entry: id(target) });

describe('a logbook of any kinds', () => {
  test('folds what its kinds say, and nothing it was given is written on', () => {
    const one = log.fold(empty, [came(1, 'Ori')]);
    const two = log.fold(one, [came(2, 'Mara'), entry(3, 'time', { minutes: 1, what: 'tick' })]);
    expect([empty.said, one.said, two.said]).toEqual([[], ['Ori'], ['Ori', 'Mara', 'tick']]);
    expect(two.inside).toEqual(
      new Map([
        ['Ori', id(1)],
        ['Mara', id(2)],
      ]),
    );
    expect(two.seq).toBe(3);
    expect(log.fold(two, [came(2, 'Mara')])).toBe(two);
  });
  test('a strike takes back what was, whenever it comes, and only the first counts', () => {
    const before = log.fold(empty, [came(1, 'Ori'), came(2, 'Mara')]);
    const after = log.fold(before, [struck(3, 1), struck(4, 1)]);
    expect([...after.inside.keys()]).toEqual(['Mara']);
    expect(after.struck).toEqual(new Map([[id(1), id(3)]]));
    expect(log.fold(empty, [struck(4, 1), struck(3, 1), came(2, 'Mara'), came(1, 'Ori')])).toEqual(after);
    expect(log.fold(after, [struck(5, 3)]).struck.has(id(3))).toBe(false);
  });
  test('one that cannot be taken in is set down as such, and the others go on', () => {
    const { unread, said } = log.fold(empty, [came(1, 'bang'), came(2, 'Ori')]);
    expect([said, [...unread]]).toEqual([['Ori'], [[id(1), 'note: it went off']]]);
  });
  test('one that goes off half way leaves nothing behind, however the entries are cut', () => {
    const slip = 'note: it went off half way';
    const list = [
      came(1, 'Ori'),
      came(2, 'slip'),
      came(3, 'Mara'),
      struck(4, 1),
      came(5, 'slip'),
      came(6, 'bang'),
      came(7, 'Jo'),
    ];
    const whole = log.fold(empty, list);
    expect([whole.said, [...whole.inside.keys()], whole.seq]).toEqual([['Mara', 'Jo'], ['Mara', 'Jo'], 7]);
    expect([...whole.unread]).toEqual([
      [id(2), slip],
      [id(5), slip],
      [id(6), 'note: it went off'],
    ]);
    expect(whole.entries).toEqual(list);
    for (let cut = 1; cut < list.length; cut += 1)
      expect(log.fold(log.fold(empty, list.slice(0, cut)), list.slice(cut))).toEqual(whole);
    expect(list.reduce((state, each) => log.fold(state, [each]), empty)).toEqual(whole);
    const reader = log.reader();
    for (const each of list) reader.add(each);
    const { said, inside, unread, seq, entries } = reader.state();
    expect({ said, inside, unread, seq, entries }).toEqual({
      said: whole.said,
      inside: whole.inside,
      unread: whole.unread,
      seq: 7,
      entries: list,
    });
    // Struck, it is no longer what cannot be read.
    expect([...log.fold(whole, [struck(8, 5)]).unread.keys()]).toEqual([id(2), id(6)]);
    expect([empty.said, [...empty.inside]]).toEqual([[], []]);
  });
  test('form is held by the schema, then by the kind', () => {
    const { seq: _, receivedAt: __, ...fresh } = came(1, 'Ori');
    expect(forms.problems(fresh)).toEqual([]);
    expect(forms.problems(came(1, 'Ori'), 'stored')).toEqual([]);
    expect(forms.problems({ ...fresh, body: {} }).map(({ path }) => path)).toEqual(['/body/text']);
    expect(forms.problems({ ...fresh, body: { text: 'hush' } })).toEqual(says('text', 'is not said aloud'));
    expect(forms.problems({ ...fresh, body: { text: 'a\0' } }).map(({ path }) => path)).toEqual(['/body/text']);
    // A kind of another logbook is none of this one, though its schema is known.
    expect(forms.problems({ ...fresh, kind: 'decision' })).toEqual([
      { path: '/kind', message: '“decision” is not a kind of entry' },
    ]);
    expect(forms.problems({ ...fresh, kind: 'unreadable' }).map(({ path }) => path)).toEqual(['/kind']);
  });
  test('what it says is held against what was written before', () => {
    const state = log.fold(empty, [came(1, 'Ori'), entry(2, 'time', { minutes: 1, what: 'tick' }), struck(3, 1)]);
    const said = (kind: string, body: object) => log.misfits(state, entry(9, kind, body)).map(({ message }) => message);
    expect(said('note', { text: 'Ori' })).toEqual([]);
    expect(log.misfits(log.fold(empty, [came(1, 'Ori')]), came(9, 'Ori'))).toHaveLength(1);
    expect(said('strike', { entry: id(7) })).toEqual(['is not an entry of this logbook']);
    expect(said('strike', { entry: id(3) })).toEqual(['is itself a strike: make the entry again instead']);
    expect(said('strike', { entry: id(2) })).toEqual(['time cannot be taken back']);
    const full = log.fold(state, [came(4, 'a'), came(5, 'b'), came(6, 'c')]);
    expect(log.misfits(full, came(9, 'd'))).toEqual([{ path: '/kind', message: 'it is full' }]);
    expect(log.misfits(full, struck(9, 4))).toEqual([]);
  });
  test('read one by one, only a strike of what others lean on reads all again', () => {
    const reader = log.reader();
    const list = [came(1, 'Ori'), entry(2, 'time', { minutes: 1, what: 'tick' }), came(3, 'Mara')];
    for (const each of list) reader.add(each);
    reader.add(struck(4, 2));
    expect([reader.refolded(), reader.state().said]).toEqual([0, ['Ori', 'tick', 'Mara']]);
    reader.add(struck(5, 1));
    expect([reader.refolded(), reader.state().said]).toEqual([4, ['Mara']]);
    reader.add(struck(6, 1));
    expect(reader.refolded()).toBe(4);
  });
  test('any row reads as something', () => {
    const row = { ...came(1, 'Ori'), benchTime: '2026-11-23 09:00:00+00' };
    expect(forms.read(row)).toEqual(came(1, 'Ori'));
    expect(forms.read({ ...row, kind: 'spell', body: { a: 1 } })).toMatchObject({
      id: id(1),
      seq: 1,
      kind: 'unreadable',
      benchTime: when,
      body: { kind: 'spell', was: '{"a":1}' },
    });
  });
  test('an entry reads as its kind says it', () => {
    expect(log.words(came(1, 'o'), new Map([['o', 'Ori']]))).toEqual(['Ori came in']);
    expect(log.words(struck(2, 1), new Map())).toEqual(['Struck an entry']);
  });
});

describe('a draft', () => {
  test('copies a part when it is first asked for, and leaves the others as they were', () => {
    const state = { list: [1], map: new Map([['a', 1]]), plain: { x: 1 }, count: 1 };
    const { draft, close } = draftOf(state);
    (draft.list as number[]).push(2);
    draft.count = 2;
    const after = close();
    expect([state.list, after.list, after.count, state.count]).toEqual([[1], [1, 2], 2, 1]);
    expect(after.map).toBe(state.map);
    expect(after.plain).toBe(state.plain);
    const next = draftOf(after);
    next.draft.map.set('b', 2);
    next.draft.map.set('c', 3);
    expect([[...next.close().map.keys()], [...after.map.keys()]]).toEqual([['a', 'b', 'c'], ['a']]);
  });
});
