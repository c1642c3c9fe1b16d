/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { judgeJob, jobPlan, planBasis, shippedTypes, applyOptions, type EntryOf, type NewEntry } from '@holotonos/core';
import { randomUUID } from 'node:crypto';
import type { ReactElement } from 'react';
import { answered, fetchDouble, jobDouble, type JobDouble } from '../hooks/bench';
import { drawnAnew } from './drawnAnew';

const now = '2026-11-25T10:00:00.000Z';
let job: JobDouble;
/** What more of a job the form at hand looks at. */
let more: Record<string, unknown> = {};
const { write, useWritten } = drawnAnew(() => job);
jest.unstable_mockModule('../../src/job/JobContext', () => ({
  unnamed: 'at the bench',
  useJob: () => {
    useWritten();
    const { ticket, state, type, shop } = job;
    return { ...more, ticket, state, type, names, shop, now, write };
  },
}));
jest.unstable_mockModule('@/photos/PhotoTaker', () => ({ PhotoTaker: () => null }));
jest.unstable_mockModule('../../src/job/JobShell', () => import('./jobFrame'));
const { cleanup, fireEvent, render, screen } = await import('@testing-library/react');
const { alerts, button, field, press, tick, type } = await import('./shopBench');
const { BenchProvider } = await import('../../src/frame/BenchContext');
const { AnswerForm } = await import('../../src/app/jobs/[ticket]/estimate/_estimate/AnswerForm');
const { CostsForm } = await import('../../src/app/jobs/[ticket]/estimate/_estimate/CostsForm');
const { FindingsView } = await import('../../src/app/jobs/[ticket]/findings/_findings/FindingsView');
const { OwnerLinks } = await import('../../src/app/jobs/[ticket]/estimate/_estimate/OwnerLinks');
const { SetAside } = await import('../../src/job/SetAside');
const { NoteForm } = await import('../../src/app/jobs/[ticket]/_overview/NoteForm');
const { AddStep, HandChange } = await import('../../src/app/jobs/[ticket]/_plan/HandChange');
const { RowForm } = await import('../../src/app/jobs/[ticket]/instrument/_instrument/RowForm');

const names = new Map([
  ['instrument', 'Whole instrument'],
  ['low-b', 'Low B'],
]);
const show = (element: ReactElement) => render(<BenchProvider zone="Europe/Berlin">{element}</BenchProvider>);
const bodies = () => job.written.map(({ kind, body }) => [kind, body] as const);

beforeEach(() => {
  job = jobDouble();
  more = {};
});
afterEach(cleanup);

describe('costs', () => {
  test('a sum that can be read is written, and the form is empty again; what is dropped is kept in the logbook', async () => {
    show(<CostsForm currency="EUR" />);
    await press('Add it');
    expect(alerts()).toEqual(['Say what it is: the owner reads it.']);
    type('What', ' Guard screw ');
    const sum = screen.getAllByRole('textbox').at(-1) as HTMLInputElement;
    fireEvent.change(sum, { target: { value: 'dear' } });
    const add = screen.getAllByRole('button').at(-1) as HTMLButtonElement;
    fireEvent.submit(sum.form as HTMLFormElement);
    expect([job.written, field('What').value]).toEqual([[], ' Guard screw ']);
    expect(alerts().join()).toMatch(/^Type what it costs/);
    fireEvent.change(sum, { target: { value: '3,20' } });
    fireEvent.click(add);
    expect(bodies()).toEqual([['cost', { cost: expect.any(String), kind: 'part', what: 'Guard screw', amount: 320 }]]);
    expect(field('What').value).toBe('');
    await press('Do not charge Guard screw');
    expect(bodies().at(-1)).toEqual(['cost', expect.objectContaining({ what: 'Guard screw', dropped: true })]);
  });
});

