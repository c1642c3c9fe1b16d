import { expect, test } from '@jest/globals';
import { printPhrase } from '@holotonos/core';
import { GET } from '../src/app/api/v1/memory/faults/route';
import { learnedHere } from '../src/server/learned';
import { webDatabase } from './demo';

webDatabase({ demo: true });

const ask = async (query: string) => {
  const response = await GET(new Request(`http://127.0.0.1/api/v1/memory/faults${query}`));
  return { status: response.status, body: (await response.json()) as Record<string, unknown[]> };
};

test('the demo has taught the shop how its metal springs back, what its tool does, and what put rims right', async () => {
  const { times, faults, jobs } = await learnedHere();
  expect(faults).toContainEqual({ family: 'saxophone', kind: 'rim-warped', times: 2 });
  expect(times.some(({ kind, person }) => kind === 'dress-rim' && person === 'Juno Tam')).toBe(true);
  const said = jobs.flatMap(({ ticket, unit, lessons }) =>
    lessons.map(({ what, seen }) => `${ticket} ${printPhrase(what, unit)} ${seen}`),
  );
  expect(said).toContainEqual(expect.stringMatching(/^LL-201 Of a bend \d+ % ± \d+ % springs back 2$/));
  expect(said).toContainEqual(expect.stringMatching(/^LL-201 One pass of the expander does .* mm at the middle 2$/));
});

test('faults are asked for by family and kind; what is neither is said by name', async () => {
  const { status, body } = await ask('?family=saxophone&kind=rim-warped');
  expect(status).toBe(200);
  expect(body['outcomes']).toHaveLength(2);
  expect(body['outcomes']?.[0]).toMatchObject({
    ticket: 'LL-201',
    cause: { kind: 'dent' },
    cures: [{ step: 'dress-rim', cameBack: false }],
  });
  expect(await ask('?family=lute&kind=rim-warped')).toMatchObject({
    status: 400,
    body: { problems: [{ path: '/family' }] },
  });
  expect((await ask('')).body['problems']).toHaveLength(2);
});
