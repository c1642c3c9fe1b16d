import { describe, expect, test } from '@jest/globals';
import { flat, saddle, sax, TestJob, uuid } from '../../tests/testJob';
import { misfits, type NewEntry } from '../job';
import { linkOpens, ownerView, type OwnerView } from '.';

const photo = uuid(8001);
const other = uuid(8002);
const estimate = (n: number, more: object = {}) => ({
  estimate: uuid(n),
  title: 'Only what is needed',
  practice: 'keeper',
  scope: 'overhaul',
  currency: 'EUR',
  taxPercent: 19,
  lines: [{ kind: 'labour', what: 'Tone holes', amount: { low: 10000, likely: 20000, high: 30000 } }],
  minutes: { low: 8, likely: 15, high: 35 },
  total: { low: 10000, likely: 20000, high: 30000 },
  operations: ['dress-rim:e'],
  leaves: [{ what: 'Dent, bell', why: 'It is away from a seal.' }],
  ...more,
});
const link = { link: uuid(9001), tokenHash: 'a'.repeat(64), until: '2026-12-31', photos: [photo] };
function withPhotos(): TestJob {
  const job = new TestJob({ maker: 'Hallam & Wray', made: 'about 1928', dueBy: '2026-12-18' });
  for (const [id, caption] of [
    [photo, 'the bell as it came'],
    [other, 'the desk, with a letter on it'],
  ])
    job.write('photo', { photo: id, width: 800, height: 600, caption });
  return job;
}
const view = (job: TestJob) => ownerView(job.state, sax, { photos: [photo] }, job.now) as OwnerView;

describe('a link for the owner', () => {
  const wrong = (job: TestJob, kind: string, body: object) =>
    misfits(job.state, { kind, body } as unknown as NewEntry).map(({ path }) => path);
  test('shows pictures of this job, is given once, and is taken back', () => {
    const job = withPhotos();
    expect(wrong(job, 'owner-link', link)).toEqual([]);
    expect(wrong(job, 'owner-link', { ...link, photos: [uuid(8003)] })).toEqual(['/body/photos']);
    expect(wrong(job, 'owner-link-over', { link: link.link })).toEqual(['/body/link']);
    const given = job.write('owner-link', link);
    expect(wrong(job, 'owner-link', link)).toEqual(['/body/link']);
    expect(job.state.ownerLinks.get(link.link)).toMatchObject({ over: false, photos: [photo] });
    job.write('owner-link-over', { link: link.link });
    expect(job.state.ownerLinks.get(link.link)?.over).toBe(true);
    job.write('strike', { entry: given });
    expect(job.state.ownerLinks.size).toBe(0);
  });
  test.each([
    ['2026-12-30', false, true],
    ['2026-12-31', false, true],
    ['2027-01-01', false, false],
    ['2026-12-30', true, false],
  ])('on %s, taken back %s: opens %s', (day, over, opens) =>
    expect(linkOpens({ until: '2026-12-31', over }, day)).toBe(opens),
  );
});