describe('the owner’s answer', () => {
  const estimate = (change: object = {}) =>
    ({
      id: randomUUID(),
      kind: 'estimate',
      body: {
        estimate: randomUUID(),
        title: 'Only what is needed',
        scope: 'overhaul',
        practice: 'keeper',
        operations: ['renew-pads:instrument', 'straighten-body:body'],
        ...change,
      },
    }) as unknown as EntryOf<'estimate'>;
  /** The answer is checked against estimates that are there; here the form is what is asked. */
  const taking = () => {
    const written: (readonly [string, Record<string, unknown>])[] = [];
    jest.spyOn(job, 'write').mockImplementation((kind, body) => written.push([kind, body as never]) > 0);
    return written;
  };
  test('accepted: one entry says it; scope and practice follow from it', async () => {
    const written = taking();
    show(<AnswerForm estimate={estimate()} />);
    expect(field('On').value).toBe('2026-11-25');
    type('Said by', ' Ms Tam ');
    await press('Write down the answer');
    expect(written.map(([kind]) => kind)).toEqual(['agreement']);
    expect(written[0]?.[1]).toMatchObject({ answer: 'accepted', on: '2026-11-25', by: 'Ms Tam' });
    expect(written[0]?.[1]).not.toHaveProperty('note');
  });
  test('accepted with changes: the steps left out are named', async () => {
    const written = taking();
    show(<AnswerForm estimate={estimate()} />);
    tick('Accepts it with changes');
    const [first, second] = screen.getAllByRole('checkbox') as [HTMLElement, HTMLElement];
    fireEvent.click(first);
    fireEvent.click(second);
    fireEvent.click(first);
    await press('Write down the answer');
    expect(written[0]?.[1]).toMatchObject({ answer: 'changed', without: ['straighten-body:body'] });
  });
  test.each([
    ['refused', {}],
    ['accepted', { changeOf: randomUUID() }],
  ])('refused, or accepted as a change of another (%s): nothing else is changed', async (answer, change) => {
    const written = taking();
    show(<AnswerForm estimate={estimate(change)} />);
    if (answer === 'refused') tick('Does not want it');
    await press('Write down the answer');
    expect(written.map(([kind]) => kind)).toEqual(['agreement']);
  });
  test('without a day there is no answer', () => {
    show(<AnswerForm estimate={estimate()} />);
    type('On', '');
    expect(button('Write down the answer').disabled).toBe(true);
  });
});

describe('a link for the owner', () => {
  const real = globalThis.fetch;
  afterEach(() => {
    globalThis.fetch = real;
  });
  const server = (answer: () => Response | Promise<Response>) => {
    const { asked, double } = fetchDouble(answer);
    globalThis.fetch = double;
    show(<OwnerLinks />);
    return asked;
  };
  test('is asked for with its day, and shown once', async () => {
    const asked = server(() => answered(201, { path: '/owner/T-1/secret' }));
    await press('Make a link');
    expect(field('The link').value).toBe(`${window.location.origin}/owner/T-1/secret`);
    expect(asked.map(({ url, init }) => [url.split('?')[0], JSON.parse(String(init?.body))])).toEqual([
      ['/api/v1/jobs/T-1/owner-link', { until: '2027-01-24', photos: [] }],
    ]);
  });
  test.each<[string, () => Response | Promise<Response>, RegExp]>([
    ['no answer', () => Promise.reject(new TypeError('Failed to fetch')), /does not answer/],
    ['a refusal', () => answered(403, { message: 'Only an owner of the shop may do that.' }), /Only an owner/],
    [
      'an answer that breaks off',
      () => ({ ok: true, status: 201, json: () => Promise.reject(new TypeError('gone')) }) as unknown as Response,
      /Take the link back and make another/,
    ],
  ])('after %s says what happened, and shows none', async (_, answer, words) => {
    server(answer);
    await press('Make a link');
    expect(alerts().join()).toMatch(words);
    expect(screen.queryByLabelText('The link')).toBeNull();
  });
});

