/** What the server answers at an address; null where it does not answer, or not to the end, or with a fault. */
export const fetched = <Answer>(address: string): Promise<Answer | null> =>
  fetch(address)
    .then(async (response) => (response.ok ? ((await response.json()) as Answer) : null))
    .catch(() => null);
