import { expect, test } from '@jest/globals';
import { find, isSearchGroup } from '../src/server/find';
import { webDatabase } from './demo';

webDatabase({ demo: true });

test('tickets by what they are, lines by what they say, each with the page it stands on', async () => {
  const maker = await find('hallam');
  expect(maker.tickets.map(({ ticket }) => ticket)).toContain('LL-201');
  const { tickets, lines, more } = await find('rim not flat');
  expect([tickets, more]).toEqual([[], false]);
  expect(lines.map(({ ticket, group, words, href }) => [ticket, group, words, href])).toEqual([
    ['LL-201', 'findings', 'Rim not flat, E: confirmed', '/jobs/LL-201/findings'],
    ['LL-201', 'findings', 'Rim not flat, F: confirmed', '/jobs/LL-201/findings'],
  ]);
  // What somebody added stands beside it; what the line says already is not said twice.
  expect(lines[0]?.said).toBe('The rim is low at 0° and 180° to 225°.');
  const decisions = await find('dent', 'decisions');
  expect(decisions.tickets).toEqual([]);
  expect(decisions.lines).toMatchObject([{ group: 'decisions', said: '', href: '/jobs/LL-201/record' }]);
});

test('photos come with their picture', async () => {
  const { lines } = await find('body light', 'photos');
  expect(lines.length).toBeGreaterThan(0);
  for (const { photo } of lines) expect(photo).toMatchObject({ id: expect.any(String), width: expect.any(Number) });
});

test('nothing asked is nothing found', async () => {
  expect(await find('')).toEqual({ tickets: [], moreTickets: 0, lines: [], more: false });
  expect((await find('zzzz-nowhere')).lines).toEqual([]);
  expect([isSearchGroup('photos'), isSearchGroup('toString'), isSearchGroup('')]).toEqual([true, false, false]);
});
