import { NextResponse, type NextRequest } from 'next/server';

const reading = new Set(['GET', 'HEAD', 'OPTIONS']);
/** What browsers say of a request that comes from this application or from an address bar. Scripts say nothing. */
const ours = new Set([null, 'same-origin', 'none']);

/** Refuses writing on behalf of a page of another site: a server on loopback is within reach of every page. */
export function proxy(request: NextRequest) {
  if (reading.has(request.method) || ours.has(request.headers.get('sec-fetch-site'))) return NextResponse.next();
  return NextResponse.json({ error: 'cross-site', message: 'Another site may not write here.' }, { status: 403 });
}

export const config = { matcher: '/api/:path*' };