describe('findings', () => {
  test('what can be wrong at a place is offered first, all else after it, and nothing is lost', async () => {
    more = { judgement: { suggestions: [] } };
    show(<FindingsView />);
    const groups = () =>
      [...screen.getByLabelText('What').querySelectorAll('optgroup')].map((each) =>
        [...each.children].map((option) => (option as HTMLOptionElement).value),
      );
    const all = [...(screen.getByLabelText('What') as HTMLSelectElement).options].map(({ value }) => value);
    expect([groups(), field('What').value]).toEqual([[], 'dirt']);
    type('Where', 'bell');
    const [likely = [], others = []] = groups();
    expect(likely).toContain('bell-turned');
    expect(likely).not.toContain('spring-missing');
    expect([...likely, ...others].sort()).toEqual([...all].sort());
    expect(field('What').value).toBe(likely[0]);
    await press('Write it down');
    expect(bodies()).toEqual([['finding', expect.objectContaining({ kind: likely[0], part: 'bell' })]]);
  });
  test('what a person saw is written down as it was chosen', async () => {
    more = { judgement: { suggestions: [] } };
    show(<FindingsView />);
    type('What', 'dirt');
    // Parts are offered, notes are not: they have no place of their own.
    const offered = [...(screen.getByLabelText('Where') as HTMLSelectElement).options].map(({ value }) => value);
    expect([offered.includes('low-b'), offered.includes('b-flat-3-1')]).toEqual([true, false]);
    type('Where', 'low-b');
    type('How bad', '3');
    type('Note', 'green');
    await press('Write it down');
    expect(bodies()).toEqual([
      [
        'finding',
        expect.objectContaining({ kind: 'dirt', part: 'low-b', severity: 3, status: 'confirmed', note: 'green' }),
      ],
    ]);
    expect(field('Note').value).toBe('');
    expect(screen.getByText(/1 finding open/)).toBeTruthy();
    // What was chosen stays wherever the place goes; before, it is the first that the place can have.
    type('Where', 'neck');
    expect(field('What').value).toBe('dirt');
    await press('Leave as it is');
    expect(bodies().at(-1)?.[1]).toMatchObject({ status: 'left', part: 'low-b' });
  });
  test('a suspicion can be confirmed', async () => {
    more = { judgement: { suggestions: [] } };
    job.write('finding', {
      finding: randomUUID(),
      kind: 'dent',
      part: 'low-b',
      severity: 1,
      status: 'suspected',
      note: '',
    });
    show(<FindingsView />);
    await press('Confirm');
    expect(bodies().at(-1)?.[1]).toMatchObject({ kind: 'dent', severity: 1, status: 'confirmed' });
  });
});

describe('the plan, by hand', () => {
  const planned = () => {
    job.write('finding', {
      finding: randomUUID(),
      kind: 'dent',
      part: 'body',
      severity: 2,
      status: 'confirmed',
      note: '',
    });
    const plan = jobPlan(
      job.state,
      job.type,
      judgeJob(job.state, job.type),
      now,
      planBasis(job.shop, new Map() as never),
    );
    more = { plan };
    return plan.steps;
  };
  test('a step is put before another, or given a time, with a reason', async () => {
    const [first, second] = planned();
    if (!first || !second) throw new Error('the plan has two steps');
    show(<HandChange step={second} />);
    const before = bodies().length;
    const refused = async (label: string, said: RegExp) => {
      await press('Change the plan');
      expect(alerts().join()).toMatch(said);
      // What is wrong stands at its field.
      expect(field(label).getAttribute('aria-describedby')).toBe(screen.getByText(said).id);
    };
    await refused('Likely minutes', /before which step it comes, or how long/);
    type('Put it before', first.id);
    await refused('Why', /Say why/);
    type('Why', 'the vice is taken');
    type('Likely minutes', 'long');
    await refused('Likely minutes', /Type minutes/);
    expect(bodies()).toHaveLength(before);
    type('Likely minutes', '20');
    await press('Change the plan');
    expect(bodies().at(-1)).toEqual([
      'plan-change',
      {
        operation: second.id,
        reason: 'the vice is taken',
        before: first.id,
        minutes: { low: 14, likely: 20, high: 32 },
      },
    ]);
    expect([field('Why').value, field('Likely minutes').value, field('Put it before').value]).toEqual(['', '', '']);
    await press('Take the change back');
    expect(bodies().at(-1)?.[1]).toMatchObject({ operation: second.id, withdrawn: true });
  });
  test('a step that is refused leaves what was typed', async () => {
    const [first] = planned();
    if (!first) throw new Error('the plan has a step');
    show(<HandChange step={first} />);
    type('Why', 'because');
    type('Likely minutes', '20');
    job.closed = true;
    await press('Change the plan');
    expect([field('Why').value, field('Likely minutes').value]).toEqual(['because', '20']);
  });
  test('a step nobody asked for is added, on a part where it has one', async () => {
    planned();
    show(<AddStep />);
    const add = /^Add the step to the plan of this alto saxophone/;
    const refused = async (label: string, said: RegExp) => {
      const before = bodies().length;
      await press(add);
      expect([bodies().length, alerts().join()]).toEqual([before, expect.stringMatching(said)]);
      expect(field(label).getAttribute('aria-describedby')).toBe(screen.getByText(said).id);
    };
    await refused('Step', /Choose which step/);
    type('Step', 'soak-stuck');
    await refused('On', /Choose on which part/);
    type('On', 'low-b');
    type('Why', ' ');
    await refused('Why', /Say why/);
    type('Why', 'owner wants it');
    await press(add);
    expect(bodies().at(-1)?.[1]).toMatchObject({
      operation: 'soak-stuck:low-b',
      add: { kind: 'soak-stuck', part: 'low-b' },
      reason: 'owner wants it',
    });
    expect([field('Step').value, field('Why').value]).toEqual(['', '']);
  });
});

