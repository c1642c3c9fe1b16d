/** @jest-environment jsdom */
import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { choicesOf, tickGroups } from '@holotonos/core';
import { jobDouble, type JobDouble } from './bench';

let job: JobDouble;
let query = new URLSearchParams();
jest.unstable_mockModule('../../src/job/JobContext', () => ({ useJob: () => job }));
jest.unstable_mockModule('next/navigation', () => ({ useSearchParams: () => query }));
const { act, renderHook } = await import('@testing-library/react');
const { useLook } = await import('../../src/app/jobs/[ticket]/look/_look/useLook');

beforeEach(() => {
  job = jobDouble();
  query = new URLSearchParams();
});
function look(asked = '') {
  query = new URLSearchParams(asked);
  const hook = renderHook(() => useLook());
  return {
    get now() {
      return hook.result.current;
    },
    does: (work: (look: ReturnType<typeof useLook>) => unknown) => {
      act(() => void work(hook.result.current));
      hook.rerender();
      return hook.result.current;
    },
  };
}
const ticks = () =>
  job.written.filter(({ kind }) => kind === 'tick').map(({ body }) => body as Record<string, unknown>);

describe('looking over an instrument', () => {
  test('begins at the pads, at what is asked for, or at the pads again', () => {
    expect([look().now.group, look().now.index]).toEqual(['pad', 0]);
    const { parts } = look('group=hinge').now;
    expect(look(`group=hinge&part=${parts[3]}`).now).toMatchObject({ group: 'hinge', index: 3, part: parts[3] });
    expect(look('group=bore').now.group).toBe('pad');
    expect(look('group=hinge&part=nowhere').now.index).toBe(0);
  });
  test('one key a part: a whole stack is looked at in as many keys', () => {
    const shown = look('group=pad');
    const { parts } = shown.now;
    for (let i = 0; i < parts.length; i += 1) shown.does((l) => l.press('n'));
    expect(ticks().map(({ part }) => part)).toEqual(parts);
    expect(new Set(ticks().map(({ says }) => says))).toEqual(new Set(['no-light']));
    expect([shown.now.looked, shown.now.index]).toEqual([parts.length, parts.length - 1]);
  });
  test('what was said of a part is told by its name, not by what it is filed under', () => {
    const shown = look('group=pad');
    const [first = ''] = shown.now.parts;
    const name = job.names.get(first) ?? '';
    expect(name).not.toBe(first);
    shown.does((l) => l.press('n'));
    expect(shown.now.said.startsWith(`${name}: `)).toBe(true);
  });
  test('a key that means nothing here writes nothing', () => {
    const shown = look('group=pad');
    expect(shown.now.press('w')).toBe(false);
    expect(shown.now.press('5')).toBe(false);
    expect(ticks()).toEqual([]);
  });
  test('film carries its thickness, light carries none', () => {
    const shown = look('group=pad');
    shown.does((l) => l.setFilm(0.05));
    shown.does((l) => l.press('d'));
    shown.does((l) => l.press('n'));
    expect(ticks().map(({ film }) => film)).toEqual([0.05, undefined]);
  });
  test('a side is said of the last look, where it has one, and stays when said again', () => {
    const shown = look('group=pad');
    const [first] = shown.now.parts;
    expect(shown.now.toward(90)).toBe(false);
    shown.does((l) => l.press('s'));
    shown.does((l) => l.toward(90));
    shown.does((l) => l.toward(270));
    expect(ticks().at(-1)).toEqual({ group: 'pad', part: first, says: 'free-side', film: 0.02, toward: 270 });
    expect(shown.now.index).toBe(1);
    shown.does((l) => l.press('n'));
    expect(shown.now.toward(90)).toBe(false);
    expect([shown.now.sideOfKey('1'), shown.now.sideOfKey('3'), shown.now.sideOfKey('9')]).toEqual([0, 90, undefined]);
  });
  test('the last look of this group is struck, and its part is gone back to', () => {
    const shown = look('group=pad');
    expect(shown.does((l) => l.undo()).said).toBe('Nothing to strike');
    shown.does((l) => l.press('n'));
    shown.does((l) => l.press('l'));
    shown.does((l) => l.go('post'));
    // Loaded again, the page stands where the hands were.
    expect(window.location.search).toBe('?group=post');
    expect(shown.does((l) => l.undo()).said).toBe('Nothing to strike');
    shown.does((l) => l.go('pad'));
    shown.does((l) => l.undo());
    expect([shown.now.index, shown.now.looked]).toEqual([1, 1]);
    shown.does((l) => l.undo());
    expect([...job.state.ticks.keys()]).toEqual([]);
  });
  test('a good look settles what went with a deeper fault that was put right, and is struck with it', () => {
    const shown = look('group=pad&part=e');
    const id = (n: number) => `00000000-0000-4000-9000-00000000000${n}`;
    const rod = job.type.keys.find((key) => key.id === 'e-key')?.rod ?? '';
    ['f', 'e', 'd'].forEach((part, i) => {
      job.write('observation', { part, about: 'light', sectors: [45, 90, 135] });
      job.write('finding', { finding: id(i), kind: 'pad-leaking', part, severity: 2, status: 'confirmed' });
    });
    job.write('finding', { finding: id(9), kind: 'rod-bent', part: rod, severity: 2, status: 'confirmed' });
    job.write('operation-done', {
      operation: `straighten-rod:${rod}`,
      title: 'Straighten',
      minutes: 5,
      disturbs: [],
      cures: [id(9)],
    });
    shown.does(() => undefined);
    expect(shown.does((l) => l.press('n')).said).toMatch(/pad leaking settled/);
    expect(job.state.findings.get(id(1))?.status).toBe('cured');
    expect(job.state.findings.get(id(0))?.status).toBe('confirmed');
    shown.does((l) => l.undo());
    expect([job.state.findings.get(id(1))?.status, job.state.ticks.size]).toEqual(['confirmed', 0]);
  });
  test('groups are walked one after the other and no further', () => {
    const shown = look('group=pad');
    for (let i = 0; i < 20; i += 1) shown.does((l) => l.otherGroup(1));
    expect(shown.now.group).toBe(shown.now.groups.at(-1));
    for (let i = 0; i < 20; i += 1) shown.does((l) => l.otherGroup(-1));
    expect(shown.now.group).toBe(shown.now.groups[0]);
    expect(shown.does((l) => l.move(-3)).index).toBe(0);
    expect(shown.does((l) => l.move(1000)).index).toBe(shown.now.parts.length - 1);
  });
  test('on a job that takes nothing more nothing is said to be written', () => {
    const shown = look('group=pad');
    job.closed = true;
    shown.does((l) => l.press('n'));
    expect([shown.now.said, shown.now.index, ticks()]).toEqual(['', 0, []]);
  });
  test.each(tickGroups)('%s: every answer is taken on an alto saxophone', (group) => {
    const shown = look(`group=${group}`);
    for (const choice of choicesOf(group)) {
      shown.does((l) => l.goTo(0));
      shown.does((l) => l.answer(choice));
      expect(ticks().at(-1)).toMatchObject({ group, says: choice.id });
    }
  });
});

