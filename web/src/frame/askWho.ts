/** Said on the window when the server wants to know who is there: the frame asks. */
export const askWho = 'holotonos-ask-who';
