/** What is known of a logbook after an answer: the very same object where that says nothing new, so that nothing is drawn anew. */
export const newer = <State>(known: State, answer: State): State =>
  JSON.stringify(known) === JSON.stringify(answer) ? known : answer;

/** What the server has; null where it does not answer: the next announcement brings it. */
export async function ownLogNow<State>(address: string): Promise<State | null> {
  const response = await fetch(address).catch(() => null);
  return response?.ok ? ((await response.json()) as State) : null;
}
