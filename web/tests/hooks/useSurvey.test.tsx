/** @jest-environment jsdom */
import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { lightClocks, stationPlaces, surveyStations } from '@holotonos/core';
import { jobDouble, type JobDouble } from './bench';

let job: JobDouble;
let query = new URLSearchParams();
jest.unstable_mockModule('../../src/job/JobContext', () => ({ useJob: () => job }));
jest.unstable_mockModule('next/navigation', () => ({ useSearchParams: () => query }));
const { act, renderHook } = await import('@testing-library/react');
const { useSurvey } = await import('../../src/app/jobs/[ticket]/survey/_survey/useSurvey');

beforeEach(() => {
  job = jobDouble();
  query = new URLSearchParams();
});
/** The survey as shown, drawn anew after each thing that is done. */
function survey(asked = '') {
  query = new URLSearchParams(asked);
  const hook = renderHook(() => useSurvey());
  return {
    get now() {
      return hook.result.current;
    },
    does: (work: (survey: ReturnType<typeof useSurvey>) => unknown) => {
      act(() => void work(hook.result.current));
      hook.rerender();
      return hook.result.current;
    },
  };
}
const bodies = (kind: string) =>
  job.written.filter((each) => each.kind === kind).map(({ body }) => body as Record<string, unknown>);
const last = () => bodies('finding').at(-1);

describe('where the survey stands', () => {
  test('it begins at the first station not looked at, at the place asked for', () => {
    expect([survey().now.here.id, survey().now.index]).toEqual(['joints', 0]);
    job.write('survey', { station: 'joints', outcome: 'looked' });
    job.write('survey', { station: 'body', outcome: 'skipped' });
    expect(survey().now.here.id).toBe('holes');
    const places = stationPlaces(job.type, 'pads');
    const wanted = places[3];
    expect(survey(`station=pads&part=${wanted?.part}`).now).toMatchObject({ index: 3, place: { part: wanted?.part } });
    expect(survey('station=pads&part=nowhere').now.index).toBe(0);
    expect(survey('station=cellar').now.here.id).toBe('holes');
    for (const station of surveyStations) job.write('survey', { station, outcome: 'looked' });
    expect(survey().now.here.id).toBe('joints');
  });
  test('places are walked within the station and no further', () => {
    const shown = survey('station=pads');
    const count = shown.now.places.length;
    expect(count).toBeGreaterThan(10);
    expect(shown.does((s) => s.move(-1)).index).toBe(0);
    expect(shown.does((s) => s.move(2)).index).toBe(2);
    expect(shown.does((s) => s.move(1)).index).toBe(3);
    expect(shown.does((s) => s.move(1000)).index).toBe(count - 1);
    expect(window.location.search).toBe('?station=pads');
  });
  test('a place pressed on the strip is gone to, one of another station is not', () => {
    const shown = survey('station=pads');
    const part = shown.now.places[5]?.part ?? '';
    expect(shown.does((s) => s.pick(part)).place?.part).toBe(part);
    expect(shown.does((s) => s.pick('no-such-part')).place?.part).toBe(part);
  });
  test('a station is ended as looked at or passed over, and the next one comes', () => {
    const shown = survey();
    shown.does((s) => s.finish('looked'));
    expect([shown.now.here.id, shown.now.said]).toEqual(['body', 'Joints looked at']);
    shown.does((s) => s.finish('skipped'));
    expect([shown.now.here.id, shown.now.said]).toEqual(['holes', 'Body passed over']);
    expect(bodies('survey')).toEqual([
      { station: 'joints', outcome: 'looked' },
      { station: 'body', outcome: 'skipped' },
    ]);
    expect(shown.does((s) => s.back()).here.id).toBe('body');
    shown.does((s) => s.back());
    expect(shown.does((s) => s.back()).here.id).toBe('joints');
    const end = survey(`station=${surveyStations.at(-1)}`);
    expect(end.does((s) => s.finish('looked')).here.id).toBe(surveyStations.at(-1));
    job.closed = true;
    expect(end.does((s) => s.finish('skipped')).said).toMatch(/looked at$/);
  });
});

