import { describe, expect, test } from '@jest/globals';
import { sax, TestJob, told } from '../../tests/testJob';
import { shippedTypes } from '../instruments';
import { partReport } from '.';

/** The gaps under the reference key of a bell, by the side they are read at. */
function bell(gaps: Partial<Record<0 | 90 | 180 | 270, number>>) {
  const job = new TestJob();
  for (const [clock, gap] of Object.entries(gaps))
    job.read({ group: 'body-line', part: 'bell', measure: 'key-gap', clock: Number(clock) }, gap, 'feeler-fine');
  const report = partReport(job.state, sax, 'body-line', 'bell');
  return { report, words: told(report?.says) };
}

describe('what the reference key says of its bell', () => {
  test('front against back is the turn', () => {
    const { report, words } = bell({ 0: 0.5, 180: 0, 90: 0.2, 270: 0.2 });
    expect(words).toMatch(/open by 0\.500 mm more at the front: the bell is turned\. Turn past, let it return/);
    expect(words).not.toMatch(/the key or its post/);
    expect(report?.facts.map(({ id, verdict }) => [id, verdict])).toEqual([
      ['key-along', 'outside'],
      ['key-across', 'within'],
    ]);
  });
  test('left against right is the key or its post', () => {
    const { words } = bell({ 0: 0.2, 180: 0.2, 90: 0, 270: 0.5 });
    expect(words).toMatch(/open by 0\.500 mm more on the left: that is the key or its post, not the bell/);
    expect(words).not.toMatch(/bell is turned/);
  });
  test('even all round says neither', () => {
    const { report, words } = bell({ 0: 0.2, 180: 0.2, 90: 0.2, 270: 0.2 });
    expect([report?.state, words]).toEqual(['within', 'Within.']);
  });
});

test.each(
  shippedTypes
    .filter(({ sections }) => sections.some(({ id }) => id === 'bell'))
    .map((type) => [type.id, type] as const),
)('the large keys of a %s bell hinge on what does not turn with it', (_, type) => {
  if (type.family !== 'saxophone') return;
  const rod = type.rods.find(({ id }) => id === 'bell-key-rod');
  expect(rod?.section).toBe('body');
  for (const post of type.posts.filter((each) => each.rod === rod?.id)) expect(post.section).toBe('body');
});
