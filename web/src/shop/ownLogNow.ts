/** What the server has; null where it does not answer: the next announcement brings it. */
export async function ownLogNow<State>(address: string): Promise<State | null> {
  const response = await fetch(address).catch(() => null);
  return response?.ok ? ((await response.json()) as State) : null;
}