describe('a fault by one key', () => {
  test('is written, and pressed again made worse, until it is as bad as can be', () => {
    const shown = survey();
    const part = shown.now.place?.part;
    let meant = false;
    shown.does((s) => (meant = s.fault('l')));
    expect(meant).toBe(true);
    expect(last()).toMatchObject({ kind: 'joint-loose', part, severity: 2, status: 'confirmed' });
    const id = last()?.finding;
    shown.does((s) => s.fault('l'));
    expect(last()).toMatchObject({ finding: id, severity: 3 });
    expect(shown.now.said).toBe('Made worse');
    const count = bodies('finding').length;
    shown.does((s) => s.fault('l'));
    expect(bodies('finding')).toHaveLength(count);
    expect(shown.now.findingsHere).toMatchObject([{ finding: id, severity: 3 }]);
    expect(shown.now.said).toMatch(/as bad as/);
    expect(shown.now.findingsHere).toHaveLength(1);
  });
  test('another key writes another; one that means nothing here writes nothing', () => {
    const shown = survey();
    shown.does((s) => s.fault('l'));
    shown.does((s) => s.fault('c'));
    expect(last()).toMatchObject({ kind: 'cork-worn', note: 'tape, grease or worn cork stands in for fit' });
    expect(shown.now.findingsHere).toHaveLength(2);
    expect(shown.now.last?.kind).toBe('cork-worn');
    expect(shown.does((s) => s.fault('q')) && job.written).toHaveLength(2);
    expect(shown.now.fault('q')).toBe(false);
  });
  test('the same kind with another note is another finding', () => {
    const shown = survey('station=springs');
    for (const press of ['k', 'r', 'k']) shown.does((s) => s.fault(press));
    expect(shown.now.findingsHere.map(({ note, severity }) => [note, severity])).toEqual([
      ['kinked', 3],
      ['rusted', 2],
    ]);
  });
  test('two dents on one section are two when they sit at two spots, one when at the same', () => {
    const shown = survey('station=body');
    const part = shown.now.place?.part ?? '';
    const dent = (at: number) => {
      shown.does((s) => s.pick(part, { section: part, at, clock: 90 }));
      expect(shown.now.spot).toMatchObject({ at });
      shown.does((s) => s.fault('d'));
    };
    dent(100);
    dent(140);
    expect(shown.now.findingsHere).toHaveLength(2);
    dent(108);
    expect(shown.now.findingsHere.map(({ severity }) => severity).sort((a, b) => a - b)).toEqual([2, 3]);
    dent(108.5);
    expect(shown.now.findingsHere).toHaveLength(3);
  });
  test('what was found last is graded, doubted, noted and put in its place', () => {
    const shown = survey();
    shown.does((s) => s.setSeverity(3));
    shown.does((s) => s.doubt());
    expect(job.written).toEqual([]);
    shown.does((s) => s.fault('l'));
    shown.does((s) => s.setSeverity(1));
    expect(last()).toMatchObject({ severity: 1 });
    shown.does((s) => s.worsen(-1));
    expect(last()).toMatchObject({ severity: 1 });
    shown.does((s) => s.worsen(1));
    shown.does((s) => s.worsen(1));
    shown.does((s) => s.worsen(1));
    expect(last()).toMatchObject({ severity: 3 });
    shown.does((s) => s.doubt());
    expect(last()).toMatchObject({ status: 'suspected' });
    shown.does((s) => s.doubt());
    expect(last()).toMatchObject({ status: 'confirmed' });
    shown.does((s) => s.note('since it fell'));
    expect(last()).toMatchObject({ note: 'since it fell', severity: 3 });
    shown.does((s) => s.fault('t'));
    const [first] = shown.now.findingsHere;
    shown.does((s) => s.choose(first?.finding ?? ''));
    shown.does((s) => s.setSeverity(2));
    expect(last()).toMatchObject({ kind: 'joint-loose', severity: 2 });
  });
  test('a declined finding is not there any more, and the key writes a new one', () => {
    const shown = survey();
    shown.does((s) => s.fault('l'));
    job.write('finding', { ...(last() as object), status: 'declined' } as never);
    shown.does(() => undefined);
    expect(shown.now.findingsHere).toEqual([]);
    shown.does((s) => s.fault('l'));
    expect(new Set(bodies('finding').map(({ finding }) => finding)).size).toBe(2);
  });
  test('on a job that takes nothing more nothing is said to be written', () => {
    const shown = survey();
    job.closed = true;
    shown.does((s) => s.fault('l'));
    expect([shown.now.said, shown.now.last, job.written]).toEqual(['', null, []]);
  });
});

