/** @jest-environment jsdom */
import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { linkWalk, type LinkStop } from '@holotonos/core';
import { jobDouble, type JobDouble } from './bench';

let job: JobDouble;
let query = new URLSearchParams();
jest.unstable_mockModule('../../src/job/JobContext', () => ({ useJob: () => job }));
jest.unstable_mockModule('next/navigation', () => ({ useSearchParams: () => query }));
const { act, renderHook } = await import('@testing-library/react');
const { forceSteps, useRegulation } = await import('../../src/regulation/useRegulation');

beforeEach(() => {
  job = jobDouble();
  query = new URLSearchParams();
});
type Desk = ReturnType<typeof useRegulation>;
function desk(asked = '') {
  query = new URLSearchParams(asked);
  const hook = renderHook(() => useRegulation());
  return {
    get now() {
      return hook.result.current;
    },
    does: (work: (desk: Desk) => unknown) => {
      act(() => void work(hook.result.current));
      hook.rerender();
      return hook.result.current;
    },
  };
}
const written = (kind: string) =>
  job.written.filter((entry) => entry.kind === kind).map(({ body }) => body as Record<string, unknown>);
const stops = () => linkWalk(job.type);

describe('the round of the links', () => {
  test('begins at the first, or at the one that is asked for; at no link it does not know', () => {
    expect(desk().now.index).toBe(0);
    const third = stops()[2]?.link ?? '';
    const at = stops().findIndex(({ link }) => link === third);
    expect(desk(`link=${third}`).now).toMatchObject({ index: at, stop: { link: third } });
    expect(desk('link=nowhere').now.index).toBe(0);
  });
  test('a letter writes what is seen and goes on; the next key is pressed on the picture', () => {
    const shown = desk();
    expect([...shown.now.pressed]).toContain(shown.now.link?.driver);
    shown.does((d) => d.press('t'));
    expect(written('tick')).toEqual([{ group: 'link', part: stops()[0]?.link, says: 'lands-together', ...heldOf(0) }]);
    expect(shown.now.index).toBe(1);
    expect([...shown.now.pressed]).toContain(shown.now.link?.driver);
    expect(shown.now.said).toMatch(/: both at once/);
  });
  test('a film carries its thickness, and a letter that says nothing writes nothing', () => {
    const shown = desk();
    shown.does((d) => d.press('e'));
    expect(written('tick')[0]).toMatchObject({ says: 'evenly-tight', film: shown.now.pull.film });
    expect(shown.now.press('9')).toBe(false);
    expect(written('tick')).toHaveLength(1);
  });
  test('with keys held it is looked at as a stop of its own', () => {
    const held = stops().findIndex((stop) => stop.held.length > 0);
    const shown = desk();
    shown.does((d) => d.goTo(held));
    expect([...shown.now.pressed]).toEqual(expect.arrayContaining([...(stops()[held]?.held ?? [])]));
    shown.does((d) => d.press('t'));
    expect(written('tick')[0]).toMatchObject({ held: [...(stops()[held]?.held ?? [])] });
    const seen = (at: number) => shown.now.seen(stops()[at] as LinkStop);
    expect(seen(held)).toBeDefined();
    const alone = stops().findIndex(({ link, held: none }) => link === stops()[held]?.link && none.length === 0);
    if (alone !== -1) expect(seen(alone)).toBeUndefined();
  });
  test('counts what was looked at as it is now', () => {
    const shown = desk();
    expect(shown.now.looked).toBe(0);
    shown.does((d) => d.press('t'));
    shown.does((d) => d.press('t'));
    expect(shown.now.looked).toBe(2);
  });
  test('ends neither before the first nor after the last', () => {
    const shown = desk();
    shown.does((d) => d.goTo(-3));
    expect(shown.now.index).toBe(0);
    shown.does((d) => d.goTo(9999));
    expect(shown.now.index).toBe(stops().length - 1);
    shown.does((d) => d.press('t'));
    expect(shown.now.index).toBe(stops().length - 1);
  });
  test('what is not taken stays where it was', () => {
    job.closed = true;
    const shown = desk();
    shown.does((d) => d.press('t'));
    expect([shown.now.index, shown.now.said, job.written]).toEqual([0, '', []]);
  });
});

describe('a lateness by the feeler', () => {
  /** Takes what was typed, and tells what is in the way of it. */
  const take = (shown: ReturnType<typeof desk>, typed: string) => {
    let why: string | null = null;
    shown.does((d) => {
      why = d.takeFigure(typed);
    });
    return why;
  };
  test('is typed in the unit of the job and goes on', () => {
    const shown = desk();
    expect(take(shown, ' 0.04 ')).toBeNull();
    expect(written('reading')).toEqual([
      expect.objectContaining({
        value: 0.04,
        typed: '0.04',
        point: { group: 'link', part: stops()[0]?.link, measure: 'lateness', clock: 0, ...heldOf(0) },
      }),
    ]);
    expect([shown.now.index, shown.now.said]).toEqual([1, expect.stringMatching(/0\.04 late$/)]);
  });
  test('that is no figure is said, and nothing goes on', () => {
    const shown = desk();
    expect(take(shown, 'late')).toMatch(/figure|number/i);
    expect([shown.now.index, written('reading')]).toEqual([0, []]);
  });
  test('asks for a feeler where the shop has none in use', () => {
    const feelers = job.shop.gauges.map((gauge) => (gauge.kind === 'feeler' ? { ...gauge, retired: true } : gauge));
    job.shop = { ...job.shop, gauges: feelers };
    expect(take(desk(), '0.04')).toMatch(/No feeler is in hand/);
  });
});