describe('a part of the instrument', () => {
  const [shipped] = shippedTypes;
  const alto = applyOptions(shipped as NonNullable<typeof shipped>, []);
  type Done = Parameters<typeof RowForm>[0]['onDone'];
  const form = (onDone: Done, of: Partial<Parameters<typeof RowForm>[0]> = {}) =>
    show(<RowForm type={alto} unit="mm" list="holes" action="Add it" onDone={onDone} {...of} />);
  test('a new one leaves the form ready for the next', async () => {
    const taken: unknown[] = [];
    form((...row) => taken.push(row) > 0);
    type('Tone hole, in your own words', ' The odd one ');
    type('From its upper end, mm', '120,5');
    type('Diameter, mm', '9');
    await press('Add it');
    expect(taken).toEqual([['The odd one', { at: '120,5', diameter: '9' }]]);
    expect([field('Tone hole, in your own words').value, field('From its upper end, mm').value]).toEqual(['', '']);
    expect(field('Diameter, mm').value).toBe('9');
  });
  test('one that is not taken stays as it was typed; what is wrong is said of its field, until it is right', async () => {
    let wrong: ReturnType<Done> = { field: 'clock', words: 'Clock: Type a figure' };
    form(() => wrong);
    type('Tone hole, in your own words', 'X');
    type('Clock, °', 'up');
    await press('Add it');
    expect([field('Tone hole, in your own words').value, field('Clock, °').value]).toEqual(['X', 'up']);
    expect(alerts()).toEqual(['Clock: Type a figure']);
    const told = (label: string) => [
      field(label).classList.contains('is-invalid'),
      field(label).getAttribute('aria-describedby') === screen.getByRole('alert').id,
    ];
    expect(['Clock, °', 'Diameter, mm', 'Tone hole, in your own words'].map(told)).toEqual([
      [true, true],
      [false, false],
      [false, false],
    ]);
    wrong = { field: 'name', words: 'Give it a name' };
    await press('Add it');
    expect(['Clock, °', 'Tone hole, in your own words'].map(told)).toEqual([
      [false, false],
      [true, true],
    ]);
    // Refused as a whole: whoever refuses says why.
    wrong = false;
    await press('Add it');
    expect([alerts(), field('Clock, °').value]).toEqual([[''], 'up']);
  });
  test('one that is there stands as it is known; a figure nobody measured stands behind its field', () => {
    const [hole] = alto.holes;
    if (!hole) throw new Error('an alto has holes');
    form(() => true, {
      unit: 'in',
      row: { ...hole, at: 127, chimney: 2.54, assumed: ['chimney'] },
      action: 'Change it',
    });
    expect([field('Tone hole, in your own words').value, field('From its upper end, in').value]).toEqual([
      hole.name,
      '5',
    ]);
    expect([field('Chimney, in').value, field('Chimney, in').placeholder]).toEqual(['', '0.1, assumed']);
  });
});

