// Answers in words to requests that go no further than the door.

/** How long a sender who has been refused is still listened to, in ms. Enough for any file over a shop's own wires. */
const lingering = 5000;

/**
 * Answers a request whose body is not wanted. What is still on its way is let run out and thrown away: a connection shut
 * in the middle of it is a broken one to the sender, who then never reads why. Who goes on past the time is cut off.
 *
 * @param request,response of Node's own server
 * @param refusal the status, and what is said as JSON
 * @param patience how long what still comes is let run out, in ms
 */
export function answer(request, response, { status, body }, patience = lingering) {
  response.writeHead(status, { 'Content-Type': 'application/json' });
  response.end(JSON.stringify(body));
  if (request.complete) return;
  const cutOff = setTimeout(() => request.destroy(), patience);
  cutOff.unref();
  request.once('close', () => clearTimeout(cutOff)).resume();
}
