import type { Act } from './roles';

/**
 * What an address takes: an act; a name and nothing else, because what is sent is looked at when it is read; or nothing at
 * all of whoever asks.
 */
export type RouteNeeds = Act | 'named' | 'nothing';

/** One address with the ways of asking it knows. `*` stands for one step of the path. */
interface RouteRule {
  path: string;
  needs: Readonly<Record<string, RouteNeeds>>;
}

const reads = (path: string, needs: RouteNeeds = 'look'): RouteRule => ({ path, needs: { GET: needs } });
const rule = (path: string, needs: RouteRule['needs']): RouteRule => ({ path, needs });

/** What every address takes. One that does not stand here is let in for nobody: a test holds the list against the routes. */
export const routeRules: readonly RouteRule[] = [
  // Whoever signs in has not signed in yet.
  reads('/sign-in', 'nothing'),
  rule('/api/auth/*', { GET: 'nothing', POST: 'nothing' }),
  // By a link nobody can guess: the page itself looks whether it opens anything.
  reads('/owner/*/*', 'nothing'),
  reads('/api/v1/owner/*/*/photos/*', 'nothing'),
  reads('/api/v1/owner/*/*/record.pdf', 'nothing'),
  reads('/api/v1/owner/*/*/check-up.ics', 'nothing'),
  rule('/api/v1/owner/*/*/answer', { POST: 'nothing' }),
  rule('/api/v1/jobs/*/owner-link', { POST: 'money' }),
  reads('/api/health', 'nothing'),
  reads('/icon.svg', 'nothing'),
  reads('/'),
  reads('/week'),
  reads('/week/wall'),
  reads('/guide'),
  reads('/guide/*'),
  reads('/guide/pictures/*'),
  reads('/find'),
  reads('/check-ups'),
  // A whole logbook comes in with the names that stand in it: that takes judgement.
  reads('/import', 'judge'),
  reads('/tickets/new', 'open'),
  reads('/types'),
  reads('/stock'),
  reads('/shop'),
  reads('/shop/work'),
  reads('/shop/people'),
  reads('/shop/learned'),
  reads('/shop/keys', 'people'),
  reads('/shop/owners', 'people'),
  reads('/pieces'),
  reads('/pieces/bench'),
  reads('/jobs/*'),
  ...[
    'card',
    'estimate',
    'findings',
    'instrument',
    'look',
    'measure',
    'pads',
    'pads/corks',
    'pads/springs',
    'plan',
    'record',
    'regulation',
    'round',
    'sound',
    'sound/pitch',
    'sound/sheet',
    'sound/tuning',
    'strip',
    'survey',
  ].map((page) => reads(`/jobs/*/${page}`)),
  reads('/api/v1/calendar.ics'),
  reads('/api/v1/events'),
  rule('/api/v1/gauges/aim', { POST: 'work' }),
  reads('/api/v1/gauges/events'),
  rule('/api/v1/import', { POST: 'judge' }),
  rule('/api/v1/jobs', { POST: 'open' }),
  ...[
    'assembly.pdf',
    'board.pdf',
    'card.pdf',
    'check-up.ics',
    'check-up.pdf',
    'estimate.pdf',
    'play-test.pdf',
    'record.pdf',
    'events',
    'looks',
    'type',
  ].map((file) => reads(`/api/v1/jobs/*/${file}`)),
  rule('/api/v1/jobs/*/book.zip', { GET: 'export', POST: 'work' }),
  // What each kind of entry takes is looked at when it is read: see `actToWrite`.
  rule('/api/v1/jobs/*/entries', { GET: 'look', POST: 'named' }),
  reads('/api/v1/jobs/*/export', 'export'),
  rule('/api/v1/jobs/*/photos/*', { GET: 'look', PUT: 'tell' }),
  rule('/api/v1/jobs/*/readings', { GET: 'look', POST: 'work' }),
  // Solvers and looks at a file change nothing: whoever may look may ask them.
  rule('/api/v1/readings/look', { POST: 'look' }),
  reads('/api/v1/memory/faults'),
  reads('/api/v1/owners/*/archive.zip', 'export'),
  rule('/api/v1/owners/*/forget', { POST: 'people' }),
  reads('/api/v1/schema/*', 'nothing'),
  rule('/api/v1/shop', { GET: 'look', POST: 'named' }),
  rule('/api/v1/solve/*', { POST: 'look' }),
  rule('/api/v1/stock', { GET: 'look', POST: 'named' }),
  rule('/api/v1/stock/items.csv', { GET: 'look', POST: 'stock' }),
  reads('/api/v1/stock/order.csv'),
  reads('/api/v1/stock/order.pdf'),
  reads('/api/v1/keys.pdf'),
  rule('/api/v1/types', { GET: 'look', POST: 'judge' }),
  reads('/api/v1/types/*'),
];

const steps = (path: string): string[] => path.split('/').filter((step) => step !== '');

const open = ({ parts }: { parts: readonly string[] }): number => parts.filter((part) => part === '*').length;
/** The rules taken apart once; a path that names its steps goes before one that leaves them open. */
const known = routeRules
  .map(({ path, needs }) => ({ parts: steps(path), anyDepth: path === '/api/auth/*', needs }))
  .sort((a, b) => open(a) - open(b));

/** Scripts, styles, fonts and workers: the same for everybody, and of no shop. */
const isPublic = (path: string): boolean =>
  path.startsWith('/_next/static/') || /^\/[\w.-]+\.(?:js|mjs|svg|ico|png|woff2|webmanifest)$/.test(path);

/**
 * What an address takes of whoever asks.
 *
 * @param method of the request; HEAD is asked for as GET
 * @param path without the query
 * @returns null where no rule says anything: nobody is let in
 */
export function routeNeeds(method: string, path: string): RouteNeeds | null {
  if ((method === 'GET' || method === 'HEAD') && isPublic(path)) return 'nothing';
  const asked = steps(path);
  const rule = known.find(
    ({ parts, anyDepth }) =>
      (anyDepth ? asked.length >= parts.length : asked.length === parts.length) &&
      parts.every((part, i) => part === '*' || part === asked[i]),
  );
  return rule?.needs[method === 'HEAD' ? 'GET' : method] ?? null;
}