describe('the logbook, written in by hand', () => {
  test('a note; without a word in it nothing is written, and it says so', async () => {
    show(<NoteForm />);
    const note = () => screen.getByRole<HTMLTextAreaElement>('textbox', { name: 'Note' });
    await press('Write it down');
    expect([bodies(), alerts(), note().getAttribute('aria-describedby')]).toEqual([
      [],
      ['Write something first.'],
      screen.getByRole('alert').id,
    ]);
    fireEvent.change(note(), { target: { value: 'The case smells of smoke.' } });
    await press('Write it down');
    expect([bodies(), alerts(), note().value]).toEqual([[['note', { text: 'The case smells of smoke.' }]], [''], '']);
  });
  test('a decision wants its question, what was chosen and why; what is there already stays', async () => {
    show(<NoteForm />);
    tick('Decision');
    const wanted = [
      ['What had to be decided', 'Lacquer', 'Say what had to be decided.'],
      ['What was decided', 'left as it is', 'Say what was decided.'],
      ['Why', 'the owner likes it worn', /^Say why/],
    ] as const;
    for (const [label, typed, said] of wanted) {
      await press('Write it down');
      expect([bodies(), alerts().join()]).toEqual([[], expect.stringMatching(said)]);
      expect(wanted.map(([each]) => field(each).classList.contains('is-invalid'))).toEqual(
        wanted.map(([each]) => each === label),
      );
      type(label, typed);
    }
    await press('Write it down');
    expect(bodies()).toEqual([
      ['decision', { question: 'Lacquer', choice: 'left as it is', reason: 'the owner likes it worn' }],
    ]);
    expect(wanted.map(([label]) => field(label).value)).toEqual(['', '', '']);
  });
});

describe('an entry that was set aside', () => {
  const entry = {
    id: randomUUID(),
    kind: 'finding',
    body: { finding: randomUUID(), kind: 'dent', part: 'body', severity: 7, status: 'confirmed', note: 'deep' },
    author: 'Juno Tam',
    benchTime: now,
  } as unknown as NewEntry;
  const said: unknown[] = [];
  beforeEach(() => {
    said.length = 0;
    more = {
      aside: [{ entry, problems: [{ path: '/body/severity', message: 'must be 3 at most' }] }],
      sendAgain: (...what: unknown[]) => said.push(what),
      letGo: (id: string) => said.push(['gone', id]),
    };
  });
  test('is said with its place, sent as it is, or given up', async () => {
    show(<SetAside />);
    expect(screen.getByText(/severity must be 3 at most/)).toBeTruthy();
    await press(/^Send it again/);
    await press(/^Give it up/);
    expect(said).toEqual([[entry.id], ['gone', entry.id]]);
  });
  test('is typed anew under another id; what is still wrong is said and nothing is sent', async () => {
    show(<SetAside />);
    await press(/^Change it/);
    type('severity', 'much');
    await press('Send it so');
    expect(alerts().join()).toMatch(/severity must be a figure/);
    type('severity', '9');
    await press('Send it so');
    expect([alerts().at(-1), said]).toEqual([expect.stringMatching(/^severity must be/), []]);
    type('severity', '3');
    type('note', 'deep, at the crook');
    await press('Send it so');
    expect(said).toEqual([
      [
        entry.id,
        {
          ...entry,
          id: expect.not.stringMatching(entry.id),
          body: { ...entry.body, severity: 3, note: 'deep, at the crook' },
        },
      ],
    ]);
  });
  test('where nothing was set aside nothing stands there', () => {
    more = { aside: [] };
    const { container } = show(<SetAside />);
    expect(container.textContent).toBe('');
  });
});
