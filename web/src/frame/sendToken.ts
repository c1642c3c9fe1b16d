/**
 * Runs in the page before anything else does: whatever writes to this server carries what its door has given the browser to
 * carry. Another page can make a browser write, but not read what it carries.
 *
 * It goes into the page as text, so it uses nothing from outside itself; the names are those of `server/gateHeaders.ts`.
 */
export function sendToken(): void {
  const plain = window.fetch.bind(window);
  window.fetch = (input, init = {}) => {
    const asked = input instanceof Request ? input : null;
    const method = (init.method ?? asked?.method ?? 'GET').toUpperCase();
    const { origin } = new URL(asked ? asked.url : String(input), location.href);
    const [, token] = /(?:^|; )holotonos\.token=([\w-]+)/.exec(document.cookie) ?? [];
    if (method === 'GET' || method === 'HEAD' || origin !== location.origin || token === undefined)
      return plain(input, init);
    const headers = new Headers(init.headers ?? asked?.headers);
    headers.set('x-holotonos-token', token);
    return plain(input, { ...init, headers });
  };
}