describe('what an owner sees', () => {
  test('how it goes, in plain words, and only the pictures that were chosen', () => {
    const job = withPhotos();
    expect(view(job)).toMatchObject({
      instrument: `${sax.name}, Hallam & Wray, about 1928`,
      done: 0,
      dueBy: '2026-12-18',
      record: null,
      photos: [{ photo, caption: 'the bell as it came' }],
    });
    job.write('note', { text: 'she is hard to please' });
    job.finding('pad-leaking', 'e');
    const { of } = view(job);
    expect(of).toBeGreaterThan(0);
    // Nothing that was written for the bench goes there.
    expect(JSON.stringify(view(job))).not.toMatch(/hard to please|with a letter/);
  });
  test('where it stands, by the step in hand, else by the first that is open', () => {
    const job = withPhotos();
    const stands = () => [view(job).stage, view(job).done, view(job).of];
    // Only what ends every job is planned, for nobody has looked yet.
    expect(stands()).toEqual(['It is being looked over, part by part.', 0, 2]);
    job.finding('pad-leaking', 'e');
    expect(stands()).toEqual(['The pads are going in.', 0, 4]);
    job.write('operation-started', { operation: 'bring-in-links:instrument' });
    expect(stands()).toEqual(['Its keys are being set to work together.', 0, 4]);
    for (const step of ['reseat-pad:e', 'bring-in-links:instrument']) job.done(step);
    expect(stands()).toEqual(['It is being played, note by note.', 2, 4]);
    job.done('play-test:instrument');
    job.done('hand-over:instrument');
    expect(stands()).toEqual(['All work is done; it is being looked at once more.', 4, 4]);
  });
  test('what is offered, newest first, with amounts as they were given, and what was said to it', () => {
    const job = withPhotos();
    job.write('estimate', estimate(9101));
    job.write('estimate', estimate(9102, { title: 'More', changeOf: uuid(9101) }));
    job.write('agreement', { estimate: uuid(9101), answer: 'accepted', on: '2026-11-23', by: 'The hall warden' });
    expect(view(job).offers).toEqual([
      expect.objectContaining({ title: 'More', isChange: true, answer: null }),
      expect.objectContaining({
        title: 'Only what is needed',
        isChange: false,
        total: '€200.00',
        range: '€100.00 to €300.00',
        lines: [{ what: 'Tone holes', amount: '€200.00' }],
        leaves: [{ what: 'Dent, bell', why: 'It is away from a seal.' }],
        answer: { answer: 'accepted', on: '2026-11-23', by: 'The hall warden', note: '' },
      }),
    ]);
  });
  test('once it is signed: what was done, given, left, and figures before and after in the unit of the job', () => {
    const job = withPhotos();
    job.rim('e', saddle);
    job.done('dress-rim:e', { disturbs: ['rim:e'] });
    job.rim('e', flat);
    expect(view(job).record).toBeNull();
    job.write('sign-off', { ownerCautions: ['Keep it dry.'], summary: 'It plays again.', checkUp: '2027-11-23' });
    const shown = view(job);
    expect(shown.stage).toBe('It is done and can go home.');
    expect(shown.care).toEqual(['Keep it dry.']);
    expect(shown.record).toMatchObject({ summary: 'It plays again.', checkUp: '2027-11-23', done: ['dress-rim:e'] });
    expect(shown.record?.figures).toEqual([
      {
        what: expect.stringMatching(/^E: /),
        before: expect.stringMatching(/ mm$/),
        after: expect.stringMatching(/ mm$/),
      },
    ]);
  });
});

describe('an offer that is taken', () => {
  const goesBy = (job: TestJob) => [job.state.practice, job.state.intake?.scope];
  test('is what the job goes by from then on, until the answer is taken back', () => {
    const job = new TestJob();
    expect(goesBy(job)).toEqual(['stage', 'repair']);
    job.write('estimate', estimate(9101));
    expect(goesBy(job)).toEqual(['stage', 'repair']);
    const answer = job.write('agreement', { estimate: uuid(9101), answer: 'accepted', on: '2026-11-23' });
    expect(goesBy(job)).toEqual(['keeper', 'overhaul']);
    job.write('strike', { entry: answer });
    expect(goesBy(job)).toEqual(['stage', 'repair']);
  });
  test('one that is refused, and a change, leave both as they are', () => {
    const job = new TestJob();
    job.write('estimate', estimate(9101));
    job.write('agreement', { estimate: uuid(9101), answer: 'refused', on: '2026-11-23' });
    job.write('estimate', estimate(9102, { changeOf: uuid(9101) }));
    job.write('agreement', { estimate: uuid(9102), answer: 'accepted', on: '2026-11-23' });
    expect(goesBy(job)).toEqual(['stage', 'repair']);
  });
});
