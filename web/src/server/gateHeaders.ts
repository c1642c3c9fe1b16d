/** Headers by which the door tells what is behind it who asks. What a client says there is thrown away. */
export const askerHeader = 'x-holotonos-asker';
export const keepingHeader = 'x-holotonos-keeping';