describe('what waits for another look', () => {
  const say = (part: string, says: string) => job.write('tick', { group: 'pad', part, says } as never);
  const work = (operation: string, disturbs: string[], cures: string[] = []) =>
    job.write('operation-done', { operation, title: operation, minutes: 5, disturbs, cures });
  const finding = (kind: string, part: string) => {
    const id = randomUUID();
    job.write('finding', { finding: id, kind, part, severity: 2, status: 'confirmed' } as never);
    return id;
  };
  const statusOf = (id: string) => job.state.findings.get(id)?.status;

  test('is walked with one key: each place once, neighbours too, round to the first; answers take places out', () => {
    const { parts } = look('group=pad').now;
    const [first = '', second = '', , fourth = ''] = parts;
    for (const part of [first, second, fourth]) say(part, 'no-light');
    work('straighten-body:body', ['pad:*']);
    const shown = look('group=hinge');
    expect(shown.now.again.map(({ part }) => part)).toEqual([first, second, fourth]);
    shown.does((l) => l.nextAgain());
    expect([shown.now.group, shown.now.part]).toEqual(['pad', first]);
    // Answered: the walk has moved to the neighbour by itself, which waits too.
    shown.does((l) => l.press('n'));
    shown.does((l) => l.nextAgain());
    expect(shown.now.part).toBe(second);
    // Passed by without an answer: it stays.
    shown.does((l) => l.nextAgain());
    expect(shown.now.part).toBe(fourth);
    shown.does((l) => l.press('n'));
    shown.does((l) => l.nextAgain());
    expect(shown.now.part).toBe(second);
    shown.does((l) => l.press('n'));
    shown.does((l) => l.nextAgain());
    expect([shown.now.again, shown.now.said]).toEqual([[], 'Nothing waits for another look here.']);
  });
  test('that only an eye can judge is answered with a word', () => {
    const [good, bad] = [finding('dent', 'bell'), finding('dent', 'bow')];
    work('raise-dent:bell', [], [good]);
    work('raise-dent:bow', [], [bad]);
    const shown = look('group=pad');
    expect(shown.now.again).toHaveLength(2);
    const of = (id: string) => shown.now.again.find((each) => each.finding?.finding === id);
    const [first, second] = [of(good), of(bad)];
    if (!first || !second) throw new Error('both were worked on');
    shown.does((l) => l.nextAgain());
    expect(shown.now.group).toBe('pad');
    shown.does((l) => l.sayOf(first, true));
    shown.does((l) => l.sayOf(second, false));
    expect([statusOf(good), statusOf(bad), shown.now.again]).toEqual(['cured', 'confirmed', []]);
  });
});