describe('a setting that is only tried', () => {
  /** a link whose adjuster can be turned either way */
  const turnable = () => {
    const { links } = desk().now.regulation.mechanism;
    const found = links.find(({ adjusts }) => adjusts && adjusts.min < 0 && adjusts.max > 1);
    if (!found?.adjusts) throw new Error('the saxophone has screws');
    return { id: found.id, adjusts: found.adjusts };
  };
  test('moves the picture and the rules by a step, writes nothing, and goes when it comes back', () => {
    const { id, adjusts } = turnable();
    const shown = desk(`link=${id}`);
    const gapOf = () => shown.now.shown.links.find((each) => each.id === id)?.gap ?? NaN;
    const before = gapOf();
    expect(shown.now.rulesTried).toBeNull();
    shown.does((d) => d.tryStep(1));
    expect([shown.now.triedSteps(id), job.written]).toEqual([1, []]);
    expect(gapOf() - before).toBeCloseTo(adjusts.step, 9);
    expect(shown.now.rulesTried).not.toBeNull();
    shown.does((d) => d.tryStep(-1));
    expect([shown.now.tried.size, shown.now.rulesTried]).toEqual([0, null]);
    expect(shown.now.triedSteps('nowhere')).toBe(0);
  });
  test('goes as far as the adjuster goes, and no further', () => {
    const { id, adjusts } = turnable();
    const shown = desk(`link=${id}`);
    for (let i = 0; i < adjusts.max; i += 1) shown.does((d) => d.tryStep(1));
    expect(shown.now.triedSteps(id)).toBe(adjusts.max);
    expect(shown.now.tryStep(1)).toBe(false);
  });
  test('is written as it was tried, with its steps and what they change', () => {
    const { id, adjusts } = turnable();
    const shown = desk(`link=${id}`);
    shown.does((d) => d.tryStep(1));
    shown.does((d) => d.tryStep(1));
    shown.does((d) => d.turnTried());
    expect(written('adjustment')).toEqual([{ link: id, steps: 2, change: 2 * adjusts.step }]);
    expect([shown.now.tried.size, shown.now.said]).toEqual([0, 'Set as tried. Look at each again.']);
  });
  test('a turn that was advised is written, and its link asked for again', () => {
    const { id, adjusts } = turnable();
    const shown = desk();
    shown.does((d) => d.tryStep(1));
    shown.does((d) => d.goTo(3));
    shown.does((d) => d.turn(id, 1, adjusts.step));
    expect(written('adjustment')).toEqual([{ link: id, steps: 1, change: adjusts.step }]);
    expect([shown.now.stop?.link, shown.now.stop?.held, shown.now.tried.size]).toEqual([id, [], 0]);
    expect(shown.now.said).toMatch(/: set\. Look at it again\.$/);
  });
});

describe('what is pressed', () => {
  test('harder and lighter by steps, between nothing and the most', () => {
    const shown = desk();
    const { touch } = shown.now;
    shown.does((d) => d.pressBy(1));
    expect(shown.now.touch).toBeCloseTo(touch + forceSteps.step, 9);
    shown.does((d) => d.pressBy(-999));
    expect(shown.now.touch).toBe(forceSteps.min);
    shown.does((d) => d.pressBy(999));
    expect(shown.now.touch).toBe(forceSteps.max);
  });
  test('another key comes down and up again; the one at hand stays down', () => {
    const shown = desk();
    const driver = shown.now.link?.driver ?? '';
    const other = job.type.keys.find(({ id }) => !shown.now.pressed.has(id))?.id ?? '';
    expect([shown.now.mayRelease(driver), shown.now.mayRelease(other)]).toEqual([false, false]);
    shown.does((d) => d.toggle(other));
    expect([shown.now.pressed.has(other), shown.now.mayRelease(other)]).toEqual([true, true]);
    expect(shown.now.forcesAt(0.4)).toMatchObject({ [other]: 0.4, [driver]: 0.4 });
    shown.does((d) => d.toggle(other));
    expect(shown.now.pressed.has(other)).toBe(false);
    shown.does((d) => d.toggle(other));
    shown.does((d) => d.goTo(1));
    expect(shown.now.mayRelease(other)).toBe(false);
  });
});

function heldOf(at: number) {
  const held = stops()[at]?.held ?? [];
  return held.length > 0 ? { held: [...held] } : {};
}
