/** Headers by which the door tells what is behind it who asks. What a client says there is thrown away. */
export const askerHeader = 'x-holotonos-asker';
export const keepingHeader = 'x-holotonos-keeping';

/** What a browser is given to carry, and the header in which a page of this server says it back with everything it writes. */
export const tokenCookie = 'holotonos.token';
export const tokenHeader = 'x-holotonos-token';