describe('the leak light', () => {
  test('sectors are pressed and let go, and written in the order of the clock with the finding they amount to', () => {
    const shown = survey('station=pads');
    for (const clock of [45, 0, 90, 315, 90]) shown.does((s) => s.toggleSector(clock));
    expect(shown.now.pressed).toBe(true);
    expect(shown.now.sectors).toEqual([45, 0, 315]);
    shown.does((s) => s.writeLight(s.sectors));
    expect(bodies('observation')).toEqual([{ part: shown.now.place?.part, about: 'light', sectors: [0, 45, 315] }]);
    expect(last()).toMatchObject({ kind: 'pad-leaking', severity: 2, status: 'confirmed' });
    expect(shown.now.pressed).toBe(false);
    expect(shown.now.sectors).toEqual([0, 45, 315]);
    // Of the same kind but another picture: the finding says the new one, once.
    const id = last()?.finding;
    shown.does((s) => s.writeLight([135, 180, 225]));
    expect(last()).toMatchObject({ finding: id });
    const said = last()?.note;
    const count = bodies('finding').length;
    shown.does((s) => s.writeLight([135, 180, 225]));
    expect(bodies('finding')).toHaveLength(count);
    expect(shown.now.said).toContain(String(said));
  });
  test.each([
    [[45], 1],
    [[0, 45], 1],
    [[0, 45, 90], 2],
    [[0, 45, 90, 135, 180], 2],
    [[0, 45, 90, 135, 180, 225], 3],
    [[...lightClocks], 3],
  ])('open at %j is severity %i', (open, severity) => {
    const shown = survey('station=pads');
    shown.does((s) => s.writeLight(open));
    expect(last()).toMatchObject({ severity });
  });
  test('no light is seen too, and is no fault; what is no sector is left out', () => {
    const shown = survey('station=pads');
    shown.does((s) => s.writeLight([]));
    expect(bodies('observation')).toMatchObject([{ sectors: [] }]);
    expect(bodies('finding')).toEqual([]);
    shown.does((s) => s.writeLight([10, 180]));
    expect(bodies('observation').at(-1)).toMatchObject({ sectors: [180] });
  });
  test('sectors pressed at one pad are not taken to the next', () => {
    const shown = survey('station=pads');
    shown.does((s) => s.toggleSector(0));
    expect(shown.does((s) => s.move(1)).sectors).toEqual([]);
  });
});

describe('which lands first', () => {
  const hole = (part: string) => survey(`station=pads&part=${part}`);
  test('every link of a pad is asked in turn, and each keeps its own answer', () => {
    const shown = hole('f-sharp');
    const links = shown.now.links.map(({ id }) => id);
    expect(links).toEqual(
      expect.arrayContaining(['f-to-f-sharp', 'e-to-f-sharp', 'd-to-f-sharp', 'f-sharp-to-g-sharp']),
    );
    expect(shown.now.link?.id).toBe(links[0]);
    shown.does((s) => s.land('follower'));
    shown.does((s) => s.land('driver'));
    shown.does((s) => s.nextLink());
    shown.does((s) => s.land('together'));
    const seen = (id: string | undefined) => job.state.observations.get(`landing:${id}`)?.lands;
    expect([0, 1, 2, 3].map((i) => seen(links[i]))).toEqual(['follower', 'driver', undefined, 'together']);
    for (let i = 0; i < 10; i += 1) shown.does((s) => s.nextLink());
    expect(links).toContain(shown.now.link?.id);
    shown.does((s) => s.move(1));
    expect(shown.now.link?.id).toBe(shown.now.links[0]?.id);
  });
  test('a pad without links asks nothing, nor does another station', () => {
    const shown = hole('low-b-flat');
    expect(survey('station=holes').now.links).toEqual([]);
    const count = job.written.length;
    survey('station=holes').does((s) => s.land('driver'));
    expect(job.written).toHaveLength(count);
    expect(shown.now.links.map(({ id }) => id)).toContain('low-b-flat-lever-to-low-b-flat');
  });
});

describe('the last thing is struck', () => {
  test('a picture goes with the finding it was written with', () => {
    const shown = survey('station=pads');
    shown.does((s) => s.writeLight([315, 0, 45]));
    shown.does((s) => s.writeLight([]));
    expect(shown.now.findingsHere).toEqual([]);
    expect(shown.now.sectors).toEqual([]);
    // Taking back that it is dark brings back the light and what it meant.
    shown.does((s) => s.undo());
    expect(shown.now.findingsHere).toMatchObject([{ kind: 'pad-leaking', status: 'confirmed' }]);
    expect(shown.now.sectors).toEqual([0, 45, 315]);
    shown.does((s) => s.undo());
    expect([shown.now.findingsHere, shown.now.seen]).toEqual([[], undefined]);
    expect(shown.does((s) => s.undo()).said).toBe('Nothing to strike');
  });

  test('finding or observation, and then the one before; other entries stay', () => {
    const shown = survey();
    expect(shown.does((s) => s.undo()).said).toBe('Nothing to strike');
    shown.does((s) => s.fault('l'));
    shown.does((s) => s.fault('t'));
    shown.does((s) => s.finish('looked'));
    shown.does((s) => s.undo());
    expect(shown.now.said).toBe('Struck');
    expect(bodies('strike')).toMatchObject([{ reason: 'undone at the survey' }]);
    shown.does((s) => s.undo());
    expect([...job.state.findings.values()]).toEqual([]);
    expect(shown.does((s) => s.undo()).said).toBe('Nothing to strike');
  });
});
