/** The name under which something is written while nobody has said theirs. */
export const unnamed = 'at the bench';
